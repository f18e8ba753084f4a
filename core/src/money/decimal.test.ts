import { Decimal as Other } from 'decimal.js'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ceilingOf, Decimal, floorOf, greatestOf, hasPower, leastOf, power, trusted } from './decimal'

/** The same arithmetic by another package, with more digits. */
const D = Other.clone({ precision: 100, rounding: Other.ROUND_HALF_UP, toExpNeg: -40, toExpPos: 60 })
const toDigits = (digits: number, value: { toString(): string }) =>
  new D(value.toString()).toSignificantDigits(digits).toString()

const decimals = fc
  .tuple(fc.bigInt({ min: -(10n ** 18n), max: 10n ** 18n }), fc.integer({ min: 0, max: 18 }))
  .map(([digits, places]) => new D(digits.toString()).div(new D(10).pow(places)).toFixed())
const positive = decimals.map((text) => text.replace('-', '')).filter((text) => !new D(text).isZero())
const exponents = fc.oneof(
  fc.integer({ min: -600, max: 600 }).map(String),
  fc
    .tuple(fc.integer({ min: -999, max: 999 }), fc.integer({ min: 1, max: 53 }))
    .map(([m, p]) => new Decimal(m).div(p).toString()),
)

describe('a power', () => {
  // Digits alone would not do: what differs in the last of sixty may round to another in the digits before.
  test('is the one that another package comes to, but for a part of 10^57', () => {
    const expectNear = (base: string, exponent: string) => {
      const own = new D(power(new Decimal(base), new Decimal(exponent)).toString())
      const other = new D(base).pow(exponent)
      expect(own.minus(other).abs().lessThanOrEqualTo(other.times('1e-57'))).toBe(true)
    }
    expectNear('90358519900808504', '317.5')
    fc.assert(fc.property(positive, exponents, expectNear), { numRuns: 400 })
  })
  test('of a root and its whole exponent is exact', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000_000 }), fc.constantFrom(2, 4, 5, 8), (root, times) => {
        const whole = new Decimal(root).div(1e5).pow(times)
        expect(power(whole, new Decimal(1).div(times)).toString()).toBe(new Decimal(root).div(1e5).toString())
      }),
    )
  })
  test.each([
    ['0', '-1', false],
    ['0', '-0.5', false],
    ['0', '0', true],
    ['0', '0.5', true],
    ['-2', '0.5', false],
    ['-2', '-3', true],
    ['2', '-0.5', true],
  ])('%s to the power %s is a real number: %s', (base, exponent, isReal) => {
    expect(hasPower(new Decimal(base), new Decimal(exponent))).toBe(isReal)
    if (isReal) expect(() => power(new Decimal(base), new Decimal(exponent))).not.toThrow()
  })
})

test('sums, products, quotients and whole numbers are those of another package', () => {
  fc.assert(
    fc.property(decimals, decimals, (a, b) => {
      const [x, y] = [new Decimal(a), new Decimal(b)]
      expect(x.plus(y).times(y).toString()).toBe(toDigits(60, new D(a).plus(b).times(b)))
      if (!y.isZero()) expect(trusted(x.div(y)).toString()).toBe(toDigits(45, new D(a).div(b)))
      expect(floorOf(x).toString()).toBe(new D(a).floor().toFixed().replace(/^-0$/, '0'))
      expect(ceilingOf(x).toString()).toBe(new D(a).ceil().toFixed().replace(/^-0$/, '0'))
      expect([leastOf(x, y), greatestOf(x, y)].map(String)).toEqual([D.min(a, b), D.max(a, b)].map(String))
    }),
    { numRuns: 500 },
  )
})
