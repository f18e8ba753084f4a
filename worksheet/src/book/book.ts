/** A workbook as far as it is understood: sheets of cells, names, and what was left aside. */
export interface Book {
  readonly sheets: readonly Sheet[]
  /** What names stand for, as written: "Loan!$D$5", or a figure. */
  readonly names: ReadonlyMap<string, string>
  /** By their names in small letters. */
  readonly tables: ReadonlyMap<string, TableOnSheet>
}

/** Cells of a sheet that have a name together, and each of their columns one. Places are counted from 1, all rows included. */
export interface TableOnSheet {
  readonly name: string
  readonly sheet: string
  readonly from: { readonly row: number; readonly column: number }
  readonly to: { readonly row: number; readonly column: number }
  readonly columns: readonly string[]
  readonly hasHeader: boolean
  readonly hasTotals: boolean
}

export interface Sheet {
  readonly name: string
  /** By address, "B7". */
  readonly cells: ReadonlyMap<string, Cell>
}

/** A value as a worksheet knows it; an error like "#DIV/0!" has none. */
export type CellValue = number | string | boolean | { readonly error: string }

export interface Cell {
  readonly sheet: string
  readonly address: string
  /** Counted from 1. */
  readonly row: number
  readonly column: number
  /** Without the "=". */
  readonly formula?: string
  /** What the file says it comes to; undefined where it was never worked out. */
  readonly value: CellValue | undefined
  /** The number format, as written. */
  readonly format: string
  /** What may be typed here, by the cell's own rules. */
  readonly choices?: string
  readonly least?: number
  readonly most?: number
}

/** A number format without the words in it. */
const withoutWords = (format: string): string => format.replace(/"[^"]*"|\[[^\]]*\]|\\./g, '')

/** Whether a number format shows a hundredth as one percent; a sign that is only written behind does not. */
export const isPercentFormat = (format: string): boolean => withoutWords(format).includes('%')

/** Whether a number format shows a date. */
export const isDateFormat = (format: string): boolean =>
  /[ymd]/i.test(withoutWords(format)) && !/General/i.test(format)

/** "Loan!B7": how a cell is named everywhere. */
export const nameOfCell = ({ sheet, address }: Pick<Cell, 'sheet' | 'address'>): string =>
  `${sheet}!${address}`

export const LAST_ROW = 1_048_576
export const LAST_COLUMN = 16_384

export function columnLetters(column: number): string {
  let left = column
  let letters = ''
  while (left > 0) {
    letters = String.fromCharCode(65 + ((left - 1) % 26)) + letters
    left = Math.floor((left - 1) / 26)
  }
  return letters
}
export const addressOf = (row: number, column: number): string => `${columnLetters(column)}${row}`

/** How the cell at a place is named. */
export const nameAt = (sheet: string, row: number, column: number): string =>
  nameOfCell({ sheet, address: addressOf(row, column) })

/** "B7" or "$B$7" as row and column; undefined where it is none. */
export function placeOf(address: string): { readonly row: number; readonly column: number } | undefined {
  const [, letters = '', digits = ''] = /^\$?([A-Za-z]{1,3})\$?(\d{1,7})$/.exec(address) ?? []
  const column = [...letters.toUpperCase()].reduce((sum, one) => sum * 26 + one.charCodeAt(0) - 64, 0)
  const row = Number(digits)
  return row >= 1 && row <= LAST_ROW && column >= 1 && column <= LAST_COLUMN ? { row, column } : undefined
}
