import { isPlainDateAfter, readIsoDate, type PlainDate } from '../dates/plain-date'
import type { MinorDigits } from '../money/currencies'
import type { Decimal } from '../money/decimal'
import type { Minor } from '../money/minor'
import type { Rounding } from '../money/rounding'
import { dayCounts, type DayCount } from '../rates/day-count'
import { factsOf, frequencies, type Frequency } from '../rates/frequency'
import { readRate } from '../rates/percent'
import { isTimesPerYear, type Compounding } from '../rates/periodic-rate'
import type { Checked, Refusal } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { checkExtras, type PlannedExtra } from './extras'
import { checkGrace, rowsOfGrace, type CheckedGrace } from './grace'
import { checkInsurance, type CheckedInsurance } from './premiums'
import { checkRateChanges, keepsPayment, type CheckedRateChange } from './rate-changes'
import { isOneOf } from '../guards/given'
import { readAmount, readCount } from '../money/read-amount'
import { paymentRoundings, unknownIn } from './known-terms'
import { brokenPair } from './pair-rules'
import { MOST_PAYMENTS, type GivenTerms, type Term } from './loan-terms'

/** The longest term, years. */
const LONGEST_TERM_YEARS = 100

/** Terms that have been checked and filled with defaults. */
export interface CheckedTerms {
  readonly principal: Minor
  readonly annualRate: Decimal
  readonly frequency: Frequency
  readonly compounding: Compounding
  /** Length of the term in payments; undefined where only a payment was given. */
  readonly payments: number | undefined
  /** Length of the term in months, where it was given as a length of time. */
  readonly months: number | undefined
  readonly payment: Minor | undefined
  readonly settleAtTerm: boolean
  readonly due: 'end' | 'start'
  readonly balloon: Minor
  readonly minorDigits: MinorDigits
  readonly paymentRounding: Rounding
  readonly interestRounding: Rounding
  readonly firstPayment: PlainDate | undefined
  readonly start: PlainDate | undefined
  readonly anchorDay: number | undefined
  readonly dayCount: DayCount
  readonly paymentBasis: 'nominal' | 'exactDays'
  readonly extras: readonly PlannedExtra[]
  readonly onExtra: 'shorten' | 'lower'
  readonly yearlyExtraLimit: number
  readonly grace: CheckedGrace | undefined
  readonly rateChanges: readonly CheckedRateChange[]
  readonly insurance: CheckedInsurance | undefined
  readonly fees: { readonly financed: Minor; readonly eachPayment: Minor }
  readonly alreadyPaid: number
}

/** Checks terms from outside once; everything behind it trusts the result. */
export function checkTerms(terms: GivenTerms): Checked<CheckedTerms> {
  const unknown = unknownIn(terms)
  if (unknown) return unknown
  const { frequency, compounding = 'perPayment', due = 'end', minorDigits = 2 } = terms
  const { dayCount = 'equal', paymentBasis = 'nominal', onExtra = 'shorten', settleAtTerm = false } = terms
  const { payment: paymentRounding = 'nearest', interest: interestRounding = 'halfUp' } = terms.rounding ?? {}
  if (!isOneOf(frequency, frequencies)) return refuse('FREQUENCY_UNKNOWN', 'frequency')
  if (!isCompounding(compounding)) return refuse('COMPOUNDING_UNKNOWN', 'compounding')

  const amounts = checkAmounts(terms)
  if (!amounts.ok) return amounts
  const annualRate = readRate(terms.annualRate, 'annualRate')
  if (!annualRate.ok) return annualRate
  const length = checkLength(terms, frequency)
  if (!length.ok) return length
  const dates = checkDates(terms)
  if (!dates.ok) return dates
  const grace = checkGrace(terms.grace, LONGEST_TERM_YEARS * factsOf(frequency).perYear)
  if (!grace.ok) return grace
  const mix = brokenPair(terms)
  if (mix) return refuse('TERMS_DO_NOT_MIX', mix[0], { with: mix[1] })

  const { payments, payment } = length.value
  const isOpen = payment !== undefined ? !settleAtTerm : 'monthlyPaymentOver' in frequencies[frequency]
  const paidInGrace = rowsOfGrace(grace.value)
  // A rate change that keeps the payment moves the end, so that later payments may be named.
  const mayGoOn = isOpen || keepsPayment(terms.rateChanges)
  const most = mayGoOn || payments === undefined ? MOST_PAYMENTS : paidInGrace + payments
  const alreadyPaid = readCount(terms.alreadyPaid ?? 0, 'alreadyPaid', 0, most - 1)
  if (!alreadyPaid.ok) return alreadyPaid
  const extras = checkExtras(terms.extras ?? [], {
    frequency,
    most,
    firstPayment: dates.value.firstPayment,
    anchorDay: dates.value.anchorDay,
    due,
    periodsBefore: grace.value && paidInGrace === 0 ? grace.value.payments : 0,
    paymentsMade: alreadyPaid.value,
  })
  if (!extras.ok) return extras
  const rateChanges = checkRateChanges(terms.rateChanges ?? [], {
    frequency,
    most: isOpen || payments === undefined ? MOST_PAYMENTS : paidInGrace + payments,
    firstPayment: dates.value.firstPayment,
    anchorDay: dates.value.anchorDay,
  })
  if (!rateChanges.ok) return rateChanges
  const insurance = checkInsurance(terms.insurance)
  if (!insurance.ok) return insurance

  // Field by field: objects spread into one another cost more here than the whole ledger.
  const { principal, balloon, fees, yearlyExtraLimit } = amounts.value
  const { firstPayment, start, anchorDay } = dates.value
  return accept({
    principal,
    annualRate: annualRate.value,
    frequency,
    compounding,
    payments,
    months: length.value.months,
    payment,
    settleAtTerm,
    due,
    balloon,
    minorDigits,
    paymentRounding: paymentRoundings[paymentRounding],
    interestRounding,
    firstPayment,
    start,
    anchorDay,
    dayCount,
    paymentBasis,
    extras: extras.value,
    onExtra,
    yearlyExtraLimit,
    grace: grace.value,
    rateChanges: rateChanges.value,
    insurance: insurance.value,
    fees,
    alreadyPaid: alreadyPaid.value,
  })
}

