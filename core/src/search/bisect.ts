import { assert } from '../guards/assert'
import { spend } from '../guards/work'

/**
 * The least whole number in a range for which a condition holds that, once it holds, holds for all greater ones;
 * undefined where it holds for none. The answer is verified where it was found and one step below.
 */
export function leastWhole(
  least: number,
  most: number,
  holds: (value: number) => boolean,
): number | undefined {
  if (!holds(most)) return undefined
  let [low, high] = [least - 1, most]
  while (high - low > 1) {
    spend(20)
    const middle = low + Math.floor((high - low) / 2)
    if (holds(middle)) high = middle
    else low = middle
  }
  assert(
    holds(high) && (high === least || !holds(high - 1)),
    'the least is where the condition begins to hold',
  )
  return high
}

/** The greatest whole number in a range for which a condition holds that, once it fails, fails for all greater ones. */
export function greatestWhole(
  least: number,
  most: number,
  holds: (value: number) => boolean,
): number | undefined {
  if (!holds(least)) return undefined
  const firstFailing = leastWhole(least, most, (value) => !holds(value))
  return firstFailing === undefined ? most : firstFailing - 1
}

/**
 * Where a decreasing function of a rate crosses zero, in floats to the last digits: bracketed upwards from zero,
 * then halved. Undefined where it is negative at zero already.
 */
export function rateWhereZero(f: (rate: number) => number): number | undefined {
  const atZero = f(0)
  if (atZero < 0) return undefined
  if (atZero === 0) return 0
  let high = 0.01
  while (f(high) > 0) {
    high *= 2
    if (high > 1e9) return Infinity
  }
  let low = 0
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2
    if (middle === low || middle === high) break
    if (f(middle) > 0) low = middle
    else high = middle
  }
  return (low + high) / 2
}
