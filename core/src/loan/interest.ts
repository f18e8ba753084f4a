import { roundFraction } from '../money/fraction'
import { LARGEST_BALANCE } from '../money/minor'
import type { Rounding } from '../money/rounding'
import { roundIfSure } from '../money/rounding'
import type { PeriodicRate } from '../rates/periodic-rate'

/**
 * Interest of one period: opening balance × rate per period, rounded to whole minor units; `Infinity` where it is more
 * than can be kept exactly. Exact: where the float lies too near a tie to decide, the exact rate does (308,400.00 at
 * 4.885 % bears 1,255.445 a month, hence 1,255.45).
 */
export function interestOf(opening: number, rate: PeriodicRate, rounding: Rounding): number {
  const guess = opening * rate.asNumber
  if (guess > LARGEST_BALANCE) return Infinity
  if (rounding === 'halfUp') {
    // The usual case, without a call: well away from a tie the float decides.
    const rounded = Math.floor(guess + 0.5)
    const fromTie = guess - rounded + 0.5
    const error = guess * 1e-14 + 1e-9
    if (fromTie > error && fromTie < 1 - error) return rounded
  }
  const sure = roundIfSure(guess, guess * 1e-14 + 1e-9, rounding)
  if (sure !== undefined) return sure
  const { numerator, denominator } = rate.exact
  return roundFraction({ numerator: numerator * BigInt(opening), denominator }, rounding)
}
