/** A cell: a number is written as it is, whatever sign it begins with. */
export type CsvCell = string | number

/** What a spreadsheet would take for the beginning of a formula. */
const FORMULA = /^[=+\-@\t\r]/
const NUMBER = /^[-+]?\d+(\.\d+)?$/
/** Before a text that begins so, or that begins with marks and then so: reading takes one away again. */
const MARKED = /^'+[=+\-@\t\r]/

/** A table as CSV (RFC 4180), lines ending in CR LF: what a spreadsheet would work out as a formula is marked as text. */
export const writeCsv = (rows: readonly (readonly CsvCell[])[]): string =>
  rows.map((cells) => `${cells.map((cell) => quoted(marked(String(cell)))).join(',')}\r\n`).join('')

/** A cell of such a table as it was before it was marked as text. */
export const unmarkedCell = (cell: string): string => (MARKED.test(cell) ? cell.slice(1) : cell)

const marked = (text: string) =>
  (FORMULA.test(text) && !NUMBER.test(text)) || MARKED.test(text) ? `'${text}` : text

const quoted = (cell: string) => (/^\s|\s$|[",;\t\r\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)
