import { annualPercentageRate, type TimedAmounts } from '../../cost/annual-percentage-rate'
import { minimumDownPayment } from '../../lending/insurance'
import { levelPaymentExact } from '../../loan/level-payment'
import { fractionToDecimal } from '../../money/fraction'
import { Decimal } from '../../money/decimal'
import { ZERO } from '../../money/minor'
import { readRate } from '../../rates/percent'
import { effectiveAnnualRate, equivalentRate } from '../../rates/periodic-rate'
import { factsOf, type Frequency } from '../../rates/frequency'
import type { Ledger } from '../../loan/ledger'
import { Stopped, type LoanRun } from '../computed'
import { DATE, MONEY, moneyPer, PERCENT, type Wanted } from '../unit'
import type { Arguments, BuiltIn } from './function'

const loan = { name: 'loan', takes: { is: 'figures', of: 'loan' } } as const
const number = { name: 'number', takes: { is: 'count' } } as const
const percent = { is: 'percent' } as const satisfies Wanted
const upTo = [
  loan,
  { name: 'payments', takes: { is: 'count' }, optional: true },
  { name: 'years', takes: { is: 'years' }, optional: true },
] as const

/** The payment a figure is asked up to: given as such, or the last one within a length of time; else the last. */
function paymentAt(args: Arguments, run: LoanRun): number {
  if (args.has(1)) return Math.max(0, args.whole(1))
  if (!args.has(2)) return run.ledger?.lastNumber ?? 0
  return args.decimal(2).times(factsOf(run.frequency).perYear).div(12).floor().toNumber()
}

const toDate = (name: string, figure: (ledger: Ledger, number: number) => number): BuiltIn => ({
  name,
  group: 'loans',
  parameters: upTo,
  gives: MONEY,
  work: (args) => {
    const run = args.loan(0)
    if (!run.ledger) return new Decimal(ZERO)
    const first = run.ledger.firstNumber - 1
    return new Decimal(figure(run.ledger, Math.max(first, paymentAt(args, run))))
  },
})

const ofPayment = (
  name: string,
  column: 'interest' | 'principal' | 'payment' | 'closing' | 'extra',
): BuiltIn => ({
  name,
  group: 'loans',
  parameters: [loan, number],
  gives: MONEY,
  work: (args) => new Decimal(row(args)?.[column] ?? 0),
})

function row(args: Arguments) {
  const { ledger } = args.loan(0)
  const at = args.whole(1)
  if (!ledger) return undefined
  if (at < ledger.firstNumber || at > ledger.lastNumber)
    throw new Stopped({ code: 'NO_FIGURE', figure: `payment ${at}` })
  return ledger.at(at)
}

