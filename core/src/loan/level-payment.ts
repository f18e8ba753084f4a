import { Decimal } from '../money/decimal'
import { fractionToDecimal, roundFraction } from '../money/fraction'
import type { Minor } from '../money/minor'
import { minor } from '../money/minor'
import type { Rounding } from '../money/rounding'
import { roundDecimal, roundIfSure } from '../money/rounding'
import type { PeriodicRate } from '../rates/periodic-rate'

export interface LevelPaymentTerms {
  /** Amount borrowed, minor units, above the balloon. */
  readonly principal: number
  readonly rate: PeriodicRate
  /** Number of payments, 1 or more. */
  readonly payments: number
  /** Amount left at the end of the last period, minor units. */
  readonly balloon?: number
  readonly due?: 'end' | 'start'
}

/**
 * The level payment as an exact decimal of minor units, unrounded. With v = (1 + r)^−n:
 * (P − B v) r / (1 − v), divided by (1 + r) when payments fall at the start; (P − B) / n at a zero rate.
 * Source: the present value of an annuity, any textbook on the theory of interest.
 */
export function levelPaymentExact({
  principal,
  rate,
  payments,
  balloon = 0,
  due = 'end',
}: LevelPaymentTerms): Decimal {
  const r = fractionToDecimal(rate.exact)
  if (r.isZero()) return new Decimal(principal - balloon).div(payments)
  const growth = r.plus(1)
  const v = growth.pow(-payments)
  const atEnd = v.times(-balloon).plus(principal).times(r).div(new Decimal(1).minus(v))
  return due === 'start' ? atEnd.div(growth) : atEnd
}

/** The level payment rounded to whole minor units; the float decides unless it lies near a tie. */
export function levelPayment(terms: LevelPaymentTerms, rounding: Rounding = 'halfUp'): Minor {
  const { principal, rate, payments, balloon = 0, due = 'end' } = terms
  const r = rate.asNumber
  if (r === 0) {
    return roundFraction({ numerator: BigInt(principal - balloon), denominator: BigInt(payments) }, rounding)
  }
  const exponent = -payments * Math.log1p(r)
  const annuity = r / -Math.expm1(exponent) / (due === 'start' ? 1 + r : 1)
  const v = Math.exp(exponent)
  const guess = (principal - balloon * v) * annuity
  const error = (principal + balloon * v) * annuity * 1e-11 + 1e-9
  const sure = roundIfSure(guess, error, rounding)
  return sure === undefined ? roundDecimal(levelPaymentExact(terms), rounding) : minor(sure)
}
