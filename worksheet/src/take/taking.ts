import {
  minorDigitsOf,
  MOST_STEPS,
  type CalculatorDocument,
  type CalculatorStep,
  type Proof,
  type RateSheet,
  type StepOf,
} from '@vivid/core'
import { nameOfCell, type Book, type Cell } from '../book/book'
import { NotTaken, type Formula } from '../formula/formula'
import { number, type Code } from '../translate/code'
import type { Around } from '../translate/around'
import { translate } from '../translate/translate'
import type { AskedCell, FormulaCell, Understood } from '../understand/understand'
import type { CellUnit } from '../understand/unit-of'
import { createNaming } from './names'
import { createProofLines, type Proven } from './proof-lines'
import { questionFor, type CellQuestion } from './questions'
import type { About } from './schedule'
import { documentOf, workingStep } from './steps'
import { createTables } from './tables'
import { thresholdsIn } from './thresholds'

export type Role = 'result' | 'working'

/** A formula cell that became a line of the document, or a line of its proofs: a row of a schedule has no line of its own. */
export type TakenCell = {
  readonly cell: Cell
  readonly label: string
  readonly role: Role
  /** Where its figure is proven; undefined: a text, or yes or no. */
  readonly proven: Proven | undefined
} & (
  | { readonly step: string; readonly name: string; readonly gives: Code['gives'] }
  | { readonly step: undefined; readonly proven: Proven }
)
/** One that did not, and why. */
export interface LeftOutCell {
  readonly cell: Cell
  readonly why: string
}
export interface AskedStep extends CellQuestion {
  readonly cell: Cell
  readonly unit: AskedCell['unit']
  /** Figures that formulas compare it with. */
  readonly thresholds: readonly number[]
}

/** What a draft has to the cent, as a ledger does, in place of a worksheet's own arithmetic. */
export interface ToTheCent {
  /** The loans whose figures those are. */
  readonly loans: readonly StepOf<'loan'>[]
  /** By cell and part of its formula. */
  readonly instead: (cell: string, part: Formula) => string | undefined
  /** The name of the loan whose ledger an unrounded schedule becomes. */
  readonly loanOf: (schedule: string) => string | undefined
}

/** How a worksheet is taken over. */
export interface HowTaken {
  readonly toTheCent?: ToTheCent | undefined
  /** Whether tables that are looked up in become rate sheets; otherwise they are part of the formulas. */
  readonly asSheets?: boolean
}

export const LONGEST_FORMULA = 2_000
/** Of a document's steps so many are kept free for readouts and recovered loans. */
const KEPT_FREE = 36
export const MOST_ASKED = 90
const MOST_WORKINGS = 150

const isName = (text: string): boolean => /^[\p{L}][\p{L}\p{N} ]*$/u.test(text)

/** What is asked is called, where its label is no name formulas can have. */
const NAME_OF: Readonly<Record<CellUnit, string>> = {
  money: 'amount',
  percent: 'rate',
  percentNumber: 'rate',
  years: 'term',
  months: 'term',
  payments: 'count of payments',
  number: 'quantity',
  choice: 'choice',
  yesNo: 'answer',
  date: 'day',
}

