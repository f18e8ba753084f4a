import { startOf, type RateSheet, type SheetVersion } from '@vivid/core'

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
    .map((line) => line.split('\t').map(plainNumber))

/** "4.64 %" and "$1,200.00" as the sheet writes them; other texts as they are. */
export const plainNumber = (text: string): string => {
  const plain = text.trim().replace(/[%$€£,\s\u00a0]/g, '')
  return /^-?\d+(\.\d+)?$/.test(plain) ? plain : text.trim()
}

/** Writes a block into the table from a cell on; rows that are missing below are added, cells beyond the last column left out. */
export function pasteBlock(
  sheet: RateSheet,
  rows: Rows,
  at: Cell,
  block: readonly (readonly string[])[],
): Rows {
  const needed = at.row + block.length
  const padded = [
    ...rows,
    ...Array.from({ length: Math.max(0, needed - rows.length) }, () => emptyRow(sheet)),
  ]
  return padded.map((row, i) => {
    const line = block[i - at.row]
    return (line ?? []).reduce(
      (written, text, j) =>
        at.column + j < columnsOf(sheet) ? withCell(written, at.column + j, text) : written,
      row,
    )
  })
}

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
