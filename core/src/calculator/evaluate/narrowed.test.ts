import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readMoment } from '../../dates/moment'
import { compile } from '../compile/compile'
import type { CalculatorDocument } from '../document/document'
import type { Question } from '../document/questions'
import type { CalculatorStep } from '../document/steps'
import { renameStep } from '../editing/edit'
import type { Answers } from '../program/program'
import { starters } from '../starters'
import { trialsOf, tryOut } from '../proving/trial'
import { createEvaluator } from './evaluate'
import { needsFurther } from './needs-further'

const today = readMoment('2026-11-25T12:00')
if (!today) throw new Error('that is a moment')
const around = { today, sheets: [] }
const mortgage = starters.find(({ id }) => id === 'mortgage-payment')?.make()
if (!mortgage) throw new Error('no such starter')

/** The mortgage, a question of it with bounds from formulas; other steps may come first. */
const bounded = (id: string, bounds: object, first: readonly CalculatorStep[] = []): CalculatorDocument => ({
  ...mortgage,
  steps: [
    ...first,
    ...mortgage.steps.map((step) => (step.id === id ? { ...step, ...bounds } : step)),
  ] as CalculatorStep[],
})
const asked = { kind: 'question' as const, label: { 'en-CA': 'x' }, help: {}, required: true, shownWhen: '' }
const age: Question = {
  ...asked,
  id: 'age',
  name: 'age',
  asks: 'number',
  counts: 'things',
  default: 40,
  least: 18,
  most: 100,
  step: 1,
  slider: true,
}
const from: Question = {
  ...asked,
  id: 'from',
  name: 'from',
  asks: 'date',
  precision: 'day',
  default: 'today',
  least: null,
  most: null,
}

const ceiling: CalculatorStep = {
  kind: 'working',
  id: 'ceiling',
  name: 'ceiling',
  formula: 'once(500000)',
  unit: 'any',
  rounding: null,
  note: '',
  shown: false,
  label: {},
}

const work = (document: CalculatorDocument, answers: Answers) =>
  createEvaluator(compile(document, []).program)(answers, around)
const problemsAt = (id: string, document: CalculatorDocument, answers: Answers) =>
  work(document, answers).problems.filter(({ field }) => field === id)

