import type { StepOf } from '@vivid/core'
import { positive, type Figure } from '../loans/figure'
import { countOfBlock, type Block } from '../understand/blocks'

/** How far figures of the file may be from ours: doubles carry that much on over hundreds of rows. */
export const NEAR = 1e-6

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

/** A block that carries a balance, as what it may be: each column a series. */
export interface Schedule {
  readonly columns: ReadonlyMap<number, Column>
  /** What an unrounded one rests on. */
  readonly about?: About
  readonly write: (names: Names) => Written
}

/** Where a schedule gets the names its formulas use. */
export interface Names {
  /** Gives what would be written out again and again a line of its own; its name. */
  readonly working: (label: string, text: string) => string
  /** For the loan whose ledger it is. */
  readonly loan: () => { readonly id: string; readonly name: string }
}

/** A schedule in formulas. */
export interface Written {
  /** The loan whose ledger it is, where it is rounded as a ledger is. */
  readonly loan?: StepOf<'loan'>
  /** The figure of a row, counted from 1; the row may be worked out. */
  readonly cell: (column: Column, row: number | string) => string
  /** A whole column together. */
  readonly total: (column: Column) => string | undefined
}

/** What an unrounded schedule of a level loan rests on, and the figures among which its rate and length can be read. */
export interface About {
  readonly principal: Figure
  /** Of a period. */
  readonly rate: Figure
  readonly payment: Figure
  readonly rows: number
  readonly among: readonly Figure[]
}

export interface Found {
  readonly block: Block
  /** What the file has in a column, row by row; null: an empty text. */
  readonly values: ReadonlyMap<number, readonly (number | null | undefined)[]>
  /** The figures its formulas rest on. */
  readonly candidates: readonly Figure[]
  /** What the formulas of the first row come to, written out. */
  readonly firsts: readonly Figure[]
  /** Minor units of the currency in a whole one. */
  readonly minor: number
  /** Whether rows behind the last payment are made nothing by a condition. */
  readonly hasCondition: boolean
}

/**
 * What may be paid each period: a figure and another on top, which may be nothing so far, or a figure by itself. Where both come to the
 * same, the rows rest on both figures.
 */
export function paymentsAmong(candidates: readonly Figure[], above: number): Figure[] {
  const alone = candidates.map(positive)
  const together = alone.flatMap((a) =>
    alone
      .filter((b) => b !== a && b.value <= a.value)
      .map((b): Figure => ({ value: a.value + b.value, text: `(${a.text} + ${b.text})`, sum: [a, b] })),
  )
  return [...together, ...alone].filter(({ value }) => value > above)
}

const FEWEST_COLUMNS = 2
/** What a schedule has in each row, counted from 1. */
export type Rows = Readonly<Record<Series, (k: number) => number>>

/** The columns that are a series of these rows, and whether that is a schedule. Behind `last` rows may be empty texts. */
export function columnsOf(
  { values }: Found,
  rows: Rows,
  near: number,
  last: number,
): Map<number, Column> | undefined {
  const columns = new Map<number, Column>()
  for (const [column, all] of values) {
    // A column of nothing could be anything.
    if (all.every((value) => !value)) continue
    const is = (series: Series, sign: 1 | -1) =>
      all.every((value, i) =>
        typeof value === 'number'
          ? Math.abs(value - sign * rows[series](i + 1)) <= near
          : value === null && i >= last,
      )
    const series = allSeries.find((one) => is(one, 1))
    const negative = series ? undefined : allSeries.find((one) => is(one, -1))
    if (series) columns.set(column, { series, isNegative: false })
    else if (negative) columns.set(column, { series: negative, isNegative: true })
  }
  return isSchedule(columns) ? columns : undefined
}

/** Whether columns are a schedule: what is owed, and something that changes it. */
export function isSchedule(columns: ReadonlyMap<number, Column>): boolean {
  const kinds = new Set([...columns.values()].map(({ series }) => series))
  kinds.delete('number')
  return (kinds.has('closing') || kinds.has('opening')) && kinds.size >= FEWEST_COLUMNS
}

/** Whether a column begins with this figure, as it is or with the other sign: most guesses end here. */
export const begins = ({ values }: Found, figure: number, near: number): boolean =>
  [...values.values()].some((column) => beginsWith(column, figure, near))
export const beginsWith = (
  [first]: readonly (number | null | undefined)[],
  figure: number,
  near: number,
): boolean => typeof first === 'number' && Math.abs(Math.abs(first) - figure) <= near

/** The formulas of a schedule's series, with the sign their columns have. */
export const signed = (
  cell: (series: Series, row: number | string) => string,
  total: (series: Series) => string | undefined,
): Written => ({
  cell: ({ series, isNegative }, row) => (isNegative ? `-(${cell(series, row)})` : cell(series, row)),
  total: ({ series, isNegative }) => {
    const text = total(series)
    return text !== undefined && isNegative ? `-(${text})` : text
  },
})

/** What a column comes to in all, where its figures to date are known: those of the last row. */
export const totalTo =
  (cell: (series: Series, row: number) => string, rows: number) =>
  (series: Series): string | undefined => {
    const toDate = TO_DATE[series]
    return toDate && cell(toDate, rows)
  }
const TO_DATE: Partial<Record<Series, Series>> = {
  payment: 'paidToDate',
  interest: 'interestToDate',
  principal: 'principalToDate',
}

/** The row before one, which may be worked out. */
export const rowBefore = (row: number | string): number | string =>
  typeof row === 'number' ? row - 1 : `(${row} - 1)`

export const countOf = ({ block }: Found): number => countOfBlock(block)
