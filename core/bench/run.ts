import {
  affordablePrice,
  aim,
  amortize,
  CalculatorDocument,
  compile,
  createCompiler,
  createEvaluator,
  emptyCalculator,
  evaluate,
  ladder,
  levelPayment,
  periodicRate,
  starters,
  type CalculatorStep,
} from '../src/index'
import { slowLedger } from '../src/testing/slow-ledger'
import type { GivenTerms } from '../src/loan/loan-terms'

/** Prints how long the core takes, beside a bare float loop and an all-decimal ledger in the same run. */

const monthly: GivenTerms = {
  principal: 350_710_00,
  annualRate: '4.64',
  compounding: 2,
  frequency: 'monthly',
  term: { years: 30 },
  firstPayment: '2026-12-25',
}
const weekly: GivenTerms = { ...monthly, frequency: 'weekly' }
const mortgage = starters[0]?.make() ?? emptyCalculator()
const { program } = compile(mortgage)
const around = { today: { year: 2026, month: 11, day: 25, time: '12:00' }, sheets: [] }

/** A document of 200 steps: the mortgage with workings that use each other, as the desk edits it. */
const longDocument = (rate: string): CalculatorDocument => ({
  ...mortgage,
  steps: [
    ...mortgage.steps.map(
      (step) => (step.id === 'rate' ? { ...step, default: rate } : step) as CalculatorStep,
    ),
    ...Array.from({ length: 200 - mortgage.steps.length }, (_, i) => ({
      kind: 'working' as const,
      id: `w${i}`,
      name: `value ${i}`,
      formula:
        i === 0
          ? 'home price - down payment'
          : `if value ${i - 1} > 1000 then value ${i - 1} * 0.99 + down payment / 200 else home price`,
      unit: 'any' as const,
      rounding: null,
      note: '',
      shown: false,
      label: {},
    })),
  ],
})
let keystroke = 0
const compileEdited = createCompiler()
/** What the desk does at a keystroke: check the document, compile it, evaluate it for the sample visitor. */
function deskKeystroke(): unknown {
  const typed = longDocument(`4.${10 + (keystroke++ % 80)}`)
  const document = CalculatorDocument.parse(typed)
  return createEvaluator(compileEdited(document).program)({}, around)
}
const remembering = createEvaluator(program)

/** The least a schedule could cost: the same columns, in floats, with no rounding. */
function bareLoop(payments: number): Float64Array {
  const columns = Array.from({ length: 5 }, () => new Float64Array(payments))
  const [opening, payment, interest, principal, closing] = columns as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ]
  const rate = 0.0464 / 12
  const paid = (350_710_00 * rate) / (1 - (1 + rate) ** -payments)
  let balance = 350_710_00
  for (let i = 0; i < payments; i++) {
    opening[i] = balance
    interest[i] = balance * rate
    payment[i] = paid
    principal[i] = paid - (interest[i] ?? 0)
    balance -= principal[i] ?? 0
    closing[i] = balance
  }
  return closing
}

const weeklyWithExtras: GivenTerms = {
  ...weekly,
  extras: [
    { amount: 5_00, every: 'payment' },
    { amount: 100_00, every: 'year', at: 52 },
  ],
}
const loan25: GivenTerms = { ...monthly, term: { years: 25 } }
const { principal, annualRate, ...rest } = loan25
const household = {
  monthlyDebts: 385_00,
  housingLimit: '28',
  debtLimit: '36',
  annualRate: '5.635',
  compoundsPerYear: 12,
  payments: 344,
  propertyTaxPercent: '1.13',
  homeInsuranceYearly: 1_386_00,
  monthlyDues: 42_50,
  down: { percent: '9' },
  mortgageInsurance: { percent: '0.61', above: '80' },
} as const
const fiftyExtras = Array.from({ length: 50 }, (_, i) => i * 10_00)

