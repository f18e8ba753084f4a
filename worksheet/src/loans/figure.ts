import type { Formula } from '../formula/parse-formula'

/** A figure that a loan may rest on: a cell, or a part of a formula, as it stands in a formula of ours and what it comes to. */
export interface Figure {
  readonly text: string
  readonly value: number
  /** The part of a formula it is; a cell that is asked has none. */
  readonly of: Formula | undefined
}
