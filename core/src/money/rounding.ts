import type { Decimal } from './decimal'
import { Decimal as D, trusted } from './decimal'
import type { Minor } from './minor'
import { minor } from './minor'

/**
 * How a value becomes whole. `halfUp`: nearest, ties away from zero. `halfEven`: nearest, ties to the even
 * neighbour. `up`: away from zero. `down`: towards zero.
 */
export type Rounding = 'halfUp' | 'halfEven' | 'up' | 'down'

const decimalMode = {
  halfUp: D.ROUND_HALF_UP,
  halfEven: D.ROUND_HALF_EVEN,
  up: D.ROUND_UP,
  down: D.ROUND_DOWN,
} as const

/**
 * Rounds a computed decimal to a whole number, after the digits that carry the error of computing it: a third of an
 * amount, three times, is the amount again. Every rounding of a decimal in the core is this one.
 */
export const roundWhole = (value: Decimal, rounding: Rounding = 'halfUp'): Decimal =>
  trusted(value).toDecimalPlaces(0, decimalMode[rounding])

/** Rounds a computed decimal to a multiple of another, in its unit. */
export const roundToMultiple = (value: Decimal, of: Decimal, rounding: Rounding): Decimal =>
  roundWhole(value.div(of), rounding).times(of)

/** Rounds an exact decimal of minor units to whole minor units. */
export const roundDecimal = (value: Decimal, rounding: Rounding = 'halfUp'): Minor =>
  minor(roundWhole(value, rounding).toNumber())

/**
 * Rounds a float that is known to within `error`, or says undefined where the error could change the outcome
 * and an exact computation must decide.
 */
export function roundIfSure(value: number, error: number, rounding: Rounding): number | undefined {
  const floor = Math.floor(value)
  const part = value - floor
  const nearest = rounding === 'halfUp' || rounding === 'halfEven'
  const distance = nearest ? Math.abs(part - 0.5) : Math.min(part, 1 - part)
  if (!(distance > error)) return undefined
  if (nearest) return part > 0.5 ? floor + 1 : floor
  return rounding === 'up' ? floor + 1 : floor
}
