import { spend } from '../guards/work'
import { Decimal as Shared } from 'decimal.js'

/** Our own decimal constructor: 60 digits, so that nobody's global setting can change a figure. */
export const Decimal = Shared.clone({
  precision: 60,
  rounding: Shared.ROUND_HALF_UP,
  toExpNeg: -40,
  toExpPos: 60,
})
export type Decimal = InstanceType<typeof Decimal>

/** Digits kept when a computed decimal is compared with a rounding tie; the rest absorbs the error of computing it. */
const TRUSTED_DIGITS = 45

/** Removes the last digits, which carry the error of division and powers, so that an exact tie is seen as one. */
export const trusted = (value: Decimal): Decimal => value.toSignificantDigits(TRUSTED_DIGITS)

/** The powers worked out last: a schedule's columns need the same ones, row by row. */
const recent = new Map<string, Decimal>()
const MOST_RECENT = 2_000

/** A power, to the digits of `Decimal`. One with a fraction takes many times the work. */
export function power(base: Decimal, exponent: Decimal | number): Decimal {
  spend(new Decimal(exponent).isInteger() ? 100 : 1_500)
  const key = `${base.toString()} ${exponent.toString()}`
  const known = recent.get(key)
  if (known) return known
  if (recent.size >= MOST_RECENT) recent.clear()
  const result = base.pow(exponent)
  recent.set(key, result)
  return result
}
