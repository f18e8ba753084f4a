import fc from 'fast-check'
import type { CalculatorDocument } from '../calculator/document/document'
import type { Question } from '../calculator/document/questions'
import {
  actionNames,
  comparisonRows,
  scheduleColumns,
  whatIfNames,
  type CalculatorStep,
} from '../calculator/document/steps'
import type { RateSheet } from '../calculator/document/sheets'
import { frequencyNames } from '../rates/frequency'

/*
 * Whole documents that an author could have written, with every kind of step and terms in any mix, most of them
 * senseless: they are compiled, worked out and shown, and nothing may throw.
 */

const label = { 'en-CA': 'Label', 'fr-CA': 'Étiquette' }
const none = {}
const asked = (id: string, name: string) => ({
  kind: 'question' as const,
  id,
  name,
  label,
  help: none,
  required: true,
  shownWhen: '',
})
const most = 1e13

/** One question of each kind, wide open. */
const questions: readonly Question[] = [
  {
    ...asked('price', 'price'),
    asks: 'money',
    per: null,
    default: 400_000_00,
    least: 0,
    most,
    step: 1,
    slider: false,
    usual: null,
  },
  {
    ...asked('income', 'income'),
    asks: 'money',
    per: 'year',
    default: 90_000_00,
    least: 0,
    most,
    step: 1,
    slider: false,
    usual: { least: 1, most: 1e9 },
  },
  {
    ...asked('debts', 'debts'),
    asks: 'money',
    per: 'month',
    default: 100_00,
    least: 0,
    most,
    step: 1,
    slider: false,
    usual: null,
  },
  {
    ...asked('rate', 'rate'),
    asks: 'percent',
    default: '5',
    least: '0',
    most: '1000',
    step: '0.01',
    slider: false,
  },
  {
    ...asked('down', 'down'),
    asks: 'share',
    of: 'price',
    default: { percent: '20' },
    least: { percent: '0' },
    most: { percent: '100' },
    step: { percent: '1' },
  },
  {
    ...asked('k', 'number'),
    asks: 'number',
    counts: 'payments',
    default: 60,
    least: 0,
    most: 1_000_000,
    step: 1,
    slider: false,
  },
  {
    ...asked('things', 'things'),
    asks: 'number',
    counts: 'things',
    default: 2,
    least: -1000,
    most: 1000,
    step: 1,
    slider: false,
  },
  {
    ...asked('term', 'term'),
    asks: 'term',
    default: { years: 20, months: 0 },
    least: { years: 0, months: 0 },
    most: { years: 100, months: 0 },
    step: { years: 1, months: 0 },
  },
  { ...asked('often', 'often'), asks: 'frequency', options: [...frequencyNames], default: 'monthly' },
  { ...asked('day', 'day'), asks: 'date', precision: 'day', default: 'today', least: null, most: null },
  { ...asked('sure', 'sure'), asks: 'yesNo', default: true },
  {
    ...asked('band', 'band'),
    asks: 'choice',
    gives: 'name',
    options: ['good', 'fair'].map((name) => ({ name, label, value: null })),
    default: 'good',
  },
]

const sheetOf = (gives: RateSheet['gives']): RateSheet => ({
  id: 'rates',
  name: 'Rates',
  keys: [{ id: 'band', name: 'Band', unit: 'text', match: 'exact' }],
  gives,
  versions: [{ from: '2026-01-01', rows: [{ keys: ['good'], value: '4.5' }] }],
})
export const anySheets: readonly RateSheet[] = [sheetOf('percent')]

const texts = (...formulas: string[]) => fc.constantFrom(...formulas)
/** Four in five as an author would write it, one as nobody should. */
const mostly = <T>(usual: fc.Arbitrary<T>, wild: fc.Arbitrary<T>) =>
  fc.oneof({ arbitrary: usual, weight: 4 }, { arbitrary: wild, weight: 1 })