/** Functions that ask a loan's ledger, and rates. Sources are named with the functions of the core they stand for. */
export const loanFunctions: readonly BuiltIn[] = [
  toDate('balance after', (ledger, at) => ledger.balanceAfter(at)),
  toDate('interest to', (ledger, at) => ledger.interestTo(at)),
  toDate('principal to', (ledger, at) => ledger.principalTo(at)),
  toDate('insurance to', (ledger, at) => ledger.insuranceTo(at)),
  ofPayment('interest of payment', 'interest'),
  ofPayment('principal of payment', 'principal'),
  ofPayment('amount of payment', 'payment'),
  ofPayment('extra of payment', 'extra'),
  {
    name: 'date of payment',
    group: 'loans',
    parameters: [loan, number],
    gives: DATE,
    work: (args) => {
      const date = row(args)?.date
      if (date === undefined) throw new Stopped({ code: 'NO_FIGURE', figure: 'date of payment' })
      return date
    },
  },
  {
    name: 'level payment',
    group: 'loans',
    parameters: [
      { name: 'amount', takes: { is: 'money' } },
      { name: 'rate', takes: percent },
      { name: 'payments', takes: { is: 'count' } },
      { name: 'frequency', takes: { is: 'frequency' }, optional: true },
      { name: 'compounding', takes: { is: 'number' }, optional: true },
    ],
    gives: moneyPer('payment'),
    work: (args) => {
      const { perYear } = factsOf(args.has(3) ? (args.text(3) as Frequency) : 'monthly')
      const rate = equivalentRate(rateAt(args, 1), args.has(4) ? timesAt(args, 4) : perYear, perYear)
      const payments = args.whole(2)
      if (payments < 1 || payments > 20_000) throw new Stopped({ code: 'NOT_WHOLE', what: 'payments' })
      return levelPaymentExact({
        principal: args.decimal(0).toDecimalPlaces(0).toNumber(),
        rate,
        payments,
        balloon: 0,
        due: 'end',
      })
    },
  },
  {
    name: 'rate per payment',
    group: 'rates',
    parameters: [
      { name: 'rate', takes: percent },
      { name: 'frequency', takes: { is: 'frequency' } },
      { name: 'compounding', takes: { is: 'number' }, optional: true },
    ],
    gives: PERCENT,
    work: (args) => {
      const { perYear } = factsOf(args.text(1) as Frequency)
      const { exact } = equivalentRate(rateAt(args, 0), args.has(2) ? timesAt(args, 2) : perYear, perYear)
      return fractionToDecimal(exact).times(100)
    },
  },
  {
    name: 'effective rate',
    group: 'rates',
    parameters: [
      { name: 'rate', takes: percent },
      { name: 'compounding', takes: { is: 'number' } },
    ],
    gives: PERCENT,
    work: (args) => {
      const rate = effectiveAnnualRate(args.decimal(0), timesAt(args, 1))
      if (!rate.ok) throw new Stopped({ code: 'REFUSED', refusal: rate })
      return rate.value
    },
  },
  {
    name: 'annual percentage rate',
    group: 'rates',
    parameters: [loan, { name: 'fees', takes: { is: 'money' }, optional: true }],
    gives: PERCENT,
    work: (args) => annualCostOf(args.loan(0), args.has(1) ? args.decimal(1) : new Decimal(0)),
  },
  {
    name: 'minimum down payment',
    group: 'loans',
    parameters: [
      { name: 'price', takes: { is: 'money' } },
      { name: 'limits', takes: { is: 'list', of: { is: 'money' } } },
      { name: 'shares', takes: { is: 'list', of: percent } },
    ],
    gives: MONEY,
    work: (args) => {
      const limits = args.decimals(1)
      const steps = args.decimals(2).map((share, i) => ({
        percent: share.toFixed(),
        ...(limits[i] ? { upTo: limits[i].toNumber() } : {}),
      }))
      const price = args.decimal(0).toDecimalPlaces(0).toNumber()
      const least = minimumDownPayment(price, steps)
      if (!least.ok) throw new Stopped({ code: 'REFUSED', refusal: least })
      return new Decimal(least.value)
    },
  },
]

function rateAt(args: Arguments, index: number): Decimal {
  const rate = readRate(args.decimal(index), 'rate')
  if (!rate.ok) throw new Stopped({ code: 'REFUSED', refusal: rate })
  return rate.value
}

function timesAt(args: Arguments, index: number): number {
  const times = args.whole(index)
  if (times < 1 || times > 366) throw new Stopped({ code: 'NOT_WHOLE', what: 'compounding' })
  return times
}

/**
 * The rate at which what the borrower has in hand (the amount borrowed less the fees) and everything paid back,
 * premiums and fees with it, are worth the same. Source: see `annualPercentageRate` of the core.
 */
function annualCostOf({ ledger, terms, principal, frequency }: LoanRun, fees: Decimal): Decimal {
  if (!ledger || !terms) throw new Stopped({ code: 'WAITS' })
  const payments: TimedAmounts[] = []
  for (let number = ledger.firstNumber; number <= ledger.lastNumber; number++) {
    const { payment, insurance, closing } = ledger.at(number)
    const isLast = number === ledger.lastNumber
    const amount = payment + insurance + (terms.fees?.eachPayment ?? 0) + (isLast ? closing : 0)
    const before = payments.at(-1)
    if (before?.amount === amount) payments[payments.length - 1] = { ...before, count: before.count + 1 }
    else payments.push({ amount, count: 1, after: { whole: number - ledger.firstNumber + 1, rest: NO_REST } })
  }
  const inHand = {
    amount: fees.negated().plus(principal).toNumber(),
    count: 1,
    after: { whole: 0, rest: NO_REST },
  }
  const rate = annualPercentageRate([inHand], payments, factsOf(frequency).perYear)
  if (!rate.ok) throw new Stopped({ code: 'REFUSED', refusal: rate })
  return new Decimal(rate.value)
}

const NO_REST = { numerator: 0, denominator: 1 }
