import { spend } from '../guards/work'
import Shared from 'decimal.js-light'

const settings = { precision: 60, rounding: Shared.ROUND_HALF_UP, toExpNeg: -40, toExpPos: 60 }

/** Our own decimal constructor: 60 digits, so that nobody's global setting can change a figure. There is no NaN and no infinity. */
export const Decimal = Shared.clone(settings)
export type Decimal = InstanceType<typeof Decimal>

export const isDecimal = (value: unknown): value is Decimal => value instanceof Decimal

/** Digits kept when a computed decimal is compared with a rounding tie; the rest absorbs the error of computing it. */
const TRUSTED_DIGITS = 45

/** Removes the last digits, which carry the error of division and powers, so that an exact tie is seen as one. */
export const trusted = (value: Decimal): Decimal => value.toSignificantDigits(TRUSTED_DIGITS)

/** The next whole number below a decimal, or above it, whatever small part there is. */
export const floorOf = (value: Decimal): Decimal => value.toDecimalPlaces(0, Decimal.ROUND_FLOOR)
export const ceilingOf = (value: Decimal): Decimal => value.toDecimalPlaces(0, Decimal.ROUND_CEIL)

export const leastOf = (first: Decimal, ...others: readonly Decimal[]): Decimal =>
  others.reduce((least, value) => (value.lessThan(least) ? value : least), first)
export const greatestOf = (first: Decimal, ...others: readonly Decimal[]): Decimal =>
  others.reduce((greatest, value) => (value.greaterThan(greatest) ? value : greatest), first)

/** The powers worked out last: a schedule's columns need the same ones, row by row. */
const recent = new Map<string, Decimal>()
const MOST_RECENT = 2_000

/** A power with a fraction may be off by one in its last digit: worked out with more of them, the root of a square is exact. */
const Guarded = Shared.clone({ ...settings, precision: 72 })

/** Whether a power is a real number: nothing has no negative power, and what is negative none that is not whole. */
export const hasPower = (base: Decimal, exponent: Decimal): boolean =>
  base.isZero() ? !exponent.isNegative() : base.isPositive() || exponent.isInteger()

/** A power that there is, to the digits of `Decimal`. One with a fraction takes many times the work. */
export function power(base: Decimal, exponent: Decimal | number): Decimal {
  const isWhole = new Decimal(exponent).isInteger()
  spend(isWhole ? 100 : 1_500)
  const key = `${base.toString()} ${exponent.toString()}`
  const known = recent.get(key)
  if (known) return known
  if (recent.size >= MOST_RECENT) recent.clear()
  const result = isWhole
    ? base.pow(exponent)
    : new Decimal(new Guarded(base).pow(exponent)).toSignificantDigits(settings.precision)
  recent.set(key, result)
  return result
}
