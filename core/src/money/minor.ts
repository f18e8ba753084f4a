import { assert } from '../guards/assert'

/** Whole minor units (cents, yen, fils: the currency beside it says which). A safe integer. */
export type Minor = number & { readonly unit: 'minor' }

/** Brands a whole amount. Throws on anything else: amounts from outside are checked before they come here. */
export function minor(amount: number): Minor {
  if (!Number.isSafeInteger(amount)) assert(false, `${amount} is not a whole amount of minor units`)
  return (amount === 0 ? 0 : amount) as Minor
}

/** The largest amount a loan may have: 10^13 minor units. */
export const LARGEST_AMOUNT = 1e13

/** The largest balance or total that is worked out; all whole numbers up to it and their sums are exact. */
export const LARGEST_BALANCE = 4e15

export const ZERO = minor(0)
