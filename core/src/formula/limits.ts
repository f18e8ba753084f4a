/** A formula is at most this many characters long. */
export const LONGEST_FORMULA = 2_000
