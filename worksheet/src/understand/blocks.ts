import { nameAt, nameOfCell, placeOf, type Cell } from '../book/book'

/** So many rows of the same formula below each other are a block: a schedule, or a table that is worked out. */
const FEWEST_ROWS = 12

/**
 * Lanes of formulas that go down the same rows, each like the one above it, or across the same columns, each like the one before
 * it. The first of each may be of its own kind, and so may the last where another lane goes on: a last payment often is.
 */
export interface Block {
  readonly sheet: string
  readonly way: 'down' | 'across'
  /** The first and the last row (column, where it goes across). */
  readonly from: number
  readonly to: number
  /** Columns (rows, where it goes across). */
  readonly lanes: readonly number[]
}

export function blocksIn(cells: readonly Cell[]): Block[] {
  const formulas = cells.filter(({ formula }) => formula !== undefined)
  const typed = new Set(
    cells.flatMap((cell) =>
      cell.formula === undefined && typeof cell.value === 'number' ? [nameOfCell(cell)] : [],
    ),
  )
  const down = blocksOf(formulas, typed, 'down')
  const inThem = new Set(down.flatMap((block) => [...cellsOfBlock(block)].map(({ name }) => name)))
  const across = blocksOf(
    formulas.filter((cell) => !inThem.has(nameOfCell(cell))),
    typed,
    'across',
  )
  return [...down, ...across]
}

function blocksOf(cells: readonly Cell[], typed: ReadonlySet<string>, way: Block['way']): Block[] {
  const withFormula = new Set(cells.map(nameOfCell))
  const runs = runsIn(cells, way)
  const goesOn = ({ sheet, lane, to }: Run) =>
    withFormula.has(nameIn({ sheet, way }, lane, to + 1)) &&
    runs.some((other) => other.sheet === sheet && other.to === to + 1 && other.from <= to)
  const blocks = new Map<string, Block>()
  for (const run of runs) {
    const { sheet, lane, from } = run
    const to = goesOn(run) ? run.to + 1 : run.to
    const key = `${sheet}!${to}`
    const known = blocks.get(key)
    blocks.set(key, {
      sheet,
      way,
      from: Math.min(from, known?.from ?? from),
      to,
      lanes: [...(known?.lanes ?? []), lane].sort((a, b) => a - b),
    })
  }
  return [...blocks.values()].map((block) => {
    const before = block.lanes.map((lane) => nameIn(block, lane, block.from - 1))
    const begins = before.filter((name) => withFormula.has(name)).length
    // The count of its rows may begin with a number that is typed.
    const isWhole = before.every((name) => withFormula.has(name) || typed.has(name))
    return block.from > 1 && isWhole && begins * 2 >= block.lanes.length
      ? { ...block, from: block.from - 1 }
      : block
  })
}

const nameIn = ({ sheet, way }: Pick<Block, 'sheet' | 'way'>, lane: number, at: number): string =>
  way === 'down' ? nameAt(sheet, at, lane) : nameAt(sheet, lane, at)

/** A cell of a block, with its place along it counted from 1. */
export interface BlockCell {
  readonly name: string
  readonly lane: number
  readonly k: number
}

/** The cells of a block, whether they have formulas or not. */
export function* cellsOfBlock(block: Block): Generator<BlockCell> {
  for (let at = block.from; at <= block.to; at++)
    for (const lane of block.lanes) yield { name: nameIn(block, lane, at), lane, k: at - block.from + 1 }
}

export const countOfBlock = ({ from, to }: Block): number => to - from + 1

/** Lane and place of a cell in a block's own terms, whether it is one of its cells or stands beside it. */
export function placeIn(
  block: Block,
  { row, column }: { row: number; column: number },
): Omit<BlockCell, 'name'> {
  const [lane, at] = block.way === 'down' ? [column, row] : [row, column]
  return { lane, k: at - block.from + 1 }
}

interface Run {
  readonly sheet: string
  readonly lane: number
  readonly from: number
  readonly to: number
}

function runsIn(cells: readonly Cell[], way: Block['way']): Run[] {
  const at = ({ row, column }: Cell) => (way === 'down' ? row : column)
  const laneOf = ({ row, column }: Cell) => (way === 'down' ? column : row)
  const lanes = new Map<string, Cell[]>()
  for (const cell of cells) {
    const key = `${cell.sheet}!${laneOf(cell)}`
    const lane = lanes.get(key)
    if (lane) lane.push(cell)
    else lanes.set(key, [cell])
  }
  return [...lanes.values()].flatMap((lane) => {
    const runs: Run[] = []
    let run: Cell[] = []
    let form = ''
    const end = () => {
      const [first, last] = [run[0], run.at(-1)]
      if (first && last && run.length >= FEWEST_ROWS)
        runs.push({ sheet: first.sheet, lane: laneOf(first), from: at(first), to: at(last) })
    }
    for (const cell of lane.sort((a, b) => at(a) - at(b))) {
      const last = run.at(-1)
      const own = relative(cell)
      if (last && at(cell) === at(last) + 1 && own === form) run.push(cell)
      else {
        end()
        run = [cell]
        form = own
      }
    }
    end()
    return runs
  })
}

/** What stands in quotation marks, or a cell; what belongs to a longer name is none. */
const QUOTED_OR_CELL =
  /'(?:[^']|'')*'|"(?:[^"]|"")*"|(?<![A-Za-z0-9_.\u{a1}-\u{10ffff}])(\$?)([A-Za-z]{1,3})(\$?)(\d{1,7})(?![\w.(!])/gu

/** A formula with rows and columns counted from its own cell: the same in each row of a block. */
export function relative(cell: Pick<Cell, 'formula' | 'row' | 'column'>): string {
  const known = worked.get(cell)
  if (known !== undefined) return known
  const { formula = '', row, column } = cell
  const text = formula.replace(
    QUOTED_OR_CELL,
    (all: string, fixedColumn: string, letters: string | undefined, fixedRow: string, digits: string) => {
      const place = letters === undefined ? undefined : placeOf(`${letters}${digits}`)
      if (!place || letters === undefined) return all
      return `${fixedColumn ? letters : `C[${place.column - column}]`}${fixedRow ? digits : `R[${place.row - row}]`}`
    },
  )
  worked.set(cell, text)
  return text
}
/** A cell's is asked for by all who look for rows. */
const worked = new WeakMap<object, string>()
