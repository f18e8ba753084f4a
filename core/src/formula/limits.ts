/** A formula is at most this many characters long. */
export const LONGEST_FORMULA = 2_000
/** The most numbers a formula goes through, as in `for k in 1..360 return …`. */
export const MOST_COUNTED = 2_000