/** Median time of one call in microseconds, after a warm-up, over batches of at least a millisecond. */
function measure(call: () => unknown, seconds = 0.4): number {
  const warmUpUntil = performance.now() + (seconds * 1000) / 4
  let calls = 0
  while (performance.now() < warmUpUntil) {
    call()
    calls++
  }
  const batch = Math.max(1, Math.ceil((calls / (seconds * 250)) * 1))
  const times: number[] = []
  const until = performance.now() + seconds * 1000
  while (performance.now() < until || times.length < 3) {
    const start = performance.now()
    for (let i = 0; i < batch; i++) call()
    times.push(((performance.now() - start) * 1000) / batch)
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN
}

const rate = periodicRate({ annualRate: '4.64', compoundsPerYear: 2, paymentsPerYear: 12 })
if (!rate.ok) throw new Error(rate.code)

const bare360 = measure(() => bareLoop(360))
const bare1560 = measure(() => bareLoop(1560))
const rows: [string, number, number | undefined, string][] = [
  ['bare float loop, 360 payments', bare360, undefined, ''],
  ['ledger to the cent, 360 payments', measure(() => amortize(monthly)), bare360, '4×, 60 µs'],
  ['all-decimal ledger, 360 payments', measure(() => slowLedger(monthly)), bare360, ''],
  ['bare float loop, 1,560 payments', bare1560, undefined, ''],
  ['ledger to the cent, 1,560 payments', measure(() => amortize(weekly)), bare1560, '300 µs'],
  ['weekly ledger with extras', measure(() => amortize(weeklyWithExtras)), bare1560, '300 µs'],
  [
    'aim: extra to finish in 20 years',
    measure(() => aim({ find: 'extra', terms: loan25, finishWithin: 240 })),
    undefined,
    '3 ms',
  ],
  [
    'aim: amount for a payment',
    measure(() => aim({ find: 'amount', terms: { ...rest, annualRate }, payment: 2_000_00 })),
    undefined,
    '3 ms',
  ],
  [
    'aim: price for a payment',
    measure(() =>
      aim({ find: 'price', terms: { ...rest, annualRate }, payment: 2_000_00, down: { percent: '15' } }),
    ),
    undefined,
    '3 ms',
  ],
  [
    'aim: rate for a payment',
    measure(() => aim({ find: 'rate', terms: { ...rest, principal }, payment: 2_000_00 })),
    undefined,
    '3 ms',
  ],
  [
    'aim: balloon for a payment',
    measure(() => aim({ find: 'balloon', terms: loan25, payment: 1_700_00 })),
    undefined,
    '3 ms',
  ],
  ['affordable price', measure(() => affordablePrice(87_430_00, household)), undefined, '3 ms'],
  [
    'ladder of 50 × 360 payments',
    measure(() => ladder({ over: 'extras', terms: monthly, extras: fiftyExtras }, ({ totals }) => totals)),
    undefined,
    '5 ms',
  ],
  [
    'level payment alone',
    measure(() => levelPayment({ principal: 350_710_00, rate: rate.value, payments: 360 })),
    undefined,
    '',
  ],
  [
    'a visitor’s keystroke: evaluate, 300 payments',
    measure(() => evaluate(program, {}, around)),
    undefined,
    '',
  ],
  [
    'the same, of which one answer changed',
    measure(() => remembering({ homePrice: 400_000_00 + keystroke++ * 100 }, around)),
    undefined,
    '',
  ],
  ['the desk’s keystroke in a document of 200 steps', measure(deskKeystroke), undefined, '100 ms'],
]

console.log(`${'what'.padEnd(48)}${'µs'.padStart(10)}${'× bare loop'.padStart(14)}   budget`)
for (const [what, time, bare, budget] of rows) {
  const ratio = bare === undefined ? '' : (time / bare).toFixed(1)
  console.log(`${what.padEnd(48)}${time.toFixed(1).padStart(10)}${ratio.padStart(14)}   ${budget}`)
}
