import { columnLetters, type Book, type TableOnSheet } from '../book/book'
import { NotTaken } from './formula'
import { LONGEST } from './parse-formula'

/** Texts and names of sheets in quotes, where nothing is a reference. */
const QUOTED = /("(?:[^"]|"")*"|'(?:[^']|'')*')/
/** A table and what is taken of it: Rates[Score], Rates[[#This Row],[Score]:[Rate]]. */
const OF_TABLE = /(?<![\p{L}\p{N}_.\\])([\p{L}_\\][\p{L}\p{N}_.\\]*)\[((?:[^[\]]|\[[^[\]]*\])*)\]/gu

/**
 * The formula, which stands in this row of a sheet or in none, with cells in place of what it takes from tables by their
 * columns (ISO/IEC 29500, structured references). Throws `NotTaken` where there is no such table, column or row.
 */
export const withCells = (text: string, tables: Book['tables'], row?: number): string =>
  text.includes('[') && text.length <= LONGEST
    ? text
        .split(QUOTED)
        .map((part, i) =>
          i % 2 === 1
            ? part
            : part.replace(OF_TABLE, (_, name: string, taken: string) => cellsOf(name, taken, tables, row)),
        )
        .join('')
    : text

function cellsOf(name: string, taken: string, tables: Book['tables'], row: number | undefined): string {
  const table = tables.get(name.toLowerCase())
  if (!table) throw new NotTaken(`there is no table “${name}”`)
  const said = taken.replace(/^@\[?([^[\]]*)\]?$/, '[#This Row],[$1]')
  const inside = [...said.matchAll(/\[([^[\]]*)\]/g)].map(([, one = '']) => one.trim())
  const parts = inside.length > 0 ? inside : [said.trim()].filter(Boolean)
  const columns = parts.filter((part) => !part.startsWith('#')).map((part) => columnOf(table, part))
  const places = columns.length > 0 ? columns : [table.from.column, table.to.column]
  const [first, last] = [Math.min(...places), Math.max(...places)].map((place) => `$${columnLetters(place)}`)
  const { from, to, isFixed } = rowsOf(
    table,
    parts.filter((part) => part.startsWith('#')),
    row,
  )
  const mark = isFixed ? '$' : ''
  const sheet = `'${table.sheet.replaceAll("'", "''")}'!`
  const end = first === last && from === to ? '' : `:${last}${mark}${to}`
  return `${sheet}${first}${mark}${from}${end}`
}

function columnOf({ name, from, columns }: TableOnSheet, column: string): number {
  // What has a meaning in a reference stands behind an apostrophe in a name.
  const plain = column.replace(/'(.)/g, '$1').toLowerCase()
  const at = columns.findIndex((one) => one.toLowerCase() === plain)
  if (at < 0) throw new NotTaken(`the table “${name}” has no column “${column}”`)
  return from.column + at
}

/** The rows that are taken: those of its figures, unless something else is said. */
function rowsOf(
  { name, from, to, hasHeader, hasTotals }: TableOnSheet,
  said: readonly string[],
  row: number | undefined,
) {
  const data = { from: from.row + (hasHeader ? 1 : 0), to: to.row - (hasTotals ? 1 : 0) }
  const all = said.map((part) => {
    switch (part.toLowerCase()) {
      case '#this row':
        if (row === undefined || row < data.from || row > data.to)
          throw new NotTaken(`it takes its own row of the table “${name}”, which has none there`)
        return { from: row, to: row }
      case '#headers':
        return { from: from.row, to: from.row }
      case '#totals':
        return { from: to.row, to: to.row }
      case '#all':
        return { from: from.row, to: to.row }
      case '#data':
        return data
      default:
        throw new NotTaken(`“${part}” of a table is not understood`)
    }
  })
  const rows = all.length > 0 ? all : [data]
  return {
    from: Math.min(...rows.map((one) => one.from)),
    to: Math.max(...rows.map((one) => one.to)),
    isFixed: !said.some((part) => /^#this row$/i.test(part)),
  }
}