const once = mostly(
  texts('price', 'down', 'price - down', '250000', 'min(price, 90000)', 'price / 2'),
  texts(
    '0',
    '1',
    '0.01',
    '1000',
    'price * things',
    'once(debts)',
    '-5',
    'price * 400',
    'round down(price / 3 * 3)',
  ),
)
const monthly = mostly(
  texts('debts', 'monthly(1500)', 'per month(income)'),
  texts('monthly(0)', 'monthly(0.01)'),
)
const yearly = mostly(texts('income'), texts('per year(debts)', 'yearly(0)', 'yearly(0.01)'))
const recurring = mostly(
  texts('debts', '1500', 'per month(income)', '2500'),
  texts('0.01', '0', 'price', 'income'),
)
const percents = mostly(
  texts('rate', '5', '20', 'rate / 2', '4.64', 'percent of(down, price)'),
  texts('0', '100', '1000', 'looked up', '-1', 'rate * 3'),
)
const counts = mostly(
  texts('number', '60', '300', 'payments in(term)'),
  texts('0', '1', '20000', 'number + number', '1000000', 'number - 70'),
)
const lengths = mostly(
  texts('term', '25', 'years(15)'),
  texts('0', '100', 'years(things)', 'months(things)', 'time until(today(), day)'),
)
const dates = mostly(
  texts('day', 'today()', 'date("2030-01-31")'),
  texts('today() + term', 'date("1999-12-31")'),
)
const oftens = texts('often', '"monthly"', '"weekly"', '"acceleratedBiweekly"', '"semiMonthly"', '"yearly"')
const flags = mostly(texts('sure', 'true', 'price > 1000'), texts('rate > 3', 'not(sure)', 'false'))
const when = fc.oneof(counts, dates, texts(''))

const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined, freq: 2 })
const rarely = <T>(arbitrary: fc.Arbitrary<T>) =>
  fc.oneof({ arbitrary: fc.constant<T | undefined>(undefined), weight: 5 }, { arbitrary, weight: 1 })
const present = <T extends object>(terms: T) =>
  Object.fromEntries(Object.entries(terms).filter(([, value]) => value !== undefined)) as never

const loanStep = (id: string, name: string, others: readonly string[]): fc.Arbitrary<CalculatorStep> =>
  fc
    .record({
      as: others.length > 0 ? fc.option(fc.constantFrom(...others), { freq: 1 }) : fc.constant(null),
      terms: fc
        .record({
          principal: mostly(texts('price', 'price - down', 'min(price, 90000)'), once),
          annualRate: percents,
          frequency: oftens,
          term: fc.option(lengths, { nil: undefined, freq: 9 }),
          payments: rarely(counts),
          payment: rarely(recurring),
          balloon: maybe(once),
          firstPayment: rarely(dates),
          alreadyPaid: rarely(counts),
          financedFees: maybe(once),
          feeEachPayment: rarely(recurring),
          yearlyExtraLimit: rarely(once),
          gracePayments: rarely(counts),
          gracePayment: rarely(recurring),
          insuranceAdded: rarely(percents),
          insuranceYearly: rarely(percents),
          insuranceValue: rarely(once),
          insuranceUntil: rarely(percents),
          initialRepayment: rarely(percents),
        })
        .map((terms) => present(terms)),
      options: fc
        .record({
          compounding: maybe(fc.constantFrom('perPayment' as const, 1 as const, 2 as const, 365 as const)),
          due: maybe(fc.constantFrom('end' as const, 'start' as const)),
          onExtra: maybe(fc.constantFrom('shorten' as const, 'lower' as const)),
          paymentRounding: maybe(fc.constantFrom('nearest' as const, 'up' as const, 'down' as const)),
          dayCount: rarely(
            fc.constantFrom(
              'equal' as const,
              'thirtyOver365' as const,
              'actual365' as const,
              'thirty360' as const,
            ),
          ),
          graceInterest: maybe(
            fc.constantFrom(
              'none' as const,
              'paid' as const,
              'addedSimple' as const,
              'addedCompound' as const,
            ),
          ),
          insuranceBase: maybe(fc.constantFrom('original' as const, 'balanceYearly' as const)),
        })
        .map((options) => present(options)),
      extras: fc.option(
        fc.array(
          fc.record({
            amount: fc.oneof(once, recurring),
            every: fc.constantFrom('payment' as const, 'year' as const, 'once' as const),
            at: when,
            from: fc.oneof(texts(''), when),
            until: fc.oneof(texts(''), when),
          }),
          { maxLength: 2 },
        ),
        { freq: 2 },
      ),
      rateChanges: fc.option(
        fc.array(
          fc.record({
            fromPayment: fc.oneof(counts, dates),
            annualRate: percents,
            keep: fc.constantFrom('term' as const, 'payment' as const),
          }),
          { maxLength: 2 },
        ),
        { freq: 1 },
      ),
    })
    .map((made): CalculatorStep => ({ kind: 'loan', id, name, ...made }))

