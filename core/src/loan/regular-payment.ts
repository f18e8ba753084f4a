import { Decimal } from '../money/decimal'
import { fractionToDecimal } from '../money/fraction'
import { LARGEST_BALANCE, minor, ZERO, type Minor } from '../money/minor'
import { roundDecimal } from '../money/rounding'
import { factsOf } from '../rates/frequency'
import type { PeriodicRate } from '../rates/periodic-rate'
import type { Checked } from '../guards/refusal'
import { accept, refuse, type Refusal } from '../guards/refusal'
import { paymentsIn, type CheckedTerms } from './check-terms'
import { interestOf } from './interest'
import { levelPaymentExact, levelPaymentRounded, type LevelPaymentTerms } from './level-payment'
import { longestPeriodRate, nominalRate, ratesOf } from './period-rates'
import type { CheckedRateChange } from './rate-changes'

/** What is paid regularly on a balance from some payment on. */
export interface Regular {
  readonly payment: Minor
  /** The row that closes the loan; undefined where the loan runs until nothing is owed. */
  readonly lastNumber: number | undefined
}

/** While a grace time lasts there is no regular payment. */
export const IN_GRACE: Regular = { payment: ZERO, lastNumber: undefined }

/** Rows after the last regular payment: with payments at the start, the balloon falls due a period later. */
export const settlementRows = ({ due, balloon }: Pick<CheckedTerms, 'due' | 'balloon'>): 0 | 1 =>
  due === 'start' && balloon > 0 ? 1 : 0

/** The regular payment of the terms on a balance, where `before` payments lie behind it (a grace time). */
export function regularPayment(terms: CheckedTerms, balance: Minor, before: number): Checked<Regular> {
  const { payments, payment, settleAtTerm, frequency, annualRate, balloon } = terms
  const lastNumber = before + (payments ?? 0) + settlementRows(terms)
  const { monthlyPaymentOver } = factsOf(frequency)
  const isOpen = payment === undefined ? monthlyPaymentOver !== undefined : !settleAtTerm
  if (isOpen && balloon >= balance) return refuse('BALLOON_TOO_LARGE', 'balloon', { below: balance })
  if (payment !== undefined) {
    return untilRepaid(terms, annualRate, balance, payment, settleAtTerm ? lastNumber : undefined)
  }
  if (monthlyPaymentOver !== undefined) {
    const accelerated = acceleratedPayment(terms, balance, monthlyPaymentOver)
    if (!accelerated.ok) return accelerated
    return untilRepaid(terms, annualRate, balance, accelerated.value, undefined)
  }
  return levelOver(terms, balance, payments ?? 0, before, lastNumber)
}

function levelOver(
  terms: CheckedTerms,
  balance: Minor,
  payments: number,
  before: number,
  lastNumber: number,
): Checked<Regular> {
  const { balloon, due, paymentRounding, annualRate } = terms
  const asked = { principal: balance, rate: nominalRate(annualRate, terms), payments, balloon, due }
  // A balloon worth as much today as the loan itself leaves nothing to pay.
  if (balloon > 0 && leavesNothingToPay(asked)) return tooLargeBalloon(balloon)
  const payment =
    terms.paymentBasis === 'exactDays'
      ? paymentByDays(terms, balance, payments, before)
      : levelPaymentRounded(asked, paymentRounding)
  return regular(payment, lastNumber, balloon)
}

const tooLargeBalloon = (balloon: Minor, atPayment?: number): Refusal =>
  refuse('BALLOON_TOO_LARGE', 'balloon', { balloon, ...(atPayment === undefined ? {} : { atPayment }) })

/** A level payment that can be asked for: not below nothing, and not more than can be kept. */
function regular(
  payment: number | undefined,
  lastNumber: number,
  balloon: Minor,
  atPayment?: number,
): Checked<Regular> {
  if (payment === undefined) return tooLargeBalloon(balloon, atPayment)
  if (payment > LARGEST_BALANCE) return refuse('AMOUNT_TOO_LARGE', 'principal', { largest: LARGEST_BALANCE })
  return accept({ payment: minor(payment), lastNumber })
}

/** Whether the balloon's present value reaches the loan; the float decides unless it is close. */
function leavesNothingToPay(asked: LevelPaymentTerms): boolean {
  const { principal, rate, payments, balloon = 0 } = asked
  const present = balloon * Math.exp(-payments * Math.log1p(rate.asNumber))
  if (principal - present > principal * 1e-6) return false
  return levelPaymentExact(asked).lessThanOrEqualTo(0)
}

