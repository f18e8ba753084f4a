import { columnLetters, nameOfCell, type Book, type Cell } from '../book/book'
import { NotTaken, type Formula } from '../formula/formula'
import { movedBy, parseFormula } from '../formula/parse-formula'
import { withCells } from '../formula/table-references'
import { blocksIn, cellsOfBlock, relative, type Block } from './blocks'
import { hasWordsBeside, labelOf } from './labels'
import { cellsOfRange, referencesOf, withoutNames } from './references'
import { currencyIn, unitOf, type CellUnit, type UnitGuess, type Usage } from './unit-of'

/** A cell that is typed in and that formulas use: what the visitor will be asked. */
export interface AskedCell {
  readonly cell: Cell
  readonly label: string
  readonly unit: CellUnit
  readonly choices: readonly string[]
  /** Why it is taken for what it is, and whether the file itself says so. */
  readonly why: string
  readonly isSure: boolean
}

/** What a person says otherwise than it was guessed, by cell. */
export interface Changes {
  /** Whether a typed cell is asked. */
  readonly asked?: Readonly<Record<string, boolean>>
  readonly units?: Readonly<Record<string, CellUnit>>
  readonly labels?: Readonly<Record<string, string>>
  /** Whether a formula's figure is shown to visitors. */
  readonly results?: Readonly<Record<string, boolean>>
}

/** A cell with a formula: read, or why it is not taken over. */
export interface FormulaCell {
  readonly cell: Cell
  readonly label: string
  readonly formula: Formula | undefined
  readonly uses: readonly string[]
  readonly why: string
  /** Nothing uses it, or it is a payment: something the author would call an answer. */
  readonly isResult: boolean
}

export interface Understood {
  readonly asked: ReadonlyMap<string, AskedCell>
  readonly formulas: ReadonlyMap<string, FormulaCell>
  readonly blocks: readonly Block[]
  readonly currency: ReturnType<typeof currencyIn>
}

/** The cells that cells rest on, themselves first; no more than one more than `most`. */
export function reachedFrom(
  names: readonly string[],
  formulas: Understood['formulas'],
  most = Infinity,
): ReadonlySet<string> {
  const reached = new Set(names)
  for (const name of reached) {
    if (reached.size > most) return reached
    for (const used of formulas.get(name)?.uses ?? []) reached.add(used)
  }
  return reached
}

/** So many figures at equal steps below or beside each other count something. */
const COUNTING = 4

