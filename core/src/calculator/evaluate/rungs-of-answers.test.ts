import fc from 'fast-check'
import { expect, test } from 'vitest'
import { withSteps, TODAY } from '../../testing/test-document'
import { compile } from '../compile/compile'
import type { CalculatorDocument } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import type { Answers } from '../program/program'
import { insuredPurchase } from '../starters/insured-purchase'
import { readout, t, yesNo } from '../starters/build'
import { addedPremiums } from '../starters/sheets'
import { createEvaluator, evaluate } from './evaluate'

const sheets = [addedPremiums]
const around = { today: TODAY, sheets }

/** The mortgage starter with a ladder of its loan over one question. */
const over = (question: string, terms: Record<string, string> = {}, ...before: CalculatorStep[]) =>
  withSteps(
    ...before,
    { kind: 'ladder', id: 'beside', name: 'beside', over: 'answer', loan: 'loan', question, terms },
    { ...readout('table', 'table', t('Beside', 'Voisins')), shows: 'ladder', ladder: 'beside' },
  )

const ladderOf = (document: CalculatorDocument, answers: Answers) => {
  const { readouts, problems } = evaluate(compile(document, sheets).program, answers, around)
  const found = readouts.find((one) => one.shows === 'ladder')
  return { problems, ladder: found?.shows === 'ladder' ? found : undefined }
}
const ANSWERS: Answers = {
  homePrice: 400_000_00,
  downPayment: { percent: '20' },
  rate: '4.64',
  term: { years: 25, months: 0 },
  frequency: 'monthly',
}

/** What a visitor gets who answers so. */
const paymentWith = (document: CalculatorDocument, answers: Answers) => {
  const loan = evaluate(compile(document, sheets).program, answers, around).values.loan
  return loan?.unit === 'loan' ? [loan.payment, loan.count] : undefined
}

test.each<[string, Record<string, string>, unknown[]]>([
  ['rate', { rates: '[4, rate, 5.5]' }, ['4', '4.64', '5.5']],
  ['homePrice', { amounts: '[home price * 0.9, home price]' }, [360_000_00, 400_000_00]],
  [
    'term',
    { lengths: '[years(20), term]' },
    [
      { years: 20, months: 0 },
      { years: 25, months: 0 },
    ],
  ],
  ['downPayment', { downPayments: '[25, 40]' }, [{ percent: '25' }, { percent: '40' }]],
  ['downPayment', { downPayments: '[as money(90000)]' }, [{ money: 90_000_00 }]],
  ['frequency', {}, ['monthly', 'biweekly', 'acceleratedBiweekly']],
])('each rung over %s is what its answer gives', (question, terms, answers) => {
  const document = over(question, terms)
  expect(compile(document, sheets).problems.filter(({ step }) => step === 'beside')).toEqual([])
  const { ladder, problems } = ladderOf(document, ANSWERS)
  expect(problems).toEqual([])
  const got = ladder?.rungs.map(({ payment, payments }) => [payment, payments])
  const all = document.steps.find(({ id }) => id === question)
  const wanted = all?.kind === 'question' && all.asks === 'frequency' ? [...all.options] : answers
  expect(got).toEqual(wanted.map((answer) => paymentWith(document, { ...ANSWERS, [question]: answer })))
  expect(got?.length).toBeGreaterThan(0)
})

test('a premium that depends on the answer is worked out anew on each rung, and the visitor’s own is marked', () => {
  const document = insuredPurchase()
  const answers = { homePrice: 450_000_00, downPayment: { percent: '10' } }
  const { ladder } = ladderOf(document, answers)
  expect(ladder?.rungs.map(({ payment }) => payment)).toEqual(
    [5, 10, 15, 20, 25].map(
      (percent) => paymentWith(document, { ...answers, downPayment: { percent: String(percent) } })?.[0],
    ),
  )
  expect(ladder?.rungs.map(({ isOwn }) => isOwn)).toEqual([false, true, false, false, false])
  expect(ladder?.asked?.['en-CA']).toBe('Down payment')
})

test('an answer that is not possible is told, and the others stand', () => {
  const { ladder, problems } = ladderOf(insuredPurchase(), {
    homePrice: 900_000_00,
    downPayment: { percent: '20' },
  })
  expect(problems).toEqual([])
  expect(ladder?.refused).toMatchObject([
    {
      answer: { unit: 'percent', percent: '5' },
      problem: { code: 'ANSWER_BELOW_LEAST', field: 'downPayment' },
    },
  ])
  expect(ladder?.rungs).toHaveLength(4)
})

test('what only another answer would rest on moves the ladder too', () => {
  const document = over('sure', {}, yesNo('sure', 'sure', t('Sure?', 'Certain ?'), false))
  const changed = {
    ...document,
    steps: document.steps.map((step) =>
      step.kind === 'loan'
        ? { ...step, terms: { ...step.terms, annualRate: 'if sure then rate else 5' } }
        : step,
    ),
  }
  const evaluator = createEvaluator(compile(changed, sheets).program)
  const paymentsAt = (rate: string) => {
    const found = evaluator({ ...ANSWERS, rate, sure: false }, around).readouts.find(
      (one) => one.shows === 'ladder',
    )
    return found?.shows === 'ladder' ? found.rungs.map(({ payment }) => payment) : []
  }
  // The loan itself stays at 5 %: only the rung that is sure changes.
  const [before, after] = [paymentsAt('4'), paymentsAt('6')]
  expect(after[0]).toBeGreaterThan(before[0] ?? 0)
  expect(after[1]).toBe(before[1])
})

test.each([
  ['a question that is not there', over('none'), 'REFERENCE_UNKNOWN', 'question'],
  ['no list', over('rate'), 'FORMULA_EMPTY', 'terms.rates'],
  [
    'an answer the loan does not rest on',
    over('propertyTax', { recurring: '[100]' }),
    'RUNGS_ALIKE',
    'question',
  ],
  ['a list of another unit', over('term', { lengths: '[home price]' }), 'UNIT_NOT_WANTED', 'terms.lengths'],
])('%s is something to mend', (_, document, code, field) => {
  const problems = compile(document, sheets).problems.filter(({ step }) => step === 'beside')
  expect(problems.map((one) => [one.code, one.field])).toContainEqual([code, field])
})

test('whatever is listed, every entry is a rung or told why not', () => {
  const entry = fc.oneof(
    fc.integer({ min: -10, max: 120 }).map(String),
    fc.constantFrom('rate', '0', '1000', '0.125'),
  )
  fc.assert(
    fc.property(fc.array(entry, { minLength: 1, maxLength: 6 }), (entries) => {
      const { ladder } = ladderOf(over('rate', { rates: `[${entries.join(', ')}]` }), ANSWERS)
      expect((ladder?.rungs.length ?? 0) + (ladder?.refused?.length ?? 0)).toBe(entries.length)
    }),
    { numRuns: 60 },
  )
})
