/** How long the name of one of several loans may be. Apart from the schemas, so that visitors' browsers need none of them. */
export const LONGEST_LOAN_NAME = 40
/** It stands in a line among figures that “;” parts. */
export const LOAN_NAME = /^[^;\p{Cc}]*$/u
