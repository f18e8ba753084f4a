import { addressOf, nameOfCell, type Cell } from '../book/book'

/** So many rows of the same formula below each other are a block: a schedule, or a table that is worked out. */
const FEWEST_ROWS = 12

/** Columns of formulas that go down the same rows, each like the one above it. Its first row may have formulas of its own. */
export interface Block {
  readonly sheet: string
  readonly from: number
  readonly to: number
  readonly columns: readonly number[]
}

export function blocksIn(cells: readonly Cell[]): Block[] {
  const runs = runsIn(cells)
  const blocks = new Map<string, Block>()
  for (const { sheet, column, from, to } of runs) {
    const key = `${sheet}!${to}`
    const known = blocks.get(key)
    blocks.set(key, {
      sheet,
      from: Math.min(from, known?.from ?? from),
      to,
      columns: [...(known?.columns ?? []), column].sort((a, b) => a - b),
    })
  }
  const withFormula = new Set(cells.flatMap((cell) => (cell.formula === undefined ? [] : [nameOfCell(cell)])))
  return [...blocks.values()].map((block) => {
    const above = block.columns.map((column) => addressOf(block.from - 1, column))
    const begins = above.every((address) => withFormula.has(nameOfCell({ sheet: block.sheet, address })))
    return begins ? { ...block, from: block.from - 1 } : block
  })
}

/** The cells of a block that have formulas, with the row counted from 1. */
export function* cellsOfBlock({
  sheet,
  from,
  to,
  columns,
}: Block): Generator<{ name: string; column: number; k: number }> {
  for (let row = from; row <= to; row++)
    for (const column of columns)
      yield { name: nameOfCell({ sheet, address: addressOf(row, column) }), column, k: row - from + 1 }
}

interface Run {
  readonly sheet: string
  readonly column: number
  readonly from: number
  readonly to: number
}

function runsIn(cells: readonly Cell[]): Run[] {
  const columns = new Map<string, Cell[]>()
  for (const cell of cells) {
    if (cell.formula === undefined) continue
    const key = `${cell.sheet}!${cell.column}`
    const column = columns.get(key)
    if (column) column.push(cell)
    else columns.set(key, [cell])
  }
  return [...columns.values()].flatMap((column) => {
    const runs: Run[] = []
    let run: Cell[] = []
    const end = () => {
      const [first, last] = [run[0], run.at(-1)]
      if (first && last && run.length >= FEWEST_ROWS)
        runs.push({ sheet: first.sheet, column: first.column, from: first.row, to: last.row })
    }
    for (const cell of column.sort((a, b) => a.row - b.row)) {
      const last = run.at(-1)
      if (last && cell.row === last.row + 1 && relative(cell) === relative(last)) run.push(cell)
      else {
        end()
        run = [cell]
      }
    }
    end()
    return runs
  })
}

/** A formula with its rows counted from its own: the same in each row of a block. */
const relative = ({ formula = '', row }: Cell): string =>
  formula.replace(
    /(\$?[A-Za-z]{1,3})(\$?)(\d{1,7})/g,
    (all, letters: string, fixed: string, digits: string) =>
      fixed ? all : `${letters}[${Number(digits) - row}]`,
  )
