import { isPlainDateAfter, readIsoDate, type PlainDate } from '../dates/plain-date'
import type { Ledger } from '../loan/ledger'
import type { GivenTerms } from '../loan/loan-terms'
import { factsOf, type Frequency } from '../rates/frequency'
import type { Checked } from '../guards/refusal'
import { annualPercentageRate, rateOfFlows, type TimedAmounts } from './annual-percentage-rate'
import { unitPeriods, type UnitPeriod, type UnitPeriods } from './unit-periods'

/** A loan from its beginning, as far as its cost in one figure goes. */
export interface CostedLoan {
  readonly ledger: Ledger
  readonly terms: GivenTerms
  /** ISO date on which a new loan is agreed on and paid out; a running one has begun earlier. */
  readonly agreedOn: string
  /** Paid by the borrower when the loan begins, minor units: less in hand. */
  readonly fees: number
}

/**
 * The annual percentage rate of a whole loan, from its first day to its last, percent: what is in hand at its beginning
 * against every payment with its premium and fee, a lump sum today, and the balloon, each at its time. Times are whole
 * unit-periods of the ledger; where the first payment of a new loan does not fall one period after it begins, that odd
 * first period is counted by its dates. Without fees it is the loan's own rate.
 * Source: see `annualPercentageRate`. Refuses what that refuses.
 */
export function annualPercentageRateOfLoan(loan: CostedLoan): Checked<number> {
  const { perYear } = factsOf(loan.terms.frequency)
  const flows = flowsOf(loan, firstPeriods(loan))
  return annualPercentageRate([inHand(loan)], flows, perYear)
}

/**
 * The annual percentage rate of charge of a whole loan, percent: the same flows, discounted by years of twelve equal
 * months or 52 weeks, with the days left of an odd first period as parts of 365.
 * Source: see `annualPercentageRateOfCharge`; the times by the remarks to Annex I, part II of Directive 2014/17/EU.
 */
export function annualPercentageRateOfChargeOfLoan(loan: CostedLoan): Checked<number> {
  const { perYear } = factsOf(loan.terms.frequency)
  const odd = oddFirst(loan)
  const whole = firstPeriods({ ...loan, agreedOn: '' }).whole
  const first = odd ? yearsBetween(odd.from, odd.to, loan.terms.frequency) : whole / perYear
  const flows = flowsOf(loan, { whole, rest: NO_REST })
  return rateOfFlows([
    { amount: -inHand(loan).amount, years: 0 },
    ...flows.flatMap(({ amount, count, after }) =>
      Array.from({ length: count }, (_, k) => ({
        amount,
        years: after.whole < whole ? after.whole / perYear : first + (after.whole - whole + k) / perYear,
      })),
    ),
  ])
}

const NO_REST = { numerator: 0, denominator: 1 }

const inHand = ({ terms, fees }: CostedLoan): TimedAmounts => ({
  amount: terms.principal - fees,
  count: 1,
  after: { whole: 0, rest: NO_REST },
})

/** Everything paid on the loan, equal amounts in a row together. */
function flowsOf({ ledger, terms }: CostedLoan, first: UnitPeriods): TimedAmounts[] {
  const flows: TimedAmounts[] = []
  const made = ledger.firstNumber - 1
  const at = (number: number): UnitPeriods => ({ ...first, whole: first.whole + number - 1 })
  const lumpSum = () => {
    if (ledger.paidToday === 0) return
    const beginning = { whole: 0, rest: NO_REST }
    flows.push({ amount: ledger.paidToday, count: 1, after: made === 0 ? beginning : at(made) })
  }
  if (made === 0) lumpSum()
  for (let number = 1; number <= ledger.lastNumber; number++) {
    const { payment, insurance, closing } = ledger.at(number)
    const isLast = number === ledger.lastNumber && ledger.count > 0
    const amount = payment + insurance + (terms.fees?.eachPayment ?? 0) + (isLast ? closing : 0)
    const before = flows.at(-1)
    const follows = before && number > 1 && number !== made + 1 && before.amount === amount
    if (follows) flows[flows.length - 1] = { ...before, count: before.count + 1 }
    else flows.push({ amount, count: 1, after: at(number) })
    if (number === made) lumpSum()
  }
  if (ledger.count === 0 && ledger.balanceToday > 0)
    flows.push({
      amount: ledger.balanceToday,
      count: 1,
      after: made === 0 ? { whole: 0, rest: NO_REST } : at(made),
    })
  return flows
}

/** Unit-periods from the loan's beginning to its first payment. */
function firstPeriods(loan: CostedLoan): UnitPeriods {
  const odd = oddFirst(loan)
  return odd
    ? unitPeriods(odd.from, odd.to, unitPeriodOf(loan.terms.frequency))
    : { whole: loan.ledger.periodsTo(1), rest: NO_REST }
}

/** The first period of a new loan that is not one of its periods long. */
function oddFirst({ ledger, terms, agreedOn }: CostedLoan): { from: PlainDate; to: PlainDate } | undefined {
  const from = readIsoDate(terms.start ?? agreedOn)
  const to = readIsoDate(terms.firstPayment ?? '')
  if (!from || !to || ledger.firstNumber > 1 || isPlainDateAfter(from, to)) return undefined
  return (terms.start ?? agreedOn) === ledger.beginsOn ? undefined : { from, to }
}

function unitPeriodOf(frequency: Frequency): UnitPeriod {
  const { every } = factsOf(frequency)
  if ('months' in every) return { unit: 'month', multiple: every.months }
  return 'days' in every ? { unit: 'week', multiple: every.days / 7 } : { unit: 'semimonth', multiple: 1 }
}

/** Whole months (or weeks) as parts of twelve (or 52), the days left as parts of 365. */
function yearsBetween(from: PlainDate, to: PlainDate, frequency: Frequency): number {
  const isByWeek = 'days' in factsOf(frequency).every
  const { whole, rest } = unitPeriods(from, to, { unit: isByWeek ? 'week' : 'month', multiple: 1 })
  return whole / (isByWeek ? 52 : 12) + rest.numerator / 365
}
