import { expect, test } from 'vitest'
import { changed, TODAY, withSteps } from '../../testing/test-document'
import { CalculatorDocument } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import { evaluate } from '../evaluate/evaluate'
import { loan, t, working, yesNo, choice } from '../starters/build'
import { mortgagePayment } from '../starters/mortgage-payment'
import { addedPremiums } from '../starters/sheets'
import { starters } from '../starters'
import { compile, stoppingProblems } from './compile'
import { isGentle } from './compile-problem'

const lookUp = (fields: object): CalculatorStep =>
  ({
    kind: 'lookUp',
    id: 'found',
    name: 'found',
    sheet: 'insurance-premiums',
    keys: { loanToValue: 'rate' },
    on: '',
    ...fields,
  }) as CalculatorStep

test.each<[string, CalculatorDocument, string, string, string]>([
  [
    'a least above the most',
    changed('homePrice', { least: 3_000_000_00 }),
    'LEAST_ABOVE_MOST',
    'homePrice',
    'least',
  ],
  [
    'a default below the least',
    changed('homePrice', { default: 1 }),
    'DEFAULT_OUT_OF_RANGE',
    'homePrice',
    'default',
  ],
  [
    'a default percentage below the least',
    changed('downPayment', { default: { percent: '1' } }),
    'DEFAULT_OUT_OF_RANGE',
    'downPayment',
    'default',
  ],
  [
    'a default that is not offered',
    changed('frequency', { default: 'yearly' }),
    'DEFAULT_OUT_OF_RANGE',
    'frequency',
    'default',
  ],
  ['a name given twice', changed('rate', { name: 'HOME price' }), 'NAME_TAKEN', 'rate', 'name'],
  [
    'a name with a word of the formula language',
    changed('rate', { name: 'rate if sold' }),
    'NAME_NOT_USABLE',
    'rate',
    'name',
  ],
  [
    'a name with a sign in it',
    changed('rate', { name: 'rate-of-the-loan' }),
    'NAME_NOT_USABLE',
    'rate',
    'name',
  ],
  ['an identifier given twice', changed('rate', { id: 'term' }), 'ID_TAKEN', 'term', 'id'],
  ['a share of nothing', changed('downPayment', { of: 'gone' }), 'REFERENCE_UNKNOWN', 'downPayment', 'of'],
  [
    'a share of a percentage',
    changed('downPayment', { of: 'rate' }),
    'REFERENCE_OF_WRONG_KIND',
    'downPayment',
    'of',
  ],
  [
    'a share of itself',
    changed('downPayment', { of: 'downPayment' }),
    'REFERENCE_OF_WRONG_KIND',
    'downPayment',
    'of',
  ],
  [
    'a schedule of no loan',
    changed('schedule', { loan: 'term' }),
    'REFERENCE_OF_WRONG_KIND',
    'schedule',
    'loan',
  ],
  ['a step of zero percent', changed('rate', { step: '0' }), 'STEP_ZERO', 'rate', 'step'],
  ['a question without a label', changed('rate', { label: {} }), 'LABEL_MISSING', 'rate', 'label'],
  [
    'a hidden choice without a default',
    changed('frequency', { shownWhen: 'home price > 1', default: null }),
    'DEFAULT_NEEDED',
    'frequency',
    'default',
  ],
  [
    'an option that is there twice',
    withSteps(
      choice('c', 'c', t('c', 'c'), {
        gives: 'name',
        options: ['a', 'A'].map((name) => ({ name, label: {}, value: null })),
        default: 'a',
      }),
    ),
    'OPTION_TWICE',
    'c',
    'options.1',
  ],
  [
    'an option without its value',
    withSteps(
      choice('c', 'c', t('c', 'c'), {
        gives: 'money',
        options: [{ name: 'a', label: {}, value: '4' }],
        default: 'a',
      }),
    ),
    'OPTION_VALUE_MISSING',
    'c',
    'options.0',
  ],
  [
    'a loan that says nothing of its length',
    changed('loan', {
      terms: { principal: 'home price', annualRate: 'rate', frequency: 'payment frequency' },
    }),
    'LENGTH_NEEDED',
    'loan',
    'terms.term',
  ],
  [
    'a loan without its amount',
    changed('loan', { terms: { annualRate: 'rate', frequency: 'payment frequency', term: 'term' } }),
    'FORMULA_EMPTY',
    'loan',
    'terms.principal',
  ],
  [
    'a payment frequency that is none',
    changed('loan', { terms: { principal: '1', annualRate: 'rate', frequency: '"daily"', term: 'term' } }),
    'UNIT_NOT_WANTED',
    'loan',
    'terms.frequency',
  ],
  ['a loan like itself', changed('loan', { as: 'loan' }), 'CIRCLE', 'loan', 'formula'],
  ['a look-up without a sheet', withSteps(lookUp({ sheet: '' })), 'SHEET_NOT_CHOSEN', 'found', 'sheet'],
  [
    'a look-up in a sheet that is not here',
    withSteps(lookUp({ sheet: 'gone' })),
    'SHEET_UNKNOWN',
    'found',
    'sheet',
  ],
  [
    'a look-up without its key',
    withSteps(lookUp({ keys: {} })),
    'SHEET_KEY_MISSING',
    'found',
    'keys.loanToValue',
  ],
  [
    'a look-up by a value of another unit',
    withSteps(lookUp({ keys: { loanToValue: 'term' } })),
    'UNIT_NOT_WANTED',
    'found',
    'keys.loanToValue',
  ],
  [
    'a comparison of one loan',
    withSteps({ kind: 'comparison', id: 'c', name: 'c', loans: [{ loan: 'loan', label: {} }] }),
    'TOO_FEW_LOANS',
    'c',
    'loans',
  ],
  [
    'a working that gives another unit than it should',
    withSteps(working('w', 'w', 'home price', { unit: 'percent' })),
    'UNIT_NOT_WANTED',
    'w',
    'formula',
  ],
  [
    'an aim without its payment',
    withSteps({ kind: 'aim', id: 'a', name: 'a', find: 'amount', loan: 'loan', terms: {} }),
    'FORMULA_EMPTY',
    'a',
    'terms.payment',
  ],
  [
    'a condition that is an amount',
    changed('rate', { shownWhen: 'home price' }),
    'UNIT_NOT_WANTED',
    'rate',
    'shownWhen',
  ],
  [
    'a sentence with a slip in it',
    changed('endDate', { sentence: { 'en-CA': 'After {the loan.paymints}.' } }),
    'FIGURE_UNKNOWN',
    'endDate',
    'sentence.en-CA.0',
  ],
  [
    'a meter part that is no amount',
    changed('payment', { parts: [{ label: {}, amount: 'rate' }] }),
    'UNIT_NOT_WANTED',
    'payment',
    'parts.0.amount',
  ],
])(
  '%s is a problem at its step and field, and evaluating it all the same is safe',
  (_, document, code, step, field) => {
    const { problems, program } = compile(document, [addedPremiums])
    expect(problems).toContainEqual(expect.objectContaining({ code, step, field }))
    expect(() => evaluate(program, {}, { today: TODAY, sheets: [addedPremiums] })).not.toThrow()
  },
)

