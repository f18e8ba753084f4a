import type { Book } from '../book/book'
import { LAST_ROW, nameAt } from '../book/book'
import { NotTaken, withParts, type CellRange, type Formula } from '../formula/formula'
import { parseFormula } from '../formula/parse-formula'
import { withCells } from '../formula/table-references'

/** Functions that look something up: what they do not find is an error. */
export const FINDING: ReadonlySet<string> = new Set([
  'VLOOKUP',
  'HLOOKUP',
  'INDEX',
  'MATCH',
  'LOOKUP',
  'XLOOKUP',
  'XMATCH',
])
/** Functions whose ranges are tables that something is looked up in. */
const LOOKING_UP: ReadonlySet<string> = new Set([...FINDING, 'CHOOSE'])

/** The most cells of a range. */
const MOST_IN_RANGE = 2_000

/** What a formula takes from other cells: by itself, in a range, or in a table that something is looked up in. */
export interface References {
  readonly alone: readonly string[]
  readonly inRanges: readonly string[]
  readonly inTables: readonly string[]
}

/** The formula with what its names stand for in their place. */
export function withoutNames(of: Formula, book: Book, depth = 0): Formula {
  if (of.is === 'range' && of.to.row === LAST_ROW) return asFarAsUsed(of, book)
  if (of.is !== 'name') return withParts(of, (part) => withoutNames(part, book, depth))
  // A table's own name is its figures.
  const stands = book.names.get(of.name) ?? (book.tables.has(of.name) ? `${of.name}[#Data]` : undefined)
  if (stands === undefined) throw new NotTaken(`nothing is called “${of.name}”`)
  if (depth > 20) throw new NotTaken(`the name “${of.name}” stands for itself`)
  return withoutNames(
    parseFormula(withCells(stands, book.tables), book.sheets[0]?.name ?? ''),
    book,
    depth + 1,
  )
}

/** Whole columns as far as anything stands in them. */
function asFarAsUsed(range: CellRange, { sheets }: Book): CellRange {
  const cells = sheets.find(({ name }) => name === range.sheet)?.cells.values() ?? []
  let last = range.from.row
  for (const { row, column } of cells)
    if (column >= range.from.column && column <= range.to.column) last = Math.max(last, row)
  return { ...range, to: { ...range.to, row: last } }
}

/** The cells of a range, row by row. */
export function cellsOfRange({ sheet, from, to }: CellRange): string[][] {
  const [rows, columns] = [to.row - from.row + 1, to.column - from.column + 1]
  if (rows * columns > MOST_IN_RANGE) throw new NotTaken(`it takes a range of ${rows * columns} cells`)
  return Array.from({ length: rows }, (_, i) =>
    Array.from({ length: columns }, (_, j) => nameAt(sheet, from.row + i, from.column + j)),
  )
}

export function referencesOf(formula: Formula): References {
  const found = { alone: [] as string[], inRanges: [] as string[], inTables: [] as string[] }
  visit(formula, false)
  return found

  function visit(of: Formula, isTable: boolean): void {
    switch (of.is) {
      case 'cell':
        found.alone.push(nameAt(of.sheet, of.row, of.column))
        break
      case 'range':
        found[isTable ? 'inTables' : 'inRanges'].push(...cellsOfRange(of).flat())
        break
      case 'call':
        of.args.forEach((one) => visit(one, LOOKING_UP.has(of.function)))
        break
      case 'minus':
      case 'percent':
        visit(of.of, isTable)
        break
      case 'binary':
        visit(of.a, isTable)
        visit(of.b, isTable)
    }
  }
}
