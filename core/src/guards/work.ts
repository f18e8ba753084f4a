/**
 * What an evaluation may take. Work is counted where it is done, in units of about a microsecond on a server: rows of ledgers,
 * steps of searches, digits of powers, operations of formulas. Outside `metered` nothing is limited.
 */

/** An evaluation takes more than it may. */
export class TooMuchWork extends Error {}

let left = Infinity

/** Counts work that is about to be done; stops what is under way where that is more than it may take. */
export function spend(units: number): void {
  left -= units
  if (left < 0) throw new TooMuchWork()
}

/** Does something that may take so much, and says how much it took; without a result where that was not enough. */
export function metered<Result>(
  most: number,
  act: () => Result,
): { readonly result: Result | undefined; readonly spent: number } {
  const before = left
  left = Math.min(most, before)
  const begun = left
  try {
    const result = act()
    return { result, spent: begun - left }
  } catch (error) {
    if (error instanceof TooMuchWork) return { result: undefined, spent: begun - left }
    throw error
  } finally {
    left = before - (begun - left)
  }
}