test('a document without questions or readouts says so', () => {
  const { problems } = compile({ ...mortgagePayment(), steps: [] })
  expect(problems.map(({ code }) => code)).toEqual(expect.arrayContaining(['NO_QUESTION', 'NO_READOUT']))
})

test('a fault is told where it can be mended, and not again wherever its value is used', () => {
  const document = withSteps(
    working('a', 'a', 'home prize'),
    working('b', 'b', 'a + 1'),
    working('c', 'c', 'b * 2'),
  )
  expect(stoppingProblems(compile(document))).toEqual([
    {
      code: 'NAME_UNKNOWN',
      name: 'home prize',
      near: 'home price',
      from: 0,
      to: 10,
      step: 'a',
      field: 'formula',
    },
  ])
})

test('a question whose answer reaches nothing that is shown is asked about, through however many workings', () => {
  const behind = [
    yesNo('q', 'q', t('Q', 'Q'), false),
    working('a', 'a', 'if q then 1 else 2', { unit: 'number' }),
    working('b', 'b', 'a * 2', { unit: 'number' }),
  ]
  const codes = ({ problems }: { problems: readonly { code: string; step: string | undefined }[] }) =>
    problems.flatMap(({ code, step }) =>
      code === 'CHANGES_NOTHING' || code === 'NOT_USED' ? [`${code} ${step}`] : [],
    )
  expect(codes(compile(withSteps(...behind)))).toEqual(['CHANGES_NOTHING q', 'NOT_USED b'])
  const shown = { ...working('b', 'b', 'a * 2', { unit: 'number' }), shown: true }
  expect(codes(compile(withSteps(...behind.slice(0, 2), shown)))).toEqual([])
  for (const { id, make, sheets } of starters) expect([id, codes(compile(make(), sheets))]).toEqual([id, []])
})

