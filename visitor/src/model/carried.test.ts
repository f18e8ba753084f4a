import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { fetchAllLanguages, readTyped } from '@vivid/contract/wording'
import { compile, createEvaluator, minor, starters } from '@vivid/core'
import { linkTo } from '../keep/link-of'
import { carries, pageHash, type Carried } from './carried'
import { carriedIn, fitting } from './carried-in'
import { momentOf } from './moment-of'
import { marksOf } from './sheet-marks'

await fetchAllLanguages()
const PAGE = 'https://calculators.example/c/floating-home-mortgage'
const hashOf = (link: string) => new URL(link).hash
const carried: Carried = {
  answers: {
    homePrice: 41_260_000,
    downPayment: { percent: '15' },
    extra: null,
    term: { years: 25, months: 6 },
  },
  beside: {
    whatIf: [
      { name: 'the raise, « peut-être »', extra: minor(250_00), annualRate: '5.2' },
      { name: '', yearlyExtra: minor(3_000_00), lumpSum: { amount: minor(20_000_00), withPayment: 26 } },
    ],
  },
  isWorkedOut: true,
}
const then = {
  on: '2026-11-25',
  headline: { unit: 'money', money: 90_759 as never, per: 'payment', every: 'biweekly' },
  edition: 3,
  rates: { prime: '1abc' },
} as const

test('a link brings back the answers, emptied ones too, what was kept beside, and what it said then', () => {
  const link = linkTo(PAGE, 'fr-CA', { ...carried, then })
  expect(carriedIn(hashOf(link))).toEqual({ ...carried, then })
  expect(new URL(link).pathname + new URL(link).search).toBe('/c/floating-home-mortgage?lang=fr-CA')
  expect(link).toMatch(/#kept=[A-Za-z0-9_-]+$/)
})

test('a page’s own address brings the same back, without a then, and with texts that could not be read', () => {
  const page = { ...carried, answers: { rate: { unreadable: 'lots' } }, isWorkedOut: false }
  expect(carriedIn(pageHash(page))).toEqual(page)
  expect([carries(pageHash(page)), carries('#schedule'), carries('')]).toEqual([true, false, false])
})

test('links of before are read: what they said stood beside the answers', () => {
  const old = { answers: { homePrice: 1 }, on: '2026-11-25', headline: then.headline }
  const hash = `#kept=${Buffer.from(JSON.stringify(old)).toString('base64url')}`
  expect(carriedIn(hash)).toEqual({
    answers: { homePrice: 1 },
    beside: {},
    isWorkedOut: true,
    then: { on: '2026-11-25', headline: then.headline, edition: 0, rates: {} },
  })
})

test('whatever the answers hold comes back as it was', () => {
  fc.assert(
    fc.property(fc.dictionary(fc.string({ minLength: 1 }), fc.jsonValue()), (answers) => {
      const plain = JSON.parse(JSON.stringify(answers)) as Record<string, unknown>
      expect(carriedIn(pageHash({ ...carried, answers: plain }))?.answers).toEqual(plain)
    }),
  )
})

describe('what was not made here is not believed', () => {
  const encoded = (value: unknown) => `#kept=${Buffer.from(JSON.stringify(value)).toString('base64url')}`
  test.each([
    ['no base64', '#kept=%%%'],
    ['no JSON', `#kept=${Buffer.from('{').toString('base64url')}`],
    ['half of a letter', `#kept=${Buffer.from([0x7b, 0xc3]).toString('base64url')}`],
    ['no answers', encoded({ on: '2026-11-25' })],
    ['answers that are a list', encoded({ answers: [1] })],
    ['null', encoded(null)],
  ])('%s', (_, hash) => expect(carriedIn(hash)).toBeUndefined())

  test.each([
    ['a headline that is a text', 'about 900'],
    ['an amount that is none', { unit: 'money', money: '<b>' }],
    ['an amount with a fraction', { unit: 'money', money: 1.5 }],
    ['a length that is none', { unit: 'term', years: 2, months: '<b>' }],
    ['a percentage beyond all', { unit: 'percent', percent: '9'.repeat(99) }],
    ['a kind of value a headline never is', { unit: 'list', items: [] }],
  ])('%s', (_, headline) =>
    expect(carriedIn(encoded({ answers: {}, then: { headline, rates: [1] } }))?.then).toEqual({
      on: '',
      headline: undefined,
      edition: 0,
      rates: {},
    }),
  )

  test.each(['9999-99-99', '2026-02-30', '20261125', '', 7, null])('the day %j', (on) =>
    expect(carriedIn(encoded({ answers: {}, then: { ...then, on } }))?.then?.on).toBe(''),
  )

  test.each([
    [7],
    ['x'],
    [[null]],
    [[{}]],
    [[{ name: 'x' }]],
    [[{ extra: -1 }]],
    [[{ extra: 1.5 }]],
    [[{ extra: 1e99 }]],
    [[{ lumpSum: { amount: 1, withPayment: -1 } }]],
    [[{ annualRate: '1e9' }]],
    [[{ payment: '100' }]],
  ])('kept beside: %j', (kept) =>
    expect(carriedIn(encoded({ answers: {}, beside: { whatIf: kept } }))?.beside).toEqual({ whatIf: [] }),
  )

  test('no more is kept beside than may stand there, under no longer names', () => {
    const many = Array.from({ length: 9 }, () => ({ name: 'n'.repeat(500), extra: 1 }))
    const { whatIf = [] } = carriedIn(encoded({ answers: {}, beside: { whatIf: many } }))?.beside ?? {}
    expect([whatIf.length, whatIf[0]?.name.length]).toEqual([4, 60])
  })
})

describe('answers from outside', () => {
  const document = starters.find(({ id }) => id === 'mortgage-payment')?.make()
  if (!document) throw new Error('no such starter')
  const { program } = compile(document, [])
  const evaluator = createEvaluator(program)
  const evaluate = (answers: object) =>
    evaluator({ ...answers }, { today: momentOf('2026-11-25'), sheets: [] })
  const fits = (answers: object) => fitting({ ...answers }, program, evaluate)

  test('what can be an answer is taken, in or out of range, empty or not to be read', () => {
    const answers = { homePrice: 1, downPayment: null, rate: { unreadable: 'lots' }, frequency: 'weekly' }
    expect(fits(answers)).toEqual({ answers, refused: [], hasMore: false })
  })

  test('what cannot is named and left out, and what is not asked is said', () => {
    const bad = { homePrice: '1', rate: 4.64, frequency: 'hourly', term: { years: 25 }, downPayment: [] }
    const { answers, refused, hasMore } = fits({ ...bad, colour: 'red' })
    expect([answers, [...refused].sort(), hasMore]).toEqual([{}, Object.keys(bad).sort(), true])
  })

  test('whatever stands there, nothing breaks (200)', () => {
    const ids = program.steps.flatMap(({ step }) => (step.kind === 'question' ? [step.id] : []))
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...ids, '__proto__'), fc.jsonValue()), (any) => {
        expect(() => evaluate(fits(any).answers)).not.toThrow()
      }),
      { numRuns: 200 },
    )
  })
})