describe('a range that follows from other answers', () => {
  const least = bounded('downPayment', { leastBy: 'minimum down payment(home price, [500000], [5, 10])' })
  test('a least down payment of 600,000 is 5 % of 500,000 and 10 % of the rest: 35,000', () => {
    const short = { homePrice: 600_000_00, downPayment: { money: 34_999_99 } }
    expect(problemsAt('downPayment', least, short)).toMatchObject([
      { code: 'ANSWER_BELOW_LEAST', least: { money: 35_000_00 } },
    ])
    expect(problemsAt('downPayment', least, { ...short, downPayment: { money: 35_000_00 } })).toEqual([])
    expect(problemsAt('downPayment', least, { ...short, downPayment: { percent: '5.8' } })).toHaveLength(1)
    expect(
      problemsAt('downPayment', least, { homePrice: 400_000_00, downPayment: { percent: '5' } }),
    ).toEqual([])
  })

  const paidBack = bounded('term', { mostBy: 'years(75 - age)' }, [age])
  test('a loan is paid back by 75: the question says so, and says it anew for another age', () => {
    const term = { years: 25, months: 0 }
    expect(problemsAt('term', paidBack, { age: 50, term })).toEqual([])
    expect(problemsAt('term', paidBack, { age: 51, term })).toMatchObject([
      { code: 'ANSWER_ABOVE_MOST', most: { unit: 'term', years: 24, months: 0 } },
    ])
    const evaluate = createEvaluator(compile(paidBack, []).program)
    const mostAt = (years: number) => {
      const step = evaluate({ age: years }, around).narrowed.get('term')
      return step?.asks === 'term' ? step.most : undefined
    }
    expect([mostAt(60), mostAt(70), mostAt(60)]).toEqual([15, 5, 15].map((years) => ({ years, months: 0 })))
    // Within 30 years the figure is the narrower of the two.
    expect(mostAt(40)).toBeUndefined()
  })

  const above = (most: object) => ({ code: 'ANSWER_ABOVE_MOST', most })
  const below = (least: object) => ({ code: 'ANSWER_BELOW_LEAST', least })
  test.each<[string, string, object, Answers, object]>([
    ['a percentage', 'rate', { leastBy: '2.5' }, { rate: '2.49' }, below({ percent: '2.5' })],
    [
      'an amount',
      'homePrice',
      { mostBy: 'ceiling' },
      { homePrice: 500_000_01 },
      above({ money: 500_000_00 }),
    ],
    [
      'a written figure',
      'homePrice',
      { mostBy: '$500,000' },
      { homePrice: 500_000_01 },
      above({ money: 500_000_00 }),
    ],
    ['a number', 'age', { leastBy: '20.2' }, { age: 20 }, below({ number: '21' })],
    [
      'a date',
      'from',
      { leastBy: 'today() + months(1)' },
      { from: '2026-12-24' },
      below({ date: '2026-12-25' }),
    ],
    [
      'one outside the figures, which hold',
      'rate',
      { leastBy: '0 - 3' },
      { rate: '-1' },
      below({ percent: '0' }),
    ],
  ])('%s', (_, id, bounds, answers, problem) => {
    const before = [ceiling, age, from].map((step) => (step.id === id ? { ...step, ...bounds } : step))
    expect(problemsAt(id, bounded(id, bounds, before as CalculatorStep[]), answers)).toMatchObject([problem])
  })

  test('what a bound is made of is wrong: that is told there, and the figures hold here', () => {
    const answers = { age: 'old', term: { years: 31, months: 0 } }
    expect(work(paidBack, answers).problems.map(({ field, code }) => [field, code])).toEqual([
      ['age', 'ANSWER_UNREADABLE'],
      ['term', 'ANSWER_ABOVE_MOST'],
    ])
  })
  test('a bound that cannot be worked out is told, and never passed over', () => {
    const document = bounded('homePrice', { mostBy: 'once(100000) / (age - 40)' }, [age])
    expect(problemsAt('homePrice', document, {})).toMatchObject([{ code: 'STEP_STOPPED' }])
  })
  test('hidden, a question has no range', () => {
    const hidden = bounded('term', { mostBy: 'years(75 - age)', shownWhen: 'age < 20' }, [age])
    expect(problemsAt('term', hidden, { age: 74 })).toEqual([])
  })
  test('a bound of another unit, and one that needs its own answer, are mended before', () => {
    const codes = (document: CalculatorDocument) => compile(document, []).problems.map(({ code }) => code)
    expect(codes(bounded('homePrice', { leastBy: 'term' }))).toContain('UNIT_NOT_WANTED')
    expect(codes(bounded('homePrice', { leastBy: 'home price' }))).toContain('CIRCLE')
    expect(codes(bounded('homePrice', { leastBy: 'down payment' }))).toContain('CIRCLE')
  })
  test('a renamed step is followed in bounds, and only such programs need more than a page has at first', () => {
    const term = renameStep(paidBack, 'age', 'years lived').steps.find(({ id }) => id === 'term')
    expect(term).toMatchObject({ mostBy: 'years(75 - years lived)' })
    expect(needsFurther(compile(paidBack, []).program)).toBe(true)
    expect(needsFurther(compile(mortgage, []).program)).toBe(false)
  })
  test('before sending, the ends of the range as it is for the sample visitor are tried', () => {
    const { program } = compile(paidBack, [])
    const sample = {
      ...paidBack,
      samples: [{ id: 'one', name: 'One', answers: { age: 60, term: { years: 10, months: 0 } } }],
    }
    expect([...tryOut(sample, program, around)].filter(({ failure }) => failure.field === 'term')).toEqual([])
    const { narrowed } = createEvaluator(program)({ age: 60 }, around)
    const ends = trialsOf(sample, (question) => narrowed.get(question.id) ?? question).flatMap(
      ({ changed }) => (changed?.question === 'term' ? [changed.answer] : []),
    )
    expect(ends).toEqual([
      { years: 1, months: 0 },
      { years: 15, months: 0 },
    ])
  })
})

test.each([
  ['round up(home price / 3)', false],
  ['if credit = "annual percentage rate" then 1 else 2', false],
  ['per month(yearly(home price))', false],
  ['rate per payment(rate, payment frequency)', false],
  ['balance after(the loan, 60)', true],
  ['effective rate(rate, 12) * 2', true],
])('a program with “%s” needs what a page fetches later: %s', (formula, needs) => {
  const credit = { ...ceiling, id: 'credit', name: 'credit', formula: '"annual percentage rate"' }
  const used = { ...ceiling, id: 'used', name: 'used', formula }
  const { program, problems } = compile({ ...mortgage, steps: [...mortgage.steps, credit, used] }, [])
  expect(problems.filter(({ code }) => code !== 'NOT_USED')).toEqual([])
  expect(needsFurther(program)).toBe(needs)
})

test('an answer is taken if it lies within the figures and the formulas, and then only', () => {
  const cents = fc.integer({ min: 0, max: 100_000_00 })
  const document = (least: number, most: number, by: number, to: number) =>
    bounded('homePrice', { least, most, default: least, leastBy: `${by / 100}`, mostBy: `${to / 100}` })
  fc.assert(
    fc.property(cents, cents, cents, cents, cents, (a, b, by, to, answer) => {
      const [least, most] = [Math.min(a, b), Math.max(a, b)]
      const isTaken =
        problemsAt('homePrice', document(least, most, by, to), { homePrice: answer }).length === 0
      expect(isTaken).toBe(answer >= Math.max(least, by) && answer <= Math.min(most, to))
    }),
    { numRuns: 60 },
  )
})