/** What each cell is for. Guesses, each from what stands in the file; nothing is worked out here. */
export function understand(book: Book, changes: Changes = {}): Understood {
  const cells = book.sheets.flatMap((sheet) => [...sheet.cells.values()])
  const cellNamed = new Map(cells.map((cell) => [nameOfCell(cell), cell]))
  const blocks = blocksIn(cells)
  const inBlocks = new Set(blocks.flatMap((block) => [...cellsOfBlock(block)].map(({ name }) => name)))
  /** What formulas take by itself or in a range: where it is typed, it may be asked. A table that is looked up in is not. */
  const typedIn = new Set<string>()
  const parsed = createReading(book)
  const read = cells.flatMap((cell): FormulaCell[] => {
    if (cell.formula === undefined) return []
    const label = inBlocks.has(nameOfCell(cell)) ? cell.address : labelFor(cell)
    const common = { cell, label, isResult: false }
    try {
      const formula = parsed(cell, cell.formula)
      const { alone, inRanges, inTables } = referencesOf(formula)
      for (const name of [...alone, ...inRanges]) typedIn.add(name)
      return [{ ...common, formula, uses: [...new Set([...alone, ...inRanges, ...inTables])], why: '' }]
    } catch (error) {
      if (!(error instanceof NotTaken)) throw error
      return [{ ...common, formula: undefined, uses: [], why: error.message }]
    }
  })
  const usage = usageIn(read, cellNamed)
  const used = new Set(read.flatMap(({ uses }) => uses))
  const formulas = new Map(read.map((one) => [nameOfCell(one.cell), { ...one, isResult: isResult(one) }]))
  const asked = new Map<string, AskedCell>()
  for (const [name, cell] of cellNamed) {
    if (!typedIn.has(name) || cell.formula !== undefined || changes.asked?.[name] === false) continue
    if (!changes.asked?.[name] && isPartOfRows(name, cell)) continue
    const label = labelFor(cell)
    const said = changes.units?.[name]
    const guess = said ? SAID(said) : unitOf(cell, label, usage.get(name) ?? NO_USAGE)
    if (!guess) continue
    const choices = [...new Set(choicesOf(cell, cellNamed, book))]
    if (guess.unit !== 'choice' || choices.includes(String(cell.value)))
      asked.set(name, { cell, label, choices, ...guess })
  }
  const shown = function* () {
    for (const { format } of cells) yield format
    for (const { value } of cells) if (typeof value === 'string') yield value
  }
  return { asked, formulas, blocks, currency: currencyIn(shown()) }

  /** Whether a figure is one of many: a place of a schedule, or one that counts. */
  function isPartOfRows(name: string, cell: Cell): boolean {
    return inBlocks.has(name) || (!hasWordsBeside(cell, book) && isCounting(cell, cellNamed))
  }

  function labelFor(cell: Cell): string {
    return changes.labels?.[nameOfCell(cell)] ?? labelOf(cell, book)
  }

  function isResult({ cell }: FormulaCell): boolean {
    const name = nameOfCell(cell)
    return changes.results?.[name] ?? (!used.has(name) || /\bPMT\(/i.test(cell.formula ?? ''))
  }
}

/** Reads formulas; one that stands elsewhere already, counted from its own cell, is moved here. */
function createReading(book: Book): (cell: Cell, text: string) => Formula {
  const known = new Map<string, { formula: Formula; row: number; column: number }>()
  return (cell, text) => {
    const { sheet, row, column } = cell
    const key = `${sheet}!${relative(cell)}`
    const first = known.get(key)
    if (first) return movedBy(first.formula, row - first.row, column - first.column)
    const formula = withoutNames(parseFormula(withCells(text, book.tables, row), sheet), book)
    // A range whose ends are fixed in different ways may turn round where it is moved, and a table has rows of its own.
    if (!/[:[]/.test(text)) known.set(key, { formula, row, column })
    return formula
  }
}

const SAID = (unit: CellUnit): UnitGuess => ({ unit, why: 'you said so', isSure: true })
const NO_USAGE: Usage = { dividedBy: new Set(), times: new Set() }

/** How cells are divided and multiplied by numbers that are written, or typed in a cell. */
function usageIn(
  formulas: readonly Pick<FormulaCell, 'formula'>[],
  cellNamed: ReadonlyMap<string, Cell>,
): Map<string, Usage> {
  const usage = new Map<string, { dividedBy: Set<number>; times: Set<number> }>()
  for (const { formula } of formulas) if (formula) visit(formula)
  return usage

  function visit(of: Formula): void {
    if (of.is === 'call') of.args.forEach(visit)
    if (of.is === 'minus' || of.is === 'percent') visit(of.of)
    if (of.is !== 'binary') return
    visit(of.a)
    visit(of.b)
    if (of.how === '/') note(of.a, of.b, 'dividedBy')
    if (of.how === '*') {
      note(of.a, of.b, 'times')
      note(of.b, of.a, 'times')
    }
  }
  function note(cell: Formula, by: Formula, how: 'dividedBy' | 'times'): void {
    const figure = figureOf(by)
    if (cell.is !== 'cell' || figure === undefined) return
    const name = nameIn(cell)
    const known = usage.get(name) ?? { dividedBy: new Set(), times: new Set() }
    known[how].add(figure)
    usage.set(name, known)
  }
  function figureOf(of: Formula): number | undefined {
    if (of.is === 'number') return Number(of.text)
    const value = of.is === 'cell' ? cellNamed.get(nameIn(of))?.value : undefined
    return typeof value === 'number' ? value : undefined
  }
}
const nameIn = ({ sheet, row, column }: Extract<Formula, { is: 'cell' }>): string =>
  nameOfCell({ sheet, address: `${letters(column)}${row}` })

/** The texts a list allows: written out, or standing in a range. */
function choicesOf(
  { choices = '', sheet }: Cell,
  cellNamed: ReadonlyMap<string, Cell>,
  book: Book,
): string[] {
  if (choices === '') return []
  if (choices.startsWith('"'))
    return choices
      .slice(1, -1)
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean)
  try {
    const range = withoutNames(parseFormula(choices.replace(/^=/, ''), sheet), book)
    if (range.is !== 'range') return []
    return cellsOfRange(range)
      .flat()
      .flatMap((name) => {
        const value = cellNamed.get(name)?.value
        return value === undefined || typeof value === 'object' ? [] : [String(value)]
      })
  } catch (error) {
    if (error instanceof NotTaken) return []
    throw error
  }
}

/** Whether a figure is one of a row or column of figures at equal steps: 1, 2, 3, … */
function isCounting(cell: Cell, cellNamed: ReadonlyMap<string, Cell>): boolean {
  const figure = (down: number, right: number) => {
    const name = nameOfCell({
      sheet: cell.sheet,
      address: `${letters(cell.column + right)}${cell.row + down}`,
    })
    const found = cellNamed.get(name)
    return found?.formula === undefined && typeof found?.value === 'number' ? found.value : undefined
  }
  const counts = (down: 0 | 1) => {
    const run: number[] = []
    const from = (sign: 1 | -1) => {
      for (let i = sign === 1 ? 0 : 1; i < COUNTING; i++) {
        const value = figure(down * i * sign, (1 - down) * i * sign)
        if (value === undefined) return
        if (sign === 1) run.push(value)
        else run.unshift(value)
      }
    }
    from(1)
    from(-1)
    const steps = run.slice(1).map((value, i) => value - (run[i] ?? 0))
    return run.length >= COUNTING && steps.every((step) => step === steps[0] && step !== 0)
  }
  return counts(1) || counts(0)
}
const letters = (column: number): string => (column < 1 ? '?' : columnLetters(column))