const TYPED: readonly string[] = ['money', 'percent', 'share', 'term', 'number']

test('whatever is typed into any question of any starter is there again after a reload (4,000)', () => {
  const digits = fc.bigInt({ min: 0n, max: 10n ** 17n }).map(String)
  const dressed = fc.tuple(
    fc.constantFrom('', '-', '$', '('),
    fc.oneof(digits, fc.stringMatching(/^\d{1,7}[.,]\d{1,9}$/)),
    fc.constantFrom('', ' %', 'k', ' million', ' years', 'y 6m', ')'),
  )
  const typed = fc.oneof(
    dressed.map((parts) => parts.join('')),
    fc.string(),
  )
  const asked = starters.flatMap(({ make }) => {
    const { program } = compile(make(), [])
    const evaluator = createEvaluator(program)
    const evaluate = (answers: object) =>
      evaluator({ ...answers }, { today: momentOf('2026-11-25'), sheets: [] })
    return program.steps.flatMap(({ step }) =>
      step.kind === 'question' && TYPED.includes(step.asks) ? [{ question: step, program, evaluate }] : [],
    )
  })
  fc.assert(
    fc.property(
      fc.nat(asked.length - 1),
      typed,
      fc.constantFrom('en-CA', 'fr-CA', 'de-DE'),
      fc.constantFrom('money' as const, 'percent' as const),
      (at, text, locale, unit) => {
        const one = asked[at]
        if (!one) return
        const { question, program, evaluate } = one
        const answer = readTyped(question, text, unit, { locale, currency: program.currency })
        const { answers, refused } = fitting({ [question.id]: answer }, program, evaluate)
        expect([text, refused, answers]).toEqual([text, [], { [question.id]: answer }])
      },
    ),
    { numRuns: 4000 },
  )
})

test('a sheet’s mark is another one whenever what it says is', () => {
  const sheet = {
    id: 'prime',
    name: 'Prime',
    versions: [{ from: '2026-11-03', rows: [{ keys: [], value: '4.64' }] }],
  }
  const changed = { ...sheet, versions: [{ from: '2026-11-03', rows: [{ keys: [], value: '4.65' }] }] }
  const [mark, other] = [sheet, changed].map((one) => marksOf([one as never]).prime)
  expect(mark).toMatch(/^[a-z0-9]+$/)
  expect(other).not.toBe(mark)
  expect(marksOf([{ ...sheet, name: 'Renamed' } as never]).prime).toBe(mark)
})
