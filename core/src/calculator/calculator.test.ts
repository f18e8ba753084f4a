import { expect, test } from 'vitest'
import { amortize } from '../loan/amortize'
import { changesBetween, mergeDocuments } from './changes'
import { compile } from './compile'
import { CalculatorDocument, type CalculatorStep } from './document'
import { evaluate } from './evaluate'
import { mortgagePayment } from './starters/mortgage-payment'
import { starters } from './starters'

const TODAY = { year: 2026, month: 11, day: 25 }

/** The starter with fields of one step changed. */
const changed = (
  id: string,
  fields: Record<string, unknown>,
  from = mortgagePayment(),
): CalculatorDocument => ({
  ...from,
  steps: from.steps.map((step) => (step.id === id ? ({ ...step, ...fields } as CalculatorStep) : step)),
})
const run = (answers: Record<string, unknown> = {}, document = mortgagePayment()) =>
  evaluate(compile(document).program, answers, TODAY)

test.each(starters)(
  'the starter "$id" is a valid document, compiles, and works out for its sample visitor',
  ({ make }) => {
    const document = make()
    expect(CalculatorDocument.parse(document)).toEqual(document)
    const { program, problems } = compile(document)
    expect(problems).toEqual([])
    const { problems: answerProblems, readouts } = evaluate(program, document.sample.answers, TODAY)
    expect(answerProblems).toEqual([])
    expect(readouts).toHaveLength(document.steps.filter(({ kind }) => kind === 'readout').length)
  },
)

test('the loan is the price less the down payment, and its readouts are its ledger’s', () => {
  const { values, readouts, ledgers } = run({ frequency: 'biweekly' })
  const ledger = amortize({
    principal: 350_710_00,
    annualRate: '4.64',
    compounding: 2,
    frequency: 'biweekly',
    term: { years: 25 },
    firstPayment: '2026-12-09',
  })
  if (!ledger.ok) throw new Error(ledger.code)
  expect(values.downPayment).toEqual({ unit: 'share', money: 61_890_00, percent: '15', typed: 'percent' })
  expect(values.loan).toEqual({ unit: 'loan', principal: 350_710_00, payment: ledger.payment, count: 650 })
  expect(readouts[0]).toMatchObject({ payment: ledger.payment, last: ledger.lastPayment })
  expect(readouts[2]).toMatchObject({ endsOn: '2051-10-25' })
  expect(ledgers.get('loan')?.totals).toEqual(ledger.totals)
})

test('a percentage of an odd price is rounded to the nearest cent', () => {
  const { values } = run({ homePrice: 100_000_05, downPayment: { percent: '10' } })
  expect(values.downPayment).toMatchObject({ money: 10_000_01 })
})

test('choosing a frequency changes the number of payments and the rate of each together', () => {
  const weekly = run({ frequency: 'weekly' }).ledgers.get('loan')
  const monthly = run({ frequency: 'monthly' }).ledgers.get('loan')
  expect([weekly?.count, monthly?.count]).toEqual([1300, 300])
  // (1 + 0.0464/2)^(2/52) − 1 of 350,710.00 is 309.50 in the first week.
  expect(weekly?.at(1).interest).toBe(309_50)
})

test('one wrong answer leaves what does not depend on it worked out', () => {
  const { values, readouts, problems } = run({ rate: 'high' })
  expect(problems).toEqual([{ code: 'ANSWER_UNREADABLE', field: 'rate', wanted: 'percent' }])
  expect(values.downPayment).toBeDefined()
  expect(readouts).toEqual([])
})

test('problems come in the order of the questions, the unknown last', () => {
  const { problems } = run({ nonsense: 1, frequency: 'never', homePrice: -1 })
  expect(problems.map(({ field }) => field)).toEqual(['homePrice', 'frequency', 'nonsense'])
})

test('a question without a default has to be answered', () => {
  const { problems } = run({}, changed('rate', { default: null }))
  expect(problems).toEqual([{ code: 'ANSWER_MISSING', field: 'rate' }])
})

