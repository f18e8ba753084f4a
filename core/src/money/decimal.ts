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

/** A power, to the digits of `Decimal`. One with a fraction takes many times the work. */
export function power(base: Decimal, exponent: Decimal | number): Decimal {
  spend(new Decimal(exponent).isInteger() ? 100 : 1_500)
  return base.pow(exponent)
}
