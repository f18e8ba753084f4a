import type { Formula } from '../formula/formula'

/** A figure of the file that a loan may rest on: a cell, or a part of a formula, as it stands in a formula of ours and what it comes to. */
export interface Figure {
  readonly text: string
  readonly value: number
  /** The part of a formula it is; a cell that is asked has none. */
  readonly of?: Formula | undefined
  /** The two it is made of, where it is their sum. */
  readonly sum?: readonly [Figure, Figure]
}

/** A figure without its sign, as functions about payments have them: what is paid out has the other one. */
export const positive = (figure: Figure): Figure =>
  figure.value >= 0 ? figure : { ...figure, text: `(-(${figure.text}))`, value: -figure.value }