const isCompounding = (value: unknown): value is Compounding =>
  value === 'perPayment' || (typeof value === 'number' && isTimesPerYear(value))

function checkAmounts(
  terms: GivenTerms,
): Checked<Pick<CheckedTerms, 'principal' | 'balloon' | 'fees' | 'yearlyExtraLimit'>> {
  const principal = readAmount(terms.principal, 'principal')
  if (!principal.ok) return principal
  const balloon = readAmount(terms.balloon ?? 0, 'balloon', 'zero allowed')
  if (!balloon.ok) return balloon
  const financed = readAmount(terms.fees?.financed ?? 0, 'fees.financed', 'zero allowed')
  if (!financed.ok) return financed
  const eachPayment = readAmount(terms.fees?.eachPayment ?? 0, 'fees.eachPayment', 'zero allowed')
  if (!eachPayment.ok) return eachPayment
  const limit =
    terms.yearlyExtraLimit === undefined
      ? accept(Infinity)
      : readAmount(terms.yearlyExtraLimit, 'yearlyExtraLimit', 'zero allowed')
  if (!limit.ok) return limit
  return accept({
    principal: principal.value,
    balloon: balloon.value,
    fees: { financed: financed.value, eachPayment: eachPayment.value },
    yearlyExtraLimit: limit.value,
  })
}

function checkLength(
  terms: GivenTerms,
  frequency: Frequency,
): Checked<Pick<CheckedTerms, 'payments' | 'months' | 'payment'>> {
  if (terms.term === undefined && terms.payment === undefined) return refuse('TERM_OR_PAYMENT_NEEDED', 'term')
  const length = terms.term === undefined ? undefined : readTerm(terms.term, frequency)
  if (length && !length.ok) return length
  const payment = terms.payment === undefined ? undefined : readAmount(terms.payment, 'payment')
  if (payment && !payment.ok) return payment
  if (terms.balloon && payment && terms.balloon >= terms.principal) {
    return refuse('BALLOON_TOO_LARGE', 'balloon', { below: terms.principal })
  }
  return accept({ payments: length?.value.payments, months: length?.value.months, payment: payment?.value })
}

/** Payments in a length of time: months at so many payments a year, to the nearest whole payment, at least one. */
export const paymentsIn = (months: number, frequency: Frequency): number =>
  Math.max(1, Math.round((months * factsOf(frequency).perYear) / 12))

/** Not a number where one of the two is none. */
const monthsIn = ({ years, months }: Extract<Term, { years: number }>): number =>
  [years, months ?? 0].every(Number.isFinite) ? years * 12 + (months ?? 0) : NaN

function readTerm(
  term: Term,
  frequency: Frequency,
): Checked<{ payments: number; months: number | undefined }> {
  const longest = LONGEST_TERM_YEARS * factsOf(frequency).perYear
  const months = 'payments' in term ? undefined : monthsIn(term)
  const given = 'payments' in term ? term.payments : months
  if (typeof given !== 'number' || !Number.isInteger(given)) return refuse('NOT_A_NUMBER', 'term')
  if (given <= 0) return refuse('TERM_NOT_POSITIVE', 'term')
  const payments = months === undefined ? given : paymentsIn(months, frequency)
  if (payments > longest)
    return refuse('TERM_TOO_LONG', 'term', { longestYears: LONGEST_TERM_YEARS, longest })
  return accept({ payments, months })
}

/** The calendar of all dates is the Gregorian one, and their years have four digits. */
const EARLIEST_YEAR = 1600
export const LATEST_YEAR = 9999
export const yearOutOfRange = (): Refusal =>
  refuse('OUT_OF_RANGE', 'firstPayment', { least: EARLIEST_YEAR, most: LATEST_YEAR })

function checkDates({
  firstPayment,
  start,
  anchorDay,
  dayCount = 'equal',
}: GivenTerms): Checked<Pick<CheckedTerms, 'firstPayment' | 'start' | 'anchorDay'>> {
  const first = firstPayment === undefined ? undefined : readIsoDate(firstPayment)
  if (firstPayment !== undefined && !first) return refuse('DATE_UNREADABLE', 'firstPayment')
  const from = start === undefined ? undefined : readIsoDate(start)
  if (start !== undefined && !from) return refuse('DATE_UNREADABLE', 'start')
  if (first && first.year < EARLIEST_YEAR) return yearOutOfRange()
  if (from && first && !isPlainDateAfter(first, from)) return refuse('DATES_REVERSED', 'start')
  const { counts } = dayCounts[dayCount]
  if (!first && counts !== 'none' && counts !== 'thirty') return refuse('DATE_NEEDED', 'firstPayment')
  const anchor = anchorDay === undefined ? undefined : readCount(anchorDay, 'anchorDay', 1, 31)
  if (anchor && !anchor.ok) return anchor
  return accept({ firstPayment: first, start: from, anchorDay: anchor?.value })
}