const steps: fc.Arbitrary<CalculatorStep[]> = fc
  .record({
    loan: loanStep('loan', 'the loan', []),
    other: loanStep('other', 'the other', ['loan']),
    affordability: fc.record({
      find: fc.constantFrom('price' as const, 'income' as const),
      terms: fc
        .record({
          income: yearly,
          price: once,
          monthlyDebts: maybe(monthly),
          housingLimit: mostly(texts('39', '20'), percents),
          debtLimit: mostly(texts('44', '100'), percents),
          annualRate: percents,
          qualifyingRate: maybe(percents),
          term: lengths,
          propertyTax: maybe(percents),
          homeInsurance: maybe(yearly),
          dues: maybe(monthly),
          downPayment: fc.oneof(once, percents),
          insuranceRate: maybe(percents),
          insuranceAbove: maybe(percents),
        })
        .map((terms) => present(terms)),
    }),
    refinance: fc
      .record({
        balance: once,
        oldRate: percents,
        oldPayment: recurring,
        oldExtra: maybe(recurring),
        newRate: percents,
        newTerm: lengths,
        newExtra: maybe(recurring),
        costs: maybe(once),
        costsAdded: maybe(flags),
        sameOutlay: maybe(flags),
        stay: maybe(lengths),
      })
      .map((terms) => present(terms)),
    equity: fc.record({ value: once, growth: percents, after: lengths }),
    aim: fc.record({
      find: fc.constantFrom(
        'price' as const,
        'amount' as const,
        'downPayment' as const,
        'rate' as const,
        'term' as const,
        'extra' as const,
        'balloon' as const,
      ),
      terms: fc.record({
        payment: recurring,
        within: fc.oneof(counts, lengths),
        price: once,
        downPayment: fc.oneof(once, percents),
      }),
    }),
    ladder: fc.record({
      over: fc.constantFrom(
        'rates' as const,
        'terms' as const,
        'extras' as const,
        'amounts' as const,
        'ratesByTerms' as const,
      ),
      terms: fc.record({
        rates: texts('[3, 4, 5]', '[rate, 1000]', '[0]'),
        lengths: texts('[years(10), years(20)]', '[term]', '[years(100)]'),
        extras: texts('[50, 100]', '[price]', '[0]'),
        amounts: texts('[100000, price]', '[1]', '[0]'),
      }),
    }),
    formula: texts(
      'balance after(loan: the loan, years: 1)',
      'balance after(loan: the loan, payments: number)',
      'interest to(loan: the loan, years: term)',
      'principal of payment(the loan, number)',
      'date of payment(the loan, number)',
      'annual percentage rate(the loan)',
      'annual percentage rate(loan: the loan, fees: down)',
      'annual percentage rate of charge(loan: the loan, fees: price)',
      'level payment(price, rate, number)',
      'payments to repay(price, rate, debts)',
      'minimum down payment(price, [500000, 1000000], [5, 10, 20])',
      'effective rate(rate, 12)',
      'price * price * price',
      'price / (things - 2)',
      'rate ** things',
      'today() + years(things * 1000000)',
      'the change.new loan.end date',
      'the change.old loan.rate',
      'the change.months to recover costs',
      'percent of(price, down)',
      'the aim.amount',
      'the steps.least payment',
      'the loan.balance today + the loan.interest so far + the loan.extras not paid',
      'if sure then price else down',
      'mean([price, down])',
    ),
    amounts: fc.array(fc.oneof(once, recurring, texts('the equity.equity', 'the budget.price')), {
      minLength: 1,
      maxLength: 4,
    }),
    number: counts,
    shown: fc.oneof(texts(''), flags),
    by: fc.constantFrom('year' as const, 'payment' as const),
  })
  .map((made): CalculatorStep[] => {
    const readout = (id: string) => ({
      kind: 'readout' as const,
      id,
      name: id,
      label,
      help: none,
      shownWhen: made.shown,
    })
    const parts = made.amounts.map((amount) => ({ label, amount }))
    const loans = ['loan', 'other'].map((loan) => ({ loan, label }))
    return [
      { kind: 'lookUp', id: 'look', name: 'looked up', sheet: 'rates', keys: { band: 'band' }, on: '' },
      made.loan,
      made.other,
      { kind: 'affordability', id: 'budget', name: 'the budget', compounding: 2, ...made.affordability },
      {
        kind: 'refinance',
        id: 'change',
        name: 'the change',
        compounding: 'perPayment',
        terms: made.refinance,
      },
      { kind: 'equity', id: 'equity', name: 'the equity', loan: 'loan', terms: made.equity },
      { kind: 'aim', id: 'aim', name: 'the aim', loan: 'loan', ...made.aim },
      { kind: 'ladder', id: 'ladder', name: 'the steps', loan: 'loan', ...made.ladder },
      { kind: 'comparison', id: 'beside', name: 'side by side', loans },
      {
        kind: 'working',
        id: 'work',
        name: 'worked out',
        formula: made.formula,
        unit: 'any',
        rounding: { how: 'nearest', to: '0.01' },
        note: '',
        shown: true,
        label,
      },
      {
        ...readout('figure'),
        shows: 'figure',
        value: 'worked out',
        headline: true,
        parts,
        sentence: { 'en-CA': 'It is {worked out}.' },
      },
      {
        ...readout('payment'),
        shows: 'figure',
        value: 'the loan.payment',
        headline: false,
        parts: [],
        sentence: none,
      },
      { ...readout('meter'), shows: 'meter', parts, sentence: { 'en-CA': 'In {the loan.length}.' } },
      {
        ...readout('sentence'),
        shows: 'sentence',
        sentence: { 'en-CA': '{the loan.end date} {the equity.loan to value}' },
      },
      { ...readout('balance'), shows: 'chart', chart: 'balance', loans, ladder: null },
      { ...readout('yearly'), shows: 'chart', chart: 'yearly', loans, ladder: null },
      { ...readout('rungs'), shows: 'chart', chart: 'ladder', loans: [], ladder: 'ladder' },
      { ...readout('schedule'), shows: 'schedule', loan: 'loan', by: made.by, columns: [...scheduleColumns] },
      { ...readout('table'), shows: 'ladder', ladder: 'ladder' },
      { ...readout('compared'), shows: 'comparison', comparison: 'beside', rows: [...comparisonRows] },
      { ...readout('taken'), shows: 'payment', loan: 'loan', number: made.number },
      { ...readout('how'), shows: 'explanation' },
      { ...readout('assumed'), shows: 'assumptions', text: {} },
      { ...readout('acts'), shows: 'actions', actions: [...actionNames] },
      { ...readout('tried'), shows: 'whatIf', loan: 'loan', offers: [...whatIfNames] },
    ]
  })

