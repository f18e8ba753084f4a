/** How many loans a list has at most. Apart from what pays them off, which few pages need. */
export const MOST_LOANS = 12
