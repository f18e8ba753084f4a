import type { StepOf } from '@vivid/core'
import type { Code } from '../translate/code'
import { countOfBlock, type Block } from '../understand/blocks'

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
  /** What an unrounded one rests on. */
  readonly about?: About
  /** The figure of a row, counted from 1; the row may be worked out. */
  readonly cell: (column: Column, row: number | string) => string
  /** A whole column together. */
  readonly total: (column: Column) => string | undefined
}

/** What an unrounded schedule rests on: figures, and how a loan step has them where it is known how often a year it is paid. */
export interface About {
  readonly principal: number
  /** The same as it stands in a formula. */
  readonly text: string
  /** Of a period. */
  readonly rate: number
  readonly payment: number
  readonly terms: StepOf<'loan'>['terms'] | undefined
}

export interface Found {
  readonly block: Block
  /** What the file has in a column, row by row; null: an empty text. */
  readonly values: ReadonlyMap<number, readonly (number | null | undefined)[]>
  /** The figures its formulas rest on. */
  readonly candidates: readonly Candidate[]
  /** What the formulas of the first row come to, written out. */
  readonly firsts: readonly Candidate[]
  /** Minor units of the currency in a whole one. */
  readonly minor: number
  /** Names for a loan, where one is made. */
  readonly loan: { readonly id: string; readonly name: string }
  /** Gives what would be written out again and again a line of its own; its name. */
  readonly working: (name: string, text: string) => string
  /** Whether rows behind the last payment are made nothing by a condition. */
  readonly hasCondition: boolean
}

/** A payment as it is and as it stands in a formula. */
export interface Payment {
  readonly value: number
  readonly text: string
}

/** What may be paid each period: a figure by itself, or one and another on top. */
export function paymentsAmong(candidates: readonly Candidate[], above: number): Payment[] {
  const alone = candidates.flatMap(({ value, code }) =>
    value === 0 ? [] : [{ value: Math.abs(value), text: value < 0 ? `(-(${code.text}))` : code.text }],
  )
  const together = alone.flatMap((a) =>
    alone
      .filter((b) => b !== a && b.value <= a.value)
      .map((b) => ({ value: a.value + b.value, text: `(${a.text} + ${b.text})` })),
  )
  return [...alone, ...together].filter(({ value }) => value > above)
}

const PER_YEAR = [12, 26, 52, 24, 4, 2, 1] as const

/** Payments a year: what figures of the file say, then each number that can be. */
export function paymentsAYear(candidates: readonly Candidate[]): { value: number; text: string }[] {
  const said = candidates.filter(({ value }) => (PER_YEAR as readonly number[]).includes(value))
  return [
    ...said.map(({ value, code }) => ({ value, text: code.text })),
    ...PER_YEAR.filter((value) => value !== 1).map((value) => ({ value, text: String(value) })),
  ]
}

/** As few columns as a schedule can have: what is owed, and something that changes it. */
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
  const kinds = new Set([...columns.values()].map(({ series }) => series))
  kinds.delete('number')
  const carries = kinds.has('closing') || kinds.has('opening')
  return carries && kinds.size >= FEWEST_COLUMNS ? columns : undefined
}

/** Whether a column begins with this figure, as it is or with the other sign: most guesses end here. */
export const begins = ({ values }: Found, figure: number, near: number): boolean =>
  [...values.values()].some((column) => beginsWith(column, figure, near))
export const beginsWith = (
  [first]: readonly (number | null | undefined)[],
  figure: number,
  near: number,
): boolean => typeof first === 'number' && Math.abs(Math.abs(first) - figure) <= near

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

export const countOf = ({ block }: Found): number => countOfBlock(block)
