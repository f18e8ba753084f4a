import { startOf, type RateSheet, type SheetVersion } from '@vivid/core'
import { readBy, readingsOf, type DecimalMark } from '@vivid/contract/wording'
import { readNumbers, type NumberCell } from '../shared/text-tables/read-numbers'
import type { TableFault } from '../shared/text-tables/read-table'
import { kindOfKey, kindOfValue } from './sheet-csv'

type Row = SheetVersion['rows'][number]
type Rows = SheetVersion['rows']

/** A cell of a version's table: the columns of the keys, then the one of the value. */
export interface Cell {
  readonly row: number
  readonly column: number
}

export const columnsOf = ({ keys }: RateSheet): number => keys.length + 1

export const cellText = (row: Row | undefined, column: number): string =>
  row ? (row.keys[column] ?? (column === row.keys.length ? row.value : '')) : ''

/** The row with one cell written anew. */
const withCell = (row: Row, column: number, text: string): Row =>
  column < row.keys.length
    ? { ...row, keys: row.keys.map((key, i) => (i === column ? text : key)) }
    : { ...row, value: text }

export const emptyRow = ({ keys }: RateSheet): Row => ({ keys: keys.map(() => ''), value: '' })

export const writeCell = (rows: Rows, { row, column }: Cell, text: string): Rows =>
  rows.map((one, i) => (i === row ? withCell(one, column, text) : one))

/** What a person copies from a spreadsheet: lines of cells between tabs; one pasted cell is a block of its own. */
export const readBlock = (text: string): string[][] =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()))

export type Pasted =
  | {
      readonly ok: true
      readonly rows: Rows
      readonly decimal: DecimalMark | undefined
      /** What was taken otherwise than it was written: "1850,00" as 1850. */
      readonly understood: readonly { readonly text: string; readonly plain: string }[]
    }
  | { readonly ok: false; readonly faults: readonly TableFault[]; readonly isAmbiguous: boolean }

/**
 * Writes a block into the table from a cell on; rows that are missing below are added, cells beyond the last column left
 * out. Numbers are read with one mark before decimals throughout; what has two readings is refused with both, unless
 * `decimal` says which it is. What is no number at all is written as it is, to be seen and mended in the table.
 */
export function pasteBlock(
  sheet: RateSheet,
  rows: Rows,
  at: Cell,
  block: readonly (readonly string[])[],
  decimal?: DecimalMark,
): Pasted {
  const kinds = [...sheet.keys.map(({ unit }) => kindOfKey(unit)), kindOfValue(sheet.gives)]
  const names = [...sheet.keys.map(({ name }) => name), 'value']
  const cells = block.flatMap((line, i) =>
    line.slice(0, columnsOf(sheet) - at.column).map((text, j) => ({
      row: at.row + i + 1,
      column: names[at.column + j] ?? '',
      cell: { row: at.row + i, column: at.column + j },
      text,
      kind: kinds[at.column + j],
    })),
  )
  const isNumber = (one: (typeof cells)[number]): one is (typeof cells)[number] & NumberCell =>
    one.kind !== undefined && readingsOf(one.text, one.kind).length > 0
  const numbers = cells.filter(isNumber)
  const read = readNumbers(numbers, decimal)
  if (read.faults.length > 0) return { ok: false, faults: read.faults, isAmbiguous: read.isAmbiguous }
  const plainAt = new Map(numbers.map(({ cell }, i) => [`${cell.row} ${cell.column}`, read.plain[i]]))
  const needed = at.row + block.length
  const padded = [
    ...rows,
    ...Array.from({ length: Math.max(0, needed - rows.length) }, () => emptyRow(sheet)),
  ]
  const written = cells.reduce<Rows>((now, { cell, text }) => {
    return writeCell(now, cell, plainAt.get(`${cell.row} ${cell.column}`) ?? text)
  }, padded)
  const understood = numbers.flatMap(({ text }, i) => {
    const plain = read.plain[i] ?? ''
    return /[.,]/.test(text) && readBy(text, '.') !== readBy(text, ',') && !isAsWritten(text, plain)
      ? [{ text, plain }]
      : []
  })
  return { ok: true, rows: written, decimal: read.decimal, understood }
}

/** Whether a number stands in its text with a point, as the sheet writes it. */
const isAsWritten = (text: string, plain: string): boolean =>
  !text.includes(',') && Number(text.replace(/[^\d.-]/g, '')) === Number(plain)

/** A block of the table as a spreadsheet takes it. */
export function copyBlock(rows: Rows, from: Cell, to: Cell): string {
  const [top, bottom] = [from.row, to.row].sort((a, b) => a - b)
  const [left = 0, right = 0] = [from.column, to.column].sort((a, b) => a - b)
  return rows
    .slice(top, (bottom ?? 0) + 1)
    .map((row) => Array.from({ length: right - left + 1 }, (_, i) => cellText(row, left + i)).join('\t'))
    .join('\n')
}

export const isBefore = (a: SheetVersion, b: SheetVersion): number => (startOf(a) < startOf(b) ? -1 : 1)

/** A further version with the rows of the last, from the day after it or a given one. */
export function addVersion(sheet: RateSheet, from: string): RateSheet {
  const last = [...sheet.versions].sort(isBefore).at(-1)
  return { ...sheet, versions: [...sheet.versions, { from, rows: last?.rows ?? [emptyRow(sheet)] }] }
}

export const withVersion = (
  sheet: RateSheet,
  at: number,
  change: (version: SheetVersion) => SheetVersion,
): RateSheet => ({
  ...sheet,
  versions: sheet.versions.map((version, i) => (i === at ? change(version) : version)),
})

/** A second key: each row keeps what it has, and gets an empty one. */
export const addKey = (sheet: RateSheet): RateSheet => ({
  ...sheet,
  keys: [...sheet.keys, { id: 'second', name: 'Second key', unit: 'text', match: 'exact' }],
  versions: sheet.versions.map((version) => ({
    ...version,
    rows: version.rows.map((row) => ({ ...row, keys: [...row.keys, ''] })),
  })),
})
export const removeKey = (sheet: RateSheet): RateSheet => ({
  ...sheet,
  keys: sheet.keys.slice(0, 1),
  versions: sheet.versions.map((version) => ({
    ...version,
    rows: version.rows.map((row) => ({ ...row, keys: row.keys.slice(0, 1) })),
  })),
})