test('unused values, conditions that never hold and missing translations are questions, and stop nothing', () => {
  const compiled = compile({
    ...withSteps(working('idle', 'idle', 'home price * 2'), {
      ...yesNo('q', 'q', t('Q', 'Q'), false),
      label: { 'en-CA': 'Q' },
    }),
    disclosure: {},
  })
  const asked = compiled.problems.map(({ code, step }) => `${code} ${step}`)
  expect(asked).toEqual(expect.arrayContaining(['NOT_USED idle', 'NOT_USED q', 'TEXT_NOT_TRANSLATED q']))
  expect(stoppingProblems(compiled)).toEqual([])
  expect(compile(changed('endDate', { shownWhen: 'false' })).problems).toContainEqual({
    code: 'NEVER_SHOWN',
    step: 'endDate',
    field: 'shownWhen',
  })
  expect(compiled.problems.every(isGentle)).toBe(true)
})

test('the tape knows what each step takes values from, whatever is wrong with it', () => {
  const { uses } = compile(withSteps(working('w', 'w', 'the loan.payment + home price + ')))
  expect(uses.get('downPayment')).toEqual(['homePrice'])
  expect(uses.get('loan')).toEqual(['homePrice', 'downPayment', 'rate', 'frequency', 'term'])
  expect(uses.get('payment')).toEqual(['loan'])
  expect(uses.get('w')).toEqual(['loan', 'homePrice'])
})

test('a loan "as another, but …" has the other’s terms, and another way to say its length takes the place of the first', () => {
  const document = withSteps(
    loan('other', 'the other', { annualRate: 'rate + 1' }, { as: 'loan' }),
    loan('paid', 'paid off', { payment: '3000' }, { as: 'other' }),
  )
  const { program, problems } = compile(document)
  expect(problems.filter((one) => !isGentle(one))).toEqual([])
  const { values, ledgers } = evaluate(program, {}, { today: TODAY, sheets: [] })
  expect(values.other).toMatchObject({ unit: 'loan', principal: 350_710_00, count: 300 })
  expect(ledgers.get('paid')?.governedBy).toBe('payment')
})

test.each<[string, Record<string, string>, Record<string, unknown>, string, string]>([
  [
    'a payment and an initial repayment',
    { payment: '2000', initialRepayment: '2' },
    {},
    'terms.payment',
    'terms.initialRepayment',
  ],
  ['a length and a number of payments', { payments: '300' }, {}, 'terms.term', 'terms.payments'],
  [
    'payments at the start and a day count',
    {},
    { due: 'start', dayCount: 'actual365' },
    'options.due',
    'options.dayCount',
  ],
  [
    'payments at the start and a time without them',
    { gracePayments: '6' },
    { due: 'start' },
    'terms.gracePayments',
    'options.due',
  ],
  [
    'a day count and another compounding',
    {},
    { compounding: 2, dayCount: 'thirty360' },
    'options.compounding',
    'options.dayCount',
  ],
  [
    'an accelerated payment that an extra lowers',
    { frequency: '"acceleratedWeekly"' },
    { onExtra: 'lower' },
    'options.onExtra',
    'terms.frequency',
  ],
  [
    'weeks in months of 30 days',
    { frequency: '"weekly"' },
    { dayCount: 'thirty360' },
    'terms.frequency',
    'options.dayCount',
  ],
])('%s: a problem beside both', (_, terms, options, a, b) => {
  const own = mortgagePayment().steps.find(({ id }) => id === 'loan') as Extract<
    CalculatorStep,
    { kind: 'loan' }
  >
  const { problems } = compile(changed('loan', { terms: { ...own.terms, ...terms }, options }))
  for (const [field, other] of [
    [a, b],
    [b, a],
  ])
    expect(problems).toContainEqual(
      expect.objectContaining({ code: 'SETTINGS_DO_NOT_MIX', step: 'loan', field, other }),
    )
})
