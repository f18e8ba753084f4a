import { assert } from '../guards/assert'
import { Decimal } from './decimal'
import type { Minor } from './minor'
import { minor } from './minor'
import type { Rounding } from './rounding'

/** An exact number as a quotient of two integers; the denominator is positive. */
export interface Fraction {
  readonly numerator: bigint
  readonly denominator: bigint
}

/** Reads an exact decimal ("4.64" is 464/100). */
export function fractionOf(value: Decimal): Fraction {
  const places = BigInt(Math.max(0, value.decimalPlaces()))
  const denominator = 10n ** places
  return { numerator: BigInt(value.times(new Decimal(10).pow(places.toString())).toFixed(0)), denominator }
}

export const fractionToDecimal = (f: Fraction): Decimal =>
  new Decimal(f.numerator.toString()).div(f.denominator.toString())

/** Rounds an exact, non-negative fraction to a whole number. */
export function roundFraction({ numerator, denominator }: Fraction, rounding: Rounding): Minor {
  assert(numerator >= 0n && denominator > 0n, 'only a fraction that is not negative is rounded')
  const whole = numerator / denominator
  const twiceRest = 2n * (numerator % denominator)
  return minor(Number(whole + (goesUp() ? 1n : 0n)))

  function goesUp(): boolean {
    switch (rounding) {
      case 'up':
        return twiceRest > 0n
      case 'down':
        return false
      case 'halfUp':
        return twiceRest >= denominator
      case 'halfEven':
        return twiceRest === denominator ? whole % 2n === 1n : twiceRest > denominator
    }
  }
}