export const anyDocument: fc.Arbitrary<CalculatorDocument> = steps.map((made) => ({
  version: 2,
  title: label,
  currency: 'CAD',
  languages: ['en-CA', 'fr-CA'],
  lender: 'Larkmoor Mutual',
  results: 'live',
  introduction: {},
  disclosure: {},
  steps: [...questions, ...made],
  samples: [{ id: 'one', name: 'one', answers: {} }],
  proofs: [],
}))

const given = <T>(usual: readonly T[], wild: readonly unknown[]) =>
  fc.oneof(
    { arbitrary: fc.constant<unknown>(undefined), weight: 6 },
    { arbitrary: fc.constantFrom<unknown>(...usual), weight: 5 },
    { arbitrary: fc.constantFrom<unknown>(...wild), weight: 1 },
  )

/** Answers as visitors give them, and now and then as nobody does. */
export const anyAnswers: fc.Arbitrary<Record<string, unknown>> = fc
  .record({
    price: given([99, 412_600_00, 9_999_999_99], [0, 1, 1e13, null, 'x', -1]),
    income: given([90_000_00, 12_345_67], [0, 1e13]),
    debts: given([1_00, 2_000_00], [0, 1, 1e13]),
    rate: given(['0.001', '4.64', '19.99', '0'], ['100', '1000', 'five']),
    down: given(
      [{ percent: '0' }, { percent: '15' }, { money: 1 }],
      [{ percent: '100' }, { money: 400_000_00 }, [[[]]]],
    ),
    k: given([1, 67, 300], [0, 20_000, 1_000_000]),
    things: given([0, 1, 3], [-1000, -1, 1000]),
    term: given(
      [
        { years: 0, months: 1 },
        { years: 5, months: 7 },
      ],
      [
        { years: 0, months: 0 },
        { years: 100, months: 0 },
      ],
    ),
    often: given(frequencyNames, ['hourly']),
    day: given(['2026-11-25', '2027-03-31', '2031-02-28'], ['2026-11-24', '1900-01-01', '9999-12-31']),
    sure: given([true, false], ['yes']),
    band: given(['good'], ['fair']),
  })
  .map((answers) => present(answers))
