import { Decimal, power } from '../money/decimal'
import { fractionToDecimal, roundFraction } from '../money/fraction'
import { LARGEST_BALANCE } from '../money/minor'
import type { Rounding } from '../money/rounding'
import { roundDecimal, roundIfSure } from '../money/rounding'
import type { PeriodicRate } from '../rates/periodic-rate'

export interface LevelPaymentTerms {
  /** Amount borrowed, minor units. */
  readonly principal: number
  readonly rate: PeriodicRate
  /** Number of payments, 1 or more. */
  readonly payments: number
  /** Amount left when the time is over, minor units. */
  readonly balloon?: number
  /** After how many periods the balloon falls due; default: at the end of the last payment's period. */
  readonly balloonAfter?: number
  readonly due?: 'end' | 'start'
}

/**
 * The level payment as an exact decimal of minor units, unrounded; not above zero where the balloon is worth as much as
 * the loan. With v = (1 + r)^−n: (P − B v) r / (1 − v), divided by (1 + r) when payments fall at the start; (P − B) / n
 * at a zero rate. Its terms have been checked.
 * Source: the present value of an annuity, any textbook on the theory of interest.
 */
export function levelPaymentExact({
  principal,
  rate,
  payments,
  balloon = 0,
  balloonAfter = payments,
  due = 'end',
}: LevelPaymentTerms): Decimal {
  const r = fractionToDecimal(rate.exact)
  if (r.isZero()) return new Decimal(principal - balloon).div(payments)
  const growth = r.plus(1)
  const v = power(growth, -payments)
  const balloonNow = balloon === 0 ? 0 : power(growth, -balloonAfter).times(balloon)
  const atEnd = new Decimal(principal).minus(balloonNow).times(r).div(new Decimal(1).minus(v))
  return due === 'start' ? atEnd.div(growth) : atEnd
}

/**
 * The level payment in whole minor units; the float decides unless it lies near a tie. Undefined where there is nothing
 * to pay (the balloon is worth as much as the loan), `Infinity` where it is more than can be kept exactly.
 */
export function levelPaymentRounded(terms: LevelPaymentTerms, rounding: Rounding): number | undefined {
  const { principal, rate, payments, balloon = 0, balloonAfter = payments, due = 'end' } = terms
  const r = rate.asNumber
  if (r === 0) {
    if (balloon > principal) return undefined
    return roundFraction({ numerator: BigInt(principal - balloon), denominator: BigInt(payments) }, rounding)
  }
  const exponent = -payments * Math.log1p(r)
  const annuity = r / -Math.expm1(exponent) / (due === 'start' ? 1 + r : 1)
  const balloonNow = balloon === 0 ? 0 : balloon * Math.exp(-balloonAfter * Math.log1p(r))
  const guess = (principal - balloonNow) * annuity
  if (guess > LARGEST_BALANCE) return Infinity
  const error = (principal + balloonNow) * annuity * 1e-11 + 1e-9
  if (guess > error) {
    const sure = roundIfSure(guess, error, rounding)
    if (sure !== undefined) return sure
  } else if (guess < -error) return undefined
  const exact = levelPaymentExact(terms)
  return exact.isNegative() && !exact.isZero() ? undefined : roundDecimal(exact, rounding)
}
