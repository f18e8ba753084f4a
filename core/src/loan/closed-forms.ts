import { Decimal, trusted, floorOf, power } from '../money/decimal'
import { fractionToDecimal } from '../money/fraction'
import { LARGEST_BALANCE, minor, type Minor } from '../money/minor'
import { roundDecimal, type Rounding } from '../money/rounding'
import { isTimesPerYear, type PeriodicRate } from '../rates/periodic-rate'
import { readRate } from '../rates/percent'
import type { Checked, Refusal } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { levelPaymentExact, levelPaymentRounded, type LevelPaymentTerms } from './level-payment'
import { isObject } from '../guards/given'
import { readAmount, readCount } from '../money/read-amount'
import { MOST_PAYMENTS } from './loan-terms'

/*
 * Formulas without a ledger: nothing is rounded between steps. They give first guesses and fractional answers; where
 * a lender's cents matter, the ledger decides. Source of all: the annuity formulas of any textbook on the theory of
 * interest. `rate` is per payment; amounts are minor units; payments fall at the end of each period.
 */

const WITHIN = new Decimal('1e-30')

export interface PaymentsToRepay {
  /** ln(M / (M − P r)) / ln(1 + r), or P / M at a zero rate. */
  readonly exact: Decimal
  /** As whole payments, the last one smaller. */
  readonly whole: number
}

/**
 * How many payments of a given size repay a loan, as a fraction and as whole payments. Refuses a payment that does
 * not exceed the unrounded first interest (`PAYMENT_TOO_SMALL`, with the least that does).
 */
export function paymentsToRepay(
  principal: number,
  rate: PeriodicRate,
  payment: number,
): Checked<PaymentsToRepay> {
  const amount = readAmount(principal, 'principal')
  if (!amount.ok) return amount
  const paid = readAmount(payment, 'payment')
  if (!paid.ok) return paid
  const refusal = refusedRate(rate)
  if (refusal) return refusal
  const r = fractionToDecimal(rate.exact)
  const interest = trusted(r.times(principal))
  if (interest.greaterThanOrEqualTo(payment)) {
    return refuse('PAYMENT_TOO_SMALL', 'payment', { least: floorOf(interest).plus(1).toNumber() })
  }
  const exact = r.isZero()
    ? new Decimal(principal).div(payment)
    : new Decimal(payment)
        .div(new Decimal(payment).minus(r.times(principal)))
        .ln()
        .div(r.plus(1).ln())
  const floor = floorOf(exact)
  const whole = exact.minus(floor).lessThanOrEqualTo(WITHIN) ? floor : floor.plus(1)
  return accept({ exact, whole: Math.max(1, whole.toNumber()) })
}

/**
 * What n payments repay: the present value of the payments and of a balloon after the last, exact minor units. Refuses
 * like `levelPayment`.
 */
export function amountFor(payment: number, terms: Omit<LevelPaymentTerms, 'principal'>): Checked<Decimal> {
  const paid = readAmount(payment, 'payment', 'zero allowed')
  if (!paid.ok) return paid
  const refusal = refusedLevelTerms(terms)
  return refusal ?? accept(presentValueOf(payment, terms))
}

/** The same of terms that have been checked. */
export function presentValueOf(
  payment: number,
  { rate, payments, balloon = 0, due = 'end' }: Omit<LevelPaymentTerms, 'principal'>,
): Decimal {
  const r = fractionToDecimal(rate.exact)
  if (r.isZero()) return new Decimal(payment).times(payments).plus(balloon)
  const v = power(r.plus(1), -payments)
  const annuity = new Decimal(1).minus(v).div(r)
  return annuity
    .times(due === 'start' ? r.plus(1) : 1)
    .times(payment)
    .plus(v.times(balloon))
}

/**
 * The level payment rounded to whole minor units; see `levelPaymentExact`. `rate` is per payment. Refuses what is no
 * amount, rate, timing or number of payments (1 to 20,000), and a balloon that leaves nothing to pay
 * (`BALLOON_TOO_LARGE`).
 */
