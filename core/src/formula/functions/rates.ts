import { annualPercentageRateOfChargeOfLoan, annualPercentageRateOfLoan } from '../../cost/annual-cost'
import { minimumDownPayment } from '../../lending/insurance'
import { paymentsToRepay } from '../../loan/closed-forms'
import { levelPaymentExact } from '../../loan/level-payment'
import { Decimal } from '../../money/decimal'
import { roundWhole } from '../../money/rounding'
import { effectiveAnnualRate, equivalentRate, type PeriodicRate } from '../../rates/periodic-rate'
import { factsOf, type Frequency } from '../../rates/frequency'
import { spend } from '../../guards/work'
import { Stopped, type LoanRun } from '../computed'
import { MONEY, moneyPer, NUMBER, PERCENT, type Wanted } from '../unit'
import type { Arguments, BuiltIn } from './function'
import { rateAt, timesAt } from './payment-rate'

const loan = { name: 'loan', takes: { is: 'figures', of: 'loan' } } as const
const percent = { is: 'percent' } as const satisfies Wanted

function annualCostOf({ ledger, terms, agreedOn }: LoanRun, args: Arguments, method: CostMethod): Decimal {
  if (!ledger || !terms) throw new Stopped({ code: 'WAITS' })
  const fees = args.has(1) ? args.decimal(1).toNumber() : 0
  const rate = method({ ledger, terms, agreedOn, fees })
  if (!rate.ok) throw new Stopped({ code: 'REFUSED', refusal: rate })
  return new Decimal(rate.value)
}
type CostMethod = typeof annualPercentageRateOfLoan

const annualCost = (name: string, method: CostMethod): BuiltIn => ({
  name,
  group: 'rates',
  parameters: [loan, { name: 'fees', takes: { is: 'money' }, optional: true }],
  gives: PERCENT,
  work: (args) => annualCostOf(args.loan(0), args, method),
})

/**
 * Rates, costs in one figure and closed forms: apart, since most pages have none of them. Sources are named with the
 * functions of the core they stand for.
 */
export const rateFunctions: readonly BuiltIn[] = [
  {
    name: 'log',
    group: 'rates',
    parameters: [{ name: 'number', takes: { is: 'number' } }],
    gives: NUMBER,
    // Of nothing, or less, there is none (DMN 1.5, 10.3.4.3).
    work: (args) => {
      const value = args.decimal(0)
      if (!value.greaterThan(0)) throw new Stopped({ code: 'DIVIDED_BY_ZERO' })
      spend(1_500)
      return value.ln()
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
      const payments = args.whole(2)
      if (payments < 1 || payments > 20_000) throw new Stopped({ code: 'NOT_WHOLE', what: 'payments' })
      return levelPaymentExact({
        principal: roundWhole(args.decimal(0)).toNumber(),
        rate: ratePerPayment(args, 3, 4),
        payments,
        balloon: 0,
        due: 'end',
      })
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
  annualCost('annual percentage rate', annualPercentageRateOfLoan),
  annualCost('annual percentage rate of charge', annualPercentageRateOfChargeOfLoan),
  {
    name: 'payments to repay',
    group: 'loans',
    parameters: [
      { name: 'amount', takes: { is: 'money' } },
      { name: 'rate', takes: percent },
      { name: 'payment', takes: { is: 'money', per: 'any' } },
      { name: 'frequency', takes: { is: 'frequency' }, optional: true },
      { name: 'compounding', takes: { is: 'number' }, optional: true },
    ],
    gives: NUMBER,
    work: (args) => {
      const [amount, payment] = [
        roundWhole(args.decimal(0)).toNumber(),
        roundWhole(args.decimal(2)).toNumber(),
      ]
      const repaid = paymentsToRepay(amount, ratePerPayment(args, 3, 4), payment)
      if (!repaid.ok) throw new Stopped({ code: 'REFUSED', refusal: repaid })
      return repaid.value.exact
    },
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
      const price = roundWhole(args.decimal(0)).toNumber()
      const least = minimumDownPayment(price, steps)
      if (!least.ok) throw new Stopped({ code: 'REFUSED', refusal: least })
      return new Decimal(least.value)
    },
  },
]

/** The rate of one payment from the rate at the second place, and how often is paid and compounded. */
function ratePerPayment(args: Arguments, frequencyAt: number, compoundingAt: number): PeriodicRate {
  const { perYear } = factsOf(args.has(frequencyAt) ? (args.text(frequencyAt) as Frequency) : 'monthly')
  return equivalentRate(
    rateAt(args, 1),
    args.has(compoundingAt) ? timesAt(args, compoundingAt) : perYear,
    perYear,
  )
}
