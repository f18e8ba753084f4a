import { minorDigitsOf, type CalculatorStep, type Proof, type StepOf } from '@vivid/core'
import { nameOfCell, type Book, type Cell, type CellValue } from '../book/book'
import { NotTaken, type CellRange } from '../formula/parse-formula'
import { number, type Code } from '../translate/code'
import { translate } from '../translate/translate'
import { cellsOfBlock, type Block } from '../understand/blocks'
import type { AskedCell, FormulaCell, Understood } from '../understand/understand'
import { createNaming } from './names'
import { orderOf } from './order-of'
import { questionFor, type CellQuestion } from './questions'
import { asArithmetic } from './arithmetic-schedule'
import { asLedger } from './ledger-schedule'
import type { Candidate, Found, Schedule } from './schedule'

export type Role = 'result' | 'working'

/** A formula cell that became a line of the document, or a line of its proofs: a row of a schedule has no line of its own. */
export type TakenCell = {
  readonly cell: Cell
  readonly role: Role
} & (
  | { readonly step: string; readonly name: string; readonly gives: Code['gives'] }
  | { readonly proof: number; readonly line: number }
)
/** One that did not, and why. */
export interface LeftOutCell {
  readonly cell: Cell
  readonly why: string
}
export interface AskedStep extends CellQuestion {
  readonly cell: Cell
  readonly unit: AskedCell['unit']
}

/** What became of each cell of a worksheet. */
export interface TakenOver {
  readonly asked: readonly AskedStep[]
  readonly workings: readonly CalculatorStep[]
  readonly taken: readonly TakenCell[]
  readonly leftOut: readonly LeftOutCell[]
  /** Every figure of the file that is taken over, as a line of a proof. */
  readonly lines: Proof['expected']
  /** The steps of loans that schedules became. */
  readonly loans: readonly StepOf<'loan'>[]
}

/** A proof has room for so many lines. */
export const MOST_IN_PROOF = 40

/** A document has 200 lines; readouts need some. */
const MOST_WORKINGS = 150
/** A document has room for so many lines of proofs. */
const MOST_PROVEN = 200 * MOST_IN_PROOF
const LONGEST_FORMULA = 2_000
const LONGEST_NOTE = 900

/** A loan whose rows are a block's, to the cent as a ledger rounds, or unrounded; none where no figure they rest on gives them. */
const recogniseSchedule = (found: Found): Schedule | undefined => asLedger(found) ?? asArithmetic(found)