test.each<[string, CalculatorDocument, string, string]>([
  ['a least above the most', changed('homePrice', { least: 3_000_000_00 }), 'LEAST_ABOVE_MOST', 'homePrice'],
  ['a default below the least', changed('homePrice', { default: 1 }), 'DEFAULT_OUT_OF_RANGE', 'homePrice'],
  [
    'a default percentage below the least',
    changed('downPayment', { default: { percent: '1' } }),
    'DEFAULT_OUT_OF_RANGE',
    'downPayment',
  ],
  [
    'a default that is not offered',
    changed('frequency', { default: 'yearly' }),
    'DEFAULT_OUT_OF_RANGE',
    'frequency',
  ],
  ['a name given twice', changed('rate', { name: 'home PRICE' }), 'NAME_TAKEN', 'rate'],
  ['an identifier given twice', changed('rate', { id: 'term' }), 'ID_TAKEN', 'term'],
  ['a share of nothing', changed('downPayment', { of: 'gone' }), 'REFERENCE_UNKNOWN', 'downPayment'],
  [
    'a share of a percentage',
    changed('downPayment', { of: 'rate' }),
    'REFERENCE_OF_WRONG_KIND',
    'downPayment',
  ],
  [
    'a share of itself',
    changed('downPayment', { of: 'downPayment' }),
    'REFERENCE_OF_WRONG_KIND',
    'downPayment',
  ],
  ['a loan over a rate', changed('loan', { term: 'rate' }), 'REFERENCE_OF_WRONG_KIND', 'loan'],
  ['a readout of no loan', changed('payment', { loan: 'term' }), 'REFERENCE_OF_WRONG_KIND', 'payment'],
  ['a step of zero percent', changed('rate', { step: '0' }), 'STEP_ZERO', 'rate'],
])('%s is a problem at its step, and evaluating it all the same is safe', (_, document, code, step) => {
  const { problems, program } = compile(document)
  expect(problems).toContainEqual(expect.objectContaining({ code, step }))
  expect(() => evaluate(program, {}, TODAY)).not.toThrow()
})

test('a document without questions or readouts says so', () => {
  const { problems } = compile({ ...mortgagePayment(), steps: [] })
  expect(problems.map(({ code }) => code)).toEqual(['NO_QUESTION', 'NO_READOUT'])
})

test('the tape knows what each step takes values from', () => {
  const { uses } = compile(mortgagePayment())
  expect(uses.get('downPayment')).toEqual(['homePrice'])
  expect(uses.get('loan')).toEqual(['homePrice', 'downPayment', 'rate', 'term', 'frequency'])
  expect(uses.get('payment')).toEqual(['loan'])
})

test('changes are listed by step and field', () => {
  const after = { ...changed('rate', { default: '5.1' }), title: 'Raft' }
  expect(changesBetween(mortgagePayment(), after)).toEqual([
    { step: undefined, field: 'title', before: 'Mortgage payment', after: 'Raft' },
    { step: 'rate', field: 'default', before: '4.64', after: '5.1' },
  ])
  expect(changesBetween(after, after)).toEqual([])
})

test('two people’s changes to different fields are both kept', () => {
  const base = mortgagePayment()
  const mine = changed('rate', { default: '5.1' })
  const theirs = { ...changed('rate', { label: 'Interest rate' }), disclosure: 'Theirs.' }
  const { document, conflicts } = mergeDocuments(base, mine, theirs)
  expect(conflicts).toEqual([])
  expect(document).toEqual({
    ...changed('rate', { default: '5.1', label: 'Interest rate' }),
    disclosure: 'Theirs.',
  })
})

test('a field both changed differently is a conflict, decided by a person; the same change is none', () => {
  const base = mortgagePayment()
  const mine = { ...changed('rate', { default: '5.1' }), title: 'Same' }
  const theirs = { ...changed('rate', { default: '4.9' }), title: 'Same' }
  const { document, conflicts } = mergeDocuments(base, mine, theirs, () => 'theirs')
  expect(conflicts).toEqual([
    { key: 'steps/rate/default', step: 'rate', field: 'default', before: '4.64', mine: '5.1', theirs: '4.9' },
  ])
  expect(document).toEqual(theirs)
  expect(mergeDocuments(base, mine, theirs).document).toEqual(mine)
})

test('a sample answer removed by one person stays removed', () => {
  const base = { ...mortgagePayment(), sample: { name: 'x', answers: { rate: '5' } } }
  const mine = { ...base, sample: { name: 'x', answers: {} } }
  const theirs = { ...base, title: 'Theirs' }
  expect(mergeDocuments(base, mine, theirs).document).toEqual({ ...mine, title: 'Theirs' })
})