/** The taking over of a worksheet: what became of which cell so far, and what the rest needs to know of it. */
export function createTaking(book: Book, understood: Understood, { toTheCent, asSheets = false }: HowTaken) {
  const naming = createNaming()
  const minor = 10 ** minorDigitsOf[understood.currency]
  const cells = new Map(
    book.sheets.flatMap((sheet) => [...sheet.cells.values()].map((cell) => [nameOfCell(cell), cell])),
  )
  const thresholds = thresholdsIn(understood, cells)
  const asked = new Map<string, AskedStep>()
  for (const [name, one] of understood.asked) {
    if (asked.size === MOST_ASKED) break
    const step = questionFor(one, stepId(one.cell, book), naming(one.label, NAME_OF[one.unit]), minor)
    if (step)
      asked.set(name, {
        ...step,
        cell: one.cell,
        unit: one.unit,
        thresholds: [...(thresholds.get(name) ?? [])],
      })
  }
  const codes = new Map<string, () => Code>()
  const proofLines = createProofLines()
  const mostWorkings = Math.min(MOST_WORKINGS, MOST_STEPS - KEPT_FREE - asked.size)
  const columns: Around['ofColumn'][] = []
  const rows: Around['ofRows'][] = []
  const taking = {
    book,
    understood,
    toTheCent,
    naming,
    minor,
    cells,
    asked,
    proofLines,
    tables: asSheets ? createTables(naming) : undefined,
    workings: [] as CalculatorStep[],
    taken: [] as TakenCell[],
    leftOut: new Map<string, LeftOutCell>(),
    /** How many more lines of its own the draft has room for. */
    room: () => mostWorkings - taking.workings.length,
    /** The loans that blocks are ledgers of, and what unrounded ones rest on, each by its own name. */
    loans: [] as StepOf<'loan'>[],
    abouts: new Map<string, About>(),
    /** How a cell stands in formulas once it is taken over. */
    setCode: (name: string, code: () => Code) => codes.set(name, code),
    hasCode: (name: string) => codes.has(name),
    /** Whether nothing has become of a formula cell so far. */
    isOpen: (name: string) => understood.formulas.has(name) && !codes.has(name) && !taking.leftOut.has(name),
    /** Says what ranges of cells come to as a whole, and row by row. */
    addColumns: (of: Around['ofColumn']) => columns.push(of),
    addRows: (of: Around['ofRows']) => rows.push(of),
    working,
    documentSoFar,
    codeOf,
    codeFor,
    leaveOut,
    takeLine,
    takeAsLine,
    ofColumn: firstKnown(columns),
    ofRows: firstKnown(rows),
  }
  return taking

  /** A line of its own for what has no name yet, while there is room. */
  function working(id: string, label: string, text: string): string {
    if (isName(text)) return text
    if (taking.room() < 1) return `(${text})`
    const known = taking.workings.find((step) => step.kind === 'working' && step.formula === text)
    if (known) return known.name
    const step = workingStep(id, naming(label, 'part'), number(text), '')
    taking.workings.push(step)
    return step.name
  }

  /** The questions and workings there are so far, as a document. */
  function documentSoFar(besides: readonly CalculatorStep[]): CalculatorDocument {
    const questions = [...asked.values()].map(({ question }) => question)
    return documentOf(understood.currency, [
      ...questions,
      ...taking.workings,
      ...(toTheCent?.loans ?? []),
      ...besides,
    ])
  }

  function codeOf(name: string): Code | undefined {
    const known = asked.get(name)?.code ?? codes.get(name)?.()
    if (known) return known
    if (understood.formulas.has(name)) throw new NotTaken(`it rests on ${name}, which is not taken over`)
    return undefined
  }

  /** A formula, or a part of one, written out. */
  function codeFor(of: Formula, besides: Pick<Around, 'instead' | 'nothing'> = {}): Code {
    const { ofColumn, ofRows } = taking
    return translate(of, { book, codeOf, short: (long) => long, ofColumn, ofRows, ...besides })
  }

  function leaveOut(name: string, why: string): void {
    const one = understood.formulas.get(name)
    if (one) taking.leftOut.set(name, { cell: one.cell, why })
  }

  /** A cell that has no line of its own is proven all the same: what rests on it has its formula in it. */
  function takeAsLine(name: string, one: FormulaCell, whyNot: string): void {
    try {
      if (!one.formula) throw new NotTaken(one.why)
      const code = codeFor(one.formula)
      if (code.gives !== 'number' || code.text.length > LONGEST_FORMULA) throw new NotTaken(whyNot)
      takeLine(name, one, () => code, proofLines.one(code.text, one.cell.value), whyNot)
    } catch (error) {
      if (!(error instanceof NotTaken)) throw error
      leaveOut(name, error.message)
    }
  }

  function takeLine(
    name: string,
    { cell, label, isResult }: FormulaCell,
    code: () => Code,
    proven: Proven | undefined,
    whyNot: string,
  ): void {
    if (!proven) return leaveOut(name, whyNot)
    codes.set(name, () => ({ ...code(), text: `(${code().text})`, isShort: false }))
    taking.taken.push({ cell, label, role: isResult ? 'result' : 'working', step: undefined, proven })
  }
}

/** The answer of the first that has one; more may be added later. */
const firstKnown =
  <Args extends readonly unknown[], Answer>(all: readonly ((...args: Args) => Answer | undefined)[]) =>
  (...args: Args): Answer | undefined => {
    for (const one of all) {
      const answer = one(...args)
      if (answer) return answer
    }
    return undefined
  }

export type Taking = ReturnType<typeof createTaking>

/** What became of each cell of a worksheet. */
export interface TakenOver
  extends
    Pick<Taking, 'workings' | 'taken' | 'loans' | 'abouts' | 'codeOf' | 'codeFor' | 'naming'>,
    Pick<Understood, 'formulas'> {
  readonly asked: readonly AskedStep[]
  readonly leftOut: readonly LeftOutCell[]
  /** Every figure of the file that is taken over, as a line of a proof. */
  readonly lines: Proof['expected']
  /** The rate sheets that tables became. */
  readonly sheets: readonly RateSheet[]
}

/** A cell's id as a step: "b7", or "s2b7" on the second sheet. */
export function stepId({ sheet, address }: Cell, { sheets }: Book): string {
  const at = sheets.findIndex(({ name }) => name === sheet)
  return `${at > 0 ? `s${at + 1}` : ''}${address.toLowerCase()}`
}