/** Takes a worksheet that was understood over, as its arithmetic stands: each formula a working, or a line of a proof. */
export function takeOver(book: Book, understood: Understood): TakenOver {
  const naming = createNaming()
  const minor = 10 ** minorDigitsOf[understood.currency]
  const cellNamed = new Map(
    book.sheets.flatMap(({ cells }) => [...cells.values()].map((cell) => [nameOfCell(cell), cell])),
  )
  const asked = new Map<string, AskedStep>()
  for (const [name, one] of understood.asked) {
    const step = questionFor(one, stepId(one.cell, book), naming(one.label, 'answer'), minor)
    if (step) asked.set(name, { ...step, cell: one.cell, unit: one.unit })
  }
  const workings: CalculatorStep[] = []
  const codes = new Map<string, Code>()
  const taken: TakenCell[] = []
  const leftOut = new Map<string, LeftOutCell>()
  const { order, inCircles } = orderOf(understood.formulas)
  for (const name of inCircles) leaveOut(name, 'it goes in a circle: in the end it rests on itself')
  const lines: Proof['expected'] = []
  const inBlocks = new Set(
    understood.blocks.flatMap((block) => [...cellsOfBlock(block)].map(({ name }) => name)),
  )
  const schedules: { block: Block; schedule: Schedule }[] = []
  const behind = new Set(inBlocks)
  for (const name of order) {
    const one = understood.formulas.get(name)
    if (one?.uses.some((used) => behind.has(used))) behind.add(name)
    if (one && !behind.has(name)) take(name, one)
  }
  understood.blocks.forEach(takeBlock)
  for (const name of order) {
    const one = understood.formulas.get(name)
    if (one && behind.has(name) && !inBlocks.has(name)) take(name, one)
  }
  return {
    asked: [...asked.values()],
    workings,
    taken,
    leftOut: [...leftOut.values()],
    lines,
    loans: schedules.flatMap(({ schedule: { loan } }) => loan ?? []),
  }

  function leaveOut(name: string, why: string): void {
    const one = understood.formulas.get(name)
    if (one) leftOut.set(name, { cell: one.cell, why })
  }

  function take(name: string, one: FormulaCell): void {
    const id = stepId(one.cell, book)
    const parts: CalculatorStep[] = []
    const short = (code: Code): Code => {
      if (code.isShort || code.gives !== 'number') return code
      const known = parts.find((part) => part.kind === 'working' && part.formula === code.text)
      const part =
        known ?? working(`${id}Part${parts.length + 1}`, naming(`${one.label} part`, 'part'), code, '')
      if (!known) parts.push(part)
      return { text: part.name, gives: 'number', isShort: true }
    }
    try {
      if (!one.formula) throw new NotTaken(one.why)
      const code = translate(one.formula, { book, codeOf, short, ofColumn })
      if ([code.text, ...parts.map(formulaOf)].some((text) => text.length > LONGEST_FORMULA))
        throw new NotTaken('written out it is longer than a formula may be')
      if (workings.length + parts.length + 1 > MOST_WORKINGS)
        return takeAsLine(name, one, `a calculator has room for ${MOST_WORKINGS} workings`)
      const step = working(
        id,
        naming(one.label, one.cell.address),
        code,
        `${name}: =${one.cell.formula ?? ''}`,
      )
      workings.push(...parts, step)
      codes.set(name, { ...code, text: step.name, isShort: true })
      taken.push({
        cell: one.cell,
        step: id,
        name: step.name,
        gives: code.gives,
        role: one.isResult ? 'result' : 'working',
      })
      prove(step.name, one.cell)
    } catch (error) {
      if (!(error instanceof NotTaken)) throw error
      leaveOut(name, error.message)
    }
  }

  function codeOf(name: string): Code | undefined {
    const known = asked.get(name)?.code ?? codes.get(name)
    if (known) return known
    if (understood.formulas.has(name)) throw new NotTaken(`it rests on ${name}, which is not taken over`)
    return undefined
  }

  /** A block is taken over as the schedule it is; where it is none, cell by cell. */
  function takeBlock(block: Block, at: number): void {
    const cells = [...cellsOfBlock(block)]
    const values = new Map(
      block.columns.map((column) => [
        column,
        cells.filter((one) => one.column === column).map(({ name }) => numberIn(cellNamed.get(name))),
      ]),
    )
    const formulas = cells.flatMap(({ name }) => understood.formulas.get(name)?.cell.formula ?? [])
    const schedule =
      lines.length + cells.length > MOST_PROVEN
        ? undefined
        : recogniseSchedule({
            block,
            values,
            candidates: candidatesFor(cells.map(({ name }) => name)),
            minor,
            loan: { id: `schedule${at + 1}`, name: naming('loan of the schedule', 'loan') },
            hasCondition: formulas.some((formula) => /\bIF\(/i.test(formula)),
          })
    if (schedule?.loan) workings.push(schedule.loan)
    if (schedule) schedules.push({ block, schedule })
    const placeOf = new Map(cells.map((one) => [one.name, one]))
    for (const name of order) {
      const [one, place] = [understood.formulas.get(name), placeOf.get(name)]
      if (!one || !place) continue
      const column = schedule?.columns.get(place.column)
      if (schedule && column) takeLine(name, one, number(schedule.cell(column, place.k), false))
      else takeAsLine(name, one, schedule ? NO_COLUMN : NO_SCHEDULE)
    }
  }

  /** A cell that has no line of its own is proven all the same: what rests on it has its formula in it. */
  function takeAsLine(name: string, one: FormulaCell, whyNot: string): void {
    try {
      if (!one.formula) throw new NotTaken(one.why)
      const code = translate(one.formula, { book, codeOf, short: (long) => long, ofColumn })
      const isProven = code.gives === 'number' && figureIn(one.cell.value) !== undefined
      if (!isProven || code.text.length > LONGEST_FORMULA || lines.length >= MOST_PROVEN)
        throw new NotTaken(whyNot)
      takeLine(name, one, code)
    } catch (error) {
      if (!(error instanceof NotTaken)) throw error
      leaveOut(name, error.message)
    }
  }

  function takeLine(name: string, { cell, isResult }: FormulaCell, { text }: Code): void {
    codes.set(name, number(`(${text})`, false))
    taken.push({ cell, role: isResult ? 'result' : 'working', ...prove(text, cell) })
  }

  /** A line of a proof: what the file has for a cell. */
  function prove(of: string, { value }: Cell): { proof: number; line: number } {
    const at = lines.length
    const figure = figureIn(value)
    if (figure && at < MOST_PROVEN) lines.push({ of, ...figure })
    return { proof: Math.floor(at / MOST_IN_PROOF), line: at % MOST_IN_PROOF }
  }

  /** The figures that are taken over and that these cells rest on: another of the same size is none of theirs. */
  function candidatesFor(names: readonly string[]): Candidate[] {
    const reached = new Set<string>()
    const left = [...names]
    for (let name = left.pop(); name !== undefined; name = left.pop()) {
      if (reached.has(name)) continue
      reached.add(name)
      left.push(...(understood.formulas.get(name)?.uses ?? []))
    }
    return [...reached].flatMap((name): Candidate[] => {
      const code = asked.get(name)?.code ?? (inBlocks.has(name) ? undefined : codes.get(name))
      const value = numberIn(cellNamed.get(name))
      return code?.gives === 'number' && value !== undefined ? [{ value, code }] : []
    })
  }

  /** What is asked of a column of a schedule as a whole: all of it together, or one of its rows. */
  function ofColumn({ sheet, from, to }: CellRange, row?: Code): Code | undefined {
    const found = schedules.find(
      ({ block }) => block.sheet === sheet && block.from === from.row && block.to === to.row,
    )
    const column = from.column === to.column ? found?.schedule.columns.get(from.column) : undefined
    const text = column && (row ? found?.schedule.cell(column, row.text) : found?.schedule.total(column))
    return text === undefined ? undefined : number(`(${text})`, false)
  }
}

function working(id: string, name: string, { text, gives }: Code, note: string): CalculatorStep {
  return {
    kind: 'working',
    id,
    name,
    formula: text.replace(/^\((.*)\)$/s, (all, inner: string) => (isWhole(inner) ? inner : all)),
    unit: gives,
    rounding: null,
    note: note.slice(0, LONGEST_NOTE),
    shown: false,
    label: {},
  }
}

const NO_SCHEDULE =
  'it is one of many rows that carry on from each other, and none of the figures taken over gives them'
const NO_COLUMN = 'it is a column of a schedule that is neither paid, nor interest, nor principal, nor owed'

const numberIn = (cell: Cell | undefined): number | undefined =>
  typeof cell?.value === 'number' ? cell.value : undefined

const formulaOf = (step: CalculatorStep): string => (step.kind === 'working' ? step.formula : '')

/** Whether brackets around a text were around all of it. */
function isWhole(inner: string): boolean {
  let depth = 0
  for (const sign of inner) {
    if (sign === '(') depth++
    if (sign === ')' && --depth < 0) return false
  }
  return depth === 0
}

/** A cell's id as a step: "b7", or "s2b7" on the second sheet. */
function stepId({ sheet, address }: Cell, { sheets }: Book): string {
  const at = sheets.findIndex(({ name }) => name === sheet)
  return `${at > 0 ? `s${at + 1}` : ''}${address.toLowerCase()}`
}

/** A figure in the digits a proof has, and how far it may differ: a billionth of it. */
function figureIn(value: CellValue | undefined): { figure: string; tolerance: string } | undefined {
  if (typeof value !== 'number' || Math.abs(value) >= 1e15) return undefined
  return { figure: value.toFixed(9), tolerance: Math.max(2e-9, Math.abs(value) * 1e-9).toFixed(9) }
}
