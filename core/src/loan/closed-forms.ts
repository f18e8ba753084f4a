import { Decimal, trusted } from '../money/decimal'
import { fractionToDecimal } from '../money/fraction'
import { roundDecimal } from '../money/rounding'
import type { Minor } from '../money/minor'
import type { PeriodicRate } from '../rates/periodic-rate'
import { readRate } from '../rates/percent'
import type { Checked } from '../refusal'
import { accept, refuse } from '../refusal'
import { levelPaymentExact, type LevelPaymentTerms } from './level-payment'
import { readAmount } from '../money/read-amount'

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
  const r = fractionToDecimal(rate.exact)
  const interest = trusted(r.times(principal))
  if (interest.greaterThanOrEqualTo(payment)) {
    return refuse('PAYMENT_TOO_SMALL', 'payment', { least: interest.floor().plus(1).toNumber() })
  }
  const exact = r.isZero()
    ? new Decimal(principal).div(payment)
    : new Decimal(payment)
        .div(new Decimal(payment).minus(r.times(principal)))
        .ln()
        .div(r.plus(1).ln())
  const floor = exact.floor()
  const whole = exact.minus(floor).lessThanOrEqualTo(WITHIN) ? floor : floor.plus(1)
  return accept({ exact, whole: Math.max(1, whole.toNumber()) })
}

/** What n payments repay: the present value of the payments and of a balloon after the last. */
export function amountFor(
  payment: number,
  { rate, payments, balloon = 0, due = 'end' }: Omit<LevelPaymentTerms, 'principal'>,
): Decimal {
  const r = fractionToDecimal(rate.exact)
  if (r.isZero()) return new Decimal(payment).times(payments).plus(balloon)
  const v = r.plus(1).pow(-payments)
  const annuity = new Decimal(1).minus(v).div(r)
  return annuity
    .times(due === 'start' ? r.plus(1) : 1)
    .times(payment)
    .plus(v.times(balloon))
}

/** What is owed after payment k of a level loan, unrounded: P (1 + r)^k − M ((1 + r)^k − 1) / r. */
export function balanceAfterExact(terms: LevelPaymentTerms, k: number): Decimal {
  const r = fractionToDecimal(terms.rate.exact)
  const payment = levelPaymentExact(terms)
  if (r.isZero()) return new Decimal(terms.principal).minus(payment.times(k))
  const growth = r.plus(1).pow(k)
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
 * The monthly payment where a rate and an initial yearly repayment are quoted, both percent of the loan:
 * P × (rate + repayment) / 1200, rounded to the nearest minor unit.
 */
export function initialRepaymentPayment(
  principal: number,
  annualRate: string,
  repaymentPercent: string,
): Checked<Minor> {
  const amount = readAmount(principal, 'principal')
  if (!amount.ok) return amount
  const rate = readRate(annualRate, 'annualRate')
  if (!rate.ok) return rate
  const repayment = readRate(repaymentPercent, 'repaymentPercent')
  if (!repayment.ok) return repayment
  return accept(roundDecimal(rate.value.plus(repayment.value).times(principal).div(1200)))
}