/** The level payment when each period has its own days: balance ÷ sum of discount factors. */
function paymentByDays(
  terms: CheckedTerms,
  balance: Minor,
  payments: number,
  before: number,
): number | undefined {
  const rateOf = ratesOf(terms.annualRate, terms)
  let [factor, sum] = [new Decimal(1), new Decimal(0)]
  for (let k = 1; k <= payments; k++) {
    factor = factor.div(fractionToDecimal(rateOf(before + k).exact).plus(1))
    sum = sum.plus(factor)
  }
  const exact = factor.times(-terms.balloon).plus(balance).div(sum)
  if (exact.isNegative()) return undefined
  return exact.greaterThan(LARGEST_BALANCE) ? Infinity : roundDecimal(exact, terms.paymentRounding)
}

/** Half or a quarter of the rounded monthly payment, itself rounded. */
function acceleratedPayment(terms: CheckedTerms, balance: Minor, over: number): Checked<Minor> {
  const { balloon, due, paymentRounding, annualRate, payments, months, frequency, compounding } = terms
  const inMonths = months ?? Math.round(((payments ?? 0) * 12) / factsOf(frequency).perYear)
  const rate = nominalRate(annualRate, { compounding, frequency: 'monthly' })
  const asked = { principal: balance, rate, payments: paymentsIn(inMonths, 'monthly'), balloon, due }
  const monthly = regular(levelPaymentRounded(asked, paymentRounding), 0, balloon)
  return monthly.ok ? accept(minor(Math.round(monthly.value.payment / over))) : monthly
}

/** A payment that goes on until nothing is owed; refused where the interest of a period is not below it. */
export function untilRepaid(
  terms: CheckedTerms,
  annualRate: Decimal,
  balance: Minor,
  payment: Minor,
  lastNumber: number | undefined,
  atPayment?: number,
): Checked<Regular> {
  if (lastNumber !== undefined) return accept({ payment, lastNumber })
  const rate = longestPeriodRate(annualRate, terms)
  const firstAtOnce = terms.due === 'start' && atPayment === undefined
  const interest = interestOf(
    firstAtOnce ? Math.max(0, balance - payment) : balance,
    rate,
    terms.interestRounding,
  )
  if (payment > interest) return accept({ payment, lastNumber })
  if (interest === Infinity) return refuse('AMOUNT_TOO_LARGE', 'annualRate', { largest: LARGEST_BALANCE })
  const least = firstAtOnce ? leastAtStart(balance, rate, terms) : interest + 1
  return refuse('PAYMENT_TOO_SMALL', 'payment', {
    least,
    interest,
    ...(atPayment === undefined ? {} : { atPayment }),
  })
}

/** The least payment that repays when the first is paid at once: above the interest on what it leaves. */
function leastAtStart(balance: Minor, rate: PeriodicRate, { interestRounding }: CheckedTerms): number {
  let [low, high] = [0, balance as number]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (middle > interestOf(balance - middle, rate, interestRounding)) high = middle
    else low = middle
  }
  return high
}

/** After an extra, with the end kept: the payments left are level on what is owed. */
export function lowered(
  now: Regular,
  terms: CheckedTerms,
  annualRate: Decimal,
  after: number,
  owed: number,
): Checked<Regular> {
  const { lastNumber } = now
  if (lastNumber === undefined || after >= lastNumber - settlementRows(terms) || owed <= 0) return accept(now)
  // Down to what the balloon is worth there is nothing left to pay before it.
  const level = levelOnRest(terms, annualRate, owed, after, lastNumber) ?? 0
  return regular(level, lastNumber, terms.balloon, after + 1)
}

/**
 * From a payment on another rate holds: the payments left to the agreed end become level again, or the payment stays
 * and the end follows from it.
 */
export function afterRateChange(
  now: Regular,
  { fromPayment, annualRate, keep }: CheckedRateChange,
  agreedEnd: number | undefined,
  balance: Minor,
  terms: CheckedTerms,
): Checked<Regular> {
  if (keep === 'payment') {
    if (terms.balloon > balance) return tooLargeBalloon(terms.balloon, fromPayment)
    return untilRepaid(terms, annualRate, balance, now.payment, undefined, fromPayment)
  }
  if (agreedEnd === undefined || fromPayment > agreedEnd) {
    return refuse('TERM_NEEDED', 'rateChanges', { atPayment: fromPayment })
  }
  if (fromPayment > agreedEnd - settlementRows(terms)) return accept({ ...now, lastNumber: agreedEnd })
  const level = levelOnRest(terms, annualRate, balance, fromPayment - 1, agreedEnd)
  return regular(level, agreedEnd, terms.balloon, fromPayment)
}

/** The level payment on what is owed after some payment, to the end. */
function levelOnRest(
  terms: CheckedTerms,
  annualRate: Decimal,
  owed: number,
  after: number,
  lastNumber: number,
): number | undefined {
  const { balloon, due, paymentRounding } = terms
  const left = lastNumber - after
  return levelPaymentRounded(
    {
      principal: owed,
      rate: nominalRate(annualRate, terms),
      payments: left - settlementRows(terms),
      balloon,
      balloonAfter: left,
      due: after === 0 ? due : 'end',
    },
    paymentRounding,
  )
}