export function levelPayment(terms: LevelPaymentTerms, rounding: Rounding = 'halfUp'): Checked<Minor> {
  if (!isObject(terms)) return refuse('OPTION_UNKNOWN', 'terms')
  const principal = readAmount(terms.principal, 'principal')
  if (!principal.ok) return principal
  const refusal = refusedLevelTerms(terms)
  if (refusal) return refusal
  if (!['halfUp', 'halfEven', 'up', 'down'].includes(rounding)) return refuse('OPTION_UNKNOWN', 'rounding')
  const payment = levelPaymentRounded(terms, rounding)
  if (payment === undefined || (terms.balloon && levelPaymentExact(terms).lessThanOrEqualTo(0)))
    return refuse('BALLOON_TOO_LARGE', 'balloon', { balloon: terms.balloon ?? 0 })
  if (payment > LARGEST_BALANCE) return refuse('AMOUNT_TOO_LARGE', 'rate', { largest: LARGEST_BALANCE })
  return accept(minor(payment))
}

function refusedRate(rate: PeriodicRate): Refusal | undefined {
  const exact = isObject(rate) && isObject(rate.exact) ? rate.exact : undefined
  if (!exact || typeof exact.numerator !== 'bigint' || typeof exact.denominator !== 'bigint')
    return refuse('RATE_UNREADABLE', 'rate')
  if (exact.denominator <= 0n || !Number.isFinite(rate.asNumber)) return refuse('RATE_UNREADABLE', 'rate')
  return exact.numerator < 0n || rate.asNumber < 0 ? refuse('RATE_NEGATIVE', 'rate') : undefined
}

function refusedLevelTerms(terms: Omit<LevelPaymentTerms, 'principal'>): Refusal | undefined {
  if (!isObject(terms)) return refuse('OPTION_UNKNOWN', 'terms')
  const { rate, payments, balloon = 0, balloonAfter = payments, due = 'end' } = terms
  const refusal = refusedRate(rate)
  if (refusal) return refusal
  for (const [name, count] of [
    ['payments', payments],
    ['balloonAfter', balloonAfter],
  ] as const) {
    const read = readCount(count, name, 1, MOST_PAYMENTS)
    if (!read.ok) return read
  }
  const left = readAmount(balloon, 'balloon', 'zero allowed')
  if (!left.ok) return left
  return due === 'end' || due === 'start' ? undefined : refuse('OPTION_UNKNOWN', 'due')
}

/** What is owed after payment k of a level loan, unrounded: P (1 + r)^k − M ((1 + r)^k − 1) / r. */
export function balanceAfterExact(terms: LevelPaymentTerms, k: number): Decimal {
  const r = fractionToDecimal(terms.rate.exact)
  const payment = levelPaymentExact(terms)
  if (r.isZero()) return new Decimal(terms.principal).minus(payment.times(k))
  const growth = power(r.plus(1), k)
  const paidGrows = terms.due === 'start' ? r.plus(1) : new Decimal(1)
  return growth.times(terms.principal).minus(payment.times(paidGrows).times(growth.minus(1)).div(r))
}

/** The interest and the principal in payment k of a level loan with payments at the end of each period, unrounded. */
export function partsOfPayment(
  terms: Omit<LevelPaymentTerms, 'due'>,
  k: number,
): { interest: Decimal; principal: Decimal } {
  const interest = balanceAfterExact(terms, k - 1).times(fractionToDecimal(terms.rate.exact))
  return { interest, principal: levelPaymentExact(terms).minus(interest) }
}

/**
 * The payment where a rate and an initial yearly repayment are quoted, both percent of the loan: P × (rate + repayment) /
 * 100 a year, in so many payments (12), rounded to the nearest minor unit.
 */
export function initialRepaymentPayment(
  principal: number,
  annualRate: string,
  repaymentPercent: string,
  paymentsPerYear = 12,
): Checked<Minor> {
  const amount = readAmount(principal, 'principal')
  if (!amount.ok) return amount
  const rate = readRate(annualRate, 'annualRate')
  if (!rate.ok) return rate
  const repayment = readRate(repaymentPercent, 'repaymentPercent')
  if (!repayment.ok) return repayment
  if (!isTimesPerYear(paymentsPerYear)) return refuse('FREQUENCY_UNKNOWN', 'paymentsPerYear')
  return accept(
    roundDecimal(
      rate.value
        .plus(repayment.value)
        .times(principal)
        .div(100 * paymentsPerYear),
    ),
  )
}
