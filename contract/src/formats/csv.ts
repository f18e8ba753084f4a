/** A cell: a number is written as it is, whatever sign it begins with. */
export type CsvCell = string | number

/** What a spreadsheet would take for the beginning of a formula. */
const FORMULA = /^[=+\-@\t\r]/
const NUMBER = /^[-+]?\d+(\.\d+)?$/
/** Before a text that begins so, or that begins with marks and then so: reading takes one away again. */
const MARKED = /^'+[=+\-@\t\r]/

/** How numbers and cells are written: with a point and between commas, or as spreadsheets of a comma locale expect. */
export type CsvStyle = 'point' | 'comma'

/** Tells programs that guess encodings that this is UTF-8 (Unicode 2.13). */
export const ENCODING_MARK = '\ufeff'

/** A table as CSV (RFC 4180), lines ending in CR LF: what a spreadsheet would work out as a formula is marked as text. */
export const writeCsv = (rows: readonly (readonly CsvCell[])[], style: CsvStyle = 'point'): string =>
  rows
    .map((cells) => {
      const written = cells.map((cell) => quoted(inStyle(marked(String(cell)), style)))
      return `${written.join(style === 'comma' ? ';' : ',')}\r\n`
    })
    .join('')

const inStyle = (cell: string, style: CsvStyle) =>
  style === 'comma' && NUMBER.test(cell) ? cell.replace('.', ',') : cell

/** A cell of such a table as it was before it was marked as text. */
export const unmarkedCell = (cell: string): string => (MARKED.test(cell) ? cell.slice(1) : cell)

const marked = (text: string) =>
  (FORMULA.test(text) && !NUMBER.test(text)) || MARKED.test(text) ? `'${text}` : text

const quoted = (cell: string) => (/^\s|\s$|[",;\t\r\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)
