import type { Minor } from '../money/minor'
import { minor, ZERO } from '../money/minor'
import { factsOf } from '../rates/frequency'
import type { PeriodicRate } from '../rates/periodic-rate'
import { equivalentRate } from '../rates/periodic-rate'
import type { Checked, Refusal } from '../refusal'
import { accept, refuse } from '../refusal'
import { interestOf } from './interest'
import type { Columns } from './ledger'
import { Ledger } from './ledger'
import { levelPayment, levelPaymentExact } from './level-payment'
import type { CheckedTerms, LoanTerms } from './terms'
import { checkTerms, paymentsIn } from './terms'

/**
 * The full schedule of a loan, to the minor unit, as a lender's ledger keeps it: each period's interest is
 * rounded, the last payment of the term closes the balance (at zero, or at the balloon), no payment is more
 * than is due. With a given payment, or an accelerated frequency, payments go on until nothing is owed and
 * only the last one is smaller.
 *
 * Refuses terms outside their ranges and a payment that never repays (`PAYMENT_TOO_SMALL`, with `least`).
 * @example amortize({ principal: 250_000_00, annualRate: '4.64', frequency: 'monthly', term: { years: 25 } })
 */
export function amortize(terms: LoanTerms): Ledger | Refusal {
  const checked = checkTerms(terms)
  if (!checked.ok) return checked
  const rate = rateOf(checked.value)
  const regular = regularPayment(checked.value, rate)
  if (!regular.ok) return regular
  return runLedger(checked.value, rate, regular.value)
}

function rateOf({ annualRate, compounding, frequency }: CheckedTerms): PeriodicRate {
  const { perYear } = factsOf(frequency)
  return equivalentRate(annualRate, compounding === 'perPayment' ? perYear : compounding, perYear)
}

interface Regular {
  readonly payment: Minor
  /** The payment that closes the loan; undefined where the loan runs until nothing is owed. */
  readonly lastNumber: number | undefined
}

function regularPayment(terms: CheckedTerms, rate: PeriodicRate): Checked<Regular> {
  if (terms.payment !== undefined) return untilRepaid(terms.payment, terms, rate)
  const payments = terms.payments ?? 0
  const { monthlyPaymentOver } = factsOf(terms.frequency)
  if (monthlyPaymentOver !== undefined) {
    const share = acceleratedPayment(terms, payments, monthlyPaymentOver)
    return untilRepaid(share, terms, rate)
  }
  const { principal, balloon, due, paymentRounding } = terms
  const asked = { principal, rate, payments, balloon, due }
  // A balloon worth as much today as the loan itself leaves nothing to pay.
  if (balloon > 0 && levelPaymentExact(asked).lessThanOrEqualTo(0)) {
    return refuse('BALLOON_TOO_LARGE', 'balloon', { balloon })
  }
  return accept({ payment: levelPayment(asked, paymentRounding), lastNumber: payments })
}

/** Half or a quarter of the rounded monthly payment, itself rounded. */
function acceleratedPayment(terms: CheckedTerms, payments: number, over: number): Minor {
  const { principal, balloon, due, paymentRounding } = terms
  const monthly = levelPayment(
    {
      principal,
      rate: rateOf({ ...terms, frequency: 'monthly' }),
      payments: paymentsIn(
        terms.months ?? Math.round((payments * 12) / factsOf(terms.frequency).perYear),
        'monthly',
      ),
      balloon,
      due,
    },
    paymentRounding,
  )
  return roundShare(monthly, over)
}

/** A whole amount divided by 2 or 4, nearest, ties up: exact in a float. */
const roundShare = (amount: Minor, over: number): Minor => minor(Math.round(amount / over))

function untilRepaid(payment: Minor, terms: CheckedTerms, rate: PeriodicRate): Checked<Regular> {
  const firstInterest =
    terms.due === 'end'
      ? interestOf(terms.principal, rate, terms.interestRounding)
      : interestOf(Math.max(0, terms.principal - payment), rate, terms.interestRounding)
  if (payment <= firstInterest) {
    return refuse('PAYMENT_TOO_SMALL', 'payment', {
      least: leastPayment(terms, rate),
      interest: firstInterest,
    })
  }
  return accept({ payment, lastNumber: undefined })
}

/** The smallest payment that repays: one minor unit above the first period's rounded interest. */
function leastPayment({ principal, due, interestRounding }: CheckedTerms, rate: PeriodicRate): Minor {
  if (due === 'end') return minor(interestOf(principal, rate, interestRounding) + 1)
  let [low, high] = [0, principal as number]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (middle > interestOf(principal - middle, rate, interestRounding)) high = middle
    else low = middle
  }
  return minor(high)
}

/** The most payments a ledger without a term may have; a loan that needs more is refused. */
const MOST_PAYMENTS = 20_000

function runLedger(
  terms: CheckedTerms,
  rate: PeriodicRate,
  { payment, lastNumber }: Regular,
): Ledger | Refusal {
  const { principal, balloon, due, interestRounding, frequency, firstPayment } = terms
  const floor = lastNumber === undefined ? balloon : ZERO
  let columns = emptyColumns(lastNumber ?? 512)
  let balance: number = principal
  let count = 0
  while (balance > floor && count !== lastNumber) {
    if (count === MOST_PAYMENTS) return refuse('TERM_TOO_LONG', 'payment', { longest: MOST_PAYMENTS })
    if (count === columns.opening.length) columns = resized(columns, count * 2)
    const interest = due === 'start' && count === 0 ? ZERO : interestOf(balance, rate, interestRounding)
    const owed = balance + interest - balloon
    const paid = count + 1 === lastNumber ? owed : Math.min(payment, owed)
    columns.opening[count] = balance
    columns.payment[count] = paid
    columns.interest[count] = interest
    columns.principal[count] = paid - interest
    balance -= paid - interest
    columns.closing[count] = balance
    count++
  }
  return new Ledger({
    payment,
    frequency,
    firstPayment,
    count,
    columns: count === columns.opening.length ? columns : resized(columns, count),
  })
}

const emptyColumns = (length: number): Columns => ({
  opening: new Float64Array(length),
  payment: new Float64Array(length),
  interest: new Float64Array(length),
  principal: new Float64Array(length),
  closing: new Float64Array(length),
})

function resized(columns: Columns, length: number): Columns {
  const next = emptyColumns(length)
  for (const name of Object.keys(columns) as (keyof Columns)[])
    next[name].set(columns[name].subarray(0, length))
  return next
}
