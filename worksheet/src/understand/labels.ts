import { addressOf, nameOfCell, type Book, type Cell, type Sheet } from '../book/book'

/** How far a label may stand from its cell: columns to the left, rows above. */
const LEFT = 4
const ABOVE = 3
const FARTHEST_HEAD = 1_500

/** What a cell is called: the words beside it, else those above it, else its name, else its address. */
export function labelOf(cell: Cell, book: Book): string {
  const sheet = book.sheets.find(({ name }) => name === cell.sheet)
  return (
    (sheet &&
      (wordsTowards(cell, sheet, 'left') ?? wordsTowards(cell, sheet, 'above') ?? headOf(cell, sheet))) ??
    named(cell, book)
  )
}

/** Whether a cell has words of its own to the left. */
export function hasWordsBeside(cell: Cell, { sheets }: Book): boolean {
  const sheet = sheets.find(({ name }) => name === cell.sheet)
  return sheet !== undefined && wordsTowards(cell, sheet, 'left') !== undefined
}

function wordsTowards({ row, column }: Cell, { cells }: Sheet, way: 'left' | 'above'): string | undefined {
  for (let step = 1; step <= (way === 'left' ? LEFT : ABOVE); step++) {
    const at =
      way === 'left' ? addressOf(row, Math.max(1, column - step)) : addressOf(Math.max(1, row - step), column)
    const found = cells.get(at)
    if (found && found.formula === undefined && typeof found.value === 'string' && found.value.trim() !== '')
      return found.value.trim().replace(/[:\s]+$/, '')
    // What stands between belongs to another label.
    if (found && way === 'left') return undefined
  }
  return undefined
}

/** The words over the rows of figures a cell stands under: what it adds up is called like them. */
function headOf({ row, column }: Cell, { cells }: Sheet): string | undefined {
  let gap = 0
  for (let at = row - 1; at >= Math.max(1, row - FARTHEST_HEAD) && gap < ABOVE; at--) {
    const found = cells.get(addressOf(at, column))
    if (!found) gap++
    else if (typeof found.value === 'string' && found.formula === undefined)
      return found.value.trim() || undefined
    else gap = 0
  }
  return undefined
}

function named(cell: Cell, book: Book): string {
  const stands = nameOfCell(cell)
  const name = [...book.names].find(
    ([, text]) => text.replaceAll('$', '').replaceAll("'", '') === stands,
  )?.[0]
  return name ?? cell.address
}
