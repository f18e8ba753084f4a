import type { StepOf } from '@vivid/core'
import type { Code } from '../translate/code'
import type { Block } from '../understand/blocks'

/** A figure of the file a schedule may rest on, and how it stands in a formula. */
export interface Candidate {
  readonly value: number
  readonly code: Code
}

/** What a column of a schedule can be, with what is owed first. */
const allSeries = [
  'opening',
  'closing',
  'payment',
  'interest',
  'principal',
  'interestToDate',
  'principalToDate',
  'paidToDate',
  'number',
] as const
export type Series = (typeof allSeries)[number]

/** A column: a series, as it is or with the other sign. */
export interface Column {
  readonly series: Series
  readonly isNegative: boolean
}

/** A block that carries a balance, taken for what it is: each column a series, each cell a formula of its row. */
export interface Schedule {
  readonly columns: ReadonlyMap<number, Column>
  /** The loan whose ledger it is, where it is rounded as a ledger is. */
  readonly loan: StepOf<'loan'> | undefined
  /** The figure of a row, counted from 1; the row may be worked out. */
  readonly cell: (column: Column, row: number | string) => string
  /** A whole column together. */
  readonly total: (column: Column) => string | undefined
}

export interface Found {
  readonly block: Block
  /** What the file has in a column, row by row. */
  readonly values: ReadonlyMap<number, readonly (number | undefined)[]>
  /** The figures its formulas rest on. */
  readonly candidates: readonly Candidate[]
  /** Minor units of the currency in a whole one. */
  readonly minor: number
  /** Names for a loan, where one is made. */
  readonly loan: { readonly id: string; readonly name: string }
  /** Whether rows behind the last payment are made nothing by a condition. */
  readonly hasCondition: boolean
}

/** As few columns as a schedule can have: what is owed, and something that changes it. */
const FEWEST_COLUMNS = 2
/** What a schedule has in each row, counted from 1. */
export type Rows = Readonly<Record<Series, (k: number) => number>>

/** The columns that are a series of these rows, and whether that is a schedule. */
export function columnsOf({ values }: Found, rows: Rows, near: number): Map<number, Column> | undefined {
  const columns = new Map<number, Column>()
  for (const [column, all] of values) {
    const is = (series: Series, sign: 1 | -1) =>
      all.every((value, i) => value !== undefined && Math.abs(value - sign * rows[series](i + 1)) <= near)
    const series = allSeries.find((one) => is(one, 1))
    const negative = series ? undefined : allSeries.find((one) => is(one, -1))
    if (series) columns.set(column, { series, isNegative: false })
    else if (negative) columns.set(column, { series: negative, isNegative: true })
  }
  const kinds = new Set([...columns.values()].map(({ series }) => series))
  const carries = kinds.has('closing') || kinds.has('opening')
  return carries && columns.size >= FEWEST_COLUMNS ? columns : undefined
}

/** Whether a column begins with this figure, as it is or with the other sign: most guesses end here. */
export const begins = ({ values }: Found, figure: number, near: number): boolean =>
  [...values.values()].some(([first]) => first !== undefined && Math.abs(Math.abs(first) - figure) <= near)

/** The texts of a schedule's series, with the sign their columns have. */
export const signed = (
  columns: Schedule['columns'],
  loan: Schedule['loan'],
  cell: (series: Series, row: number | string) => string,
  total: (series: Series) => string | undefined,
): Schedule => ({
  columns,
  loan,
  cell: ({ series, isNegative }, row) => (isNegative ? `-(${cell(series, row)})` : cell(series, row)),
  total: ({ series, isNegative }) => {
    const text = total(series)
    return text !== undefined && isNegative ? `-(${text})` : text
  },
})

/** The row before one, which may be worked out. */
export const rowBefore = (row: number | string): number | string =>
  typeof row === 'number' ? row - 1 : `(${row} - 1)`

export const countOf = ({ block }: Found): number => block.to - block.from + 1
