import type { Book, Cell } from '../book/book'
import type { CellRange, Formula } from '../formula/formula'
import type { Code } from './code'
import type { Rows } from './rows'
import type { LookedUp } from './table'

/** What the translation of one cell asks of what was translated before. */
export interface Around {
  readonly book: Book
  /** A cell that is asked or worked out, as it stands in a formula; `NotTaken` where it is not taken over. */
  readonly codeOf: (name: string) => Code | undefined
  /** Gives what is long a name of its own. */
  readonly short: (code: Code) => Code
  /** A column of a schedule added up, or its figure in a row; undefined where the range is none. */
  readonly ofColumn: (range: CellRange, row?: Code) => Code | undefined
  /** Columns of one schedule, from one row to another; undefined where the ranges are none, or of different rows. */
  readonly ofRows: (ranges: readonly CellRange[]) => Rows | undefined
  /** A figure that is looked up in a table of typed figures; undefined where it is part of the formula. */
  readonly lookedUp?: (looked: LookedUp) => Code | undefined
  /** What stands for an empty text among figures; no figure where it is left out. */
  readonly nothing?: Code
  /** What stands in place of a part of the formula; undefined where it stays as it is. */
  readonly instead?: (of: Formula) => Code | undefined
}

/** What a formula's parts come to, and the cells they stand in by their names. */
export interface Reading {
  readonly around: Around
  readonly go: (of: Formula) => Code
  readonly cellAt: (name: string) => Cell | undefined
  readonly cellCode: (name: string) => Code
}
