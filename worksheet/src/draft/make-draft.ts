import { minorDigitsOf, type CalculatorDocument, type CalculatorStep, type Proof } from '@vivid/core'
import { nameOfCell, type Book, type Cell, type CellValue } from '../book/book'
import { NotTaken, type CellRange } from '../formula/parse-formula'
import { number, type Code } from '../translate/code'
import { translate } from '../translate/translate'
import { cellsOfBlock, type Block } from '../understand/blocks'
import type { AskedCell, FormulaCell, Understood } from '../understand/understand'
import { createNaming } from './names'
import { LANGUAGE, questionFor, type CellQuestion } from './questions'
import { recogniseSchedule, type Candidate, type Schedule } from './schedule'

export type Role = 'result' | 'working'

/** A formula cell that became a line of the document, or a line of its proofs: a row of a schedule has no line of its own. */
export type TakenCell = {
  readonly cell: Cell
  readonly role: Role
} & ({ readonly step: string } | { readonly proof: number; readonly line: number })
/** One that did not, and why. */
export interface LeftOutCell {
  readonly cell: Cell
  readonly why: string
}
export interface AskedStep extends CellQuestion {
  readonly cell: Cell
  readonly unit: AskedCell['unit']
}

/** A draft made from a worksheet, and which line is of which cell. */
export interface Draft {
  readonly document: CalculatorDocument
  readonly asked: readonly AskedStep[]
  readonly taken: readonly TakenCell[]
  readonly leftOut: readonly LeftOutCell[]
}

/** A document has 200 lines; readouts need some. */
const MOST_WORKINGS = 150
const MOST_READOUTS = 24
const MOST_IN_PROOF = 40
const MOST_PROVEN = 200 * MOST_IN_PROOF
const LONGEST_FORMULA = 2_000
const LONGEST_NOTE = 900

/** Makes a calculator of a worksheet that was understood, as its arithmetic stands: each formula a working. */
export function makeDraft(book: Book, understood: Understood, title: string): Draft {
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
  const document = documentOf()
  return { document, asked: [...asked.values()], taken, leftOut: [...leftOut.values()] }

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
      taken.push({ cell: one.cell, step: id, role: one.isResult ? 'result' : 'working' })
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

  /** A block is taken over where it is a schedule of figures that are taken over; else each of its cells is left out. */
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
            candidates: candidates(),
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

  /** Every figure that is taken over, for schedules to rest on. */
  function candidates(): Candidate[] {
    const figureOf = (name: string, code: Code): Candidate[] => {
      const value = numberIn(cellNamed.get(name))
      return value === undefined || code.gives !== 'number' ? [] : [{ value, code }]
    }
    return [
      ...[...asked].flatMap(([name, { code }]) => figureOf(name, code)),
      ...[...codes].flatMap(([name, code]) => (inBlocks.has(name) ? [] : figureOf(name, code))),
    ]
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

  function documentOf(): CalculatorDocument {
    const nameOfStep = new Map(workings.map((step) => [step.id, step.name]))
    const results = taken
      .flatMap((one) => ('step' in one && one.role === 'result' ? [one] : []))
      .slice(0, MOST_READOUTS)
    return {
      version: 2,
      title: { [LANGUAGE]: title.slice(0, 200) || 'From a worksheet' },
      currency: understood.currency,
      languages: [LANGUAGE],
      lender: 'Lender',
      results: 'live',
      introduction: {},
      disclosure: {},
      steps: [
        ...[...asked.values()].map(({ question }) => question),
        ...workings,
        ...results.flatMap(({ cell, step }, i) => {
          const label = understood.formulas.get(nameOfCell(cell))?.label ?? cell.address
          const name = nameOfStep.get(step) ?? ''
          const gives = codes.get(nameOfCell(cell))?.gives ?? 'number'
          return gives === 'number' ? [readout(`${step}Shown`, label, shownAs(name, cell), i === 0)] : []
        }),
        ...schedules.flatMap(({ schedule: { loan } }) => (loan ? [scheduleReadout(loan.id)] : [])),
      ],
      samples: [{ id: 'sample', name: 'the worksheet as it is', answers: {} }],
      proofs: proofs(),
    }
  }

  /** Every value of the file a line of a proof; one has room for so many lines. */
  function proofs(): Proof[] {
    const answers = Object.fromEntries(
      [...asked.values()].map(({ question }) => [question.id, question.default]),
    ) as Proof['answers']
    const count = Math.ceil(lines.length / MOST_IN_PROOF)
    return Array.from({ length: count }, (_, i) => ({
      id: `file${i + 1}`,
      name: count === 1 ? 'the file as it is' : `the file as it is, ${i + 1} of ${count}`,
      answers,
      on: '2026-11-25',
      expected: lines.slice(i * MOST_IN_PROOF, (i + 1) * MOST_IN_PROOF),
    }))
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
}

const NO_SCHEDULE =
  'it is one of many rows that carry on from each other, and none of the figures taken over gives them'
const NO_COLUMN = 'it is a column of a schedule that is neither paid, nor interest, nor principal, nor owed'

const numberIn = (cell: Cell | undefined): number | undefined =>
  typeof cell?.value === 'number' ? cell.value : undefined

const scheduleReadout = (loan: string): CalculatorStep => ({
  kind: 'readout',
  id: `${loan}Shown`,
  name: `${loan} shown`,
  label: { [LANGUAGE]: 'Schedule' },
  help: {},
  shownWhen: '',
  shows: 'schedule',
  loan,
  by: 'payment',
  columns: ['date', 'payment', 'interest', 'principal', 'balance'],
})

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

/** A plain figure in the unit its cell is shown in. */
function shownAs(name: string, { format }: Cell): string {
  if (format.includes('%')) return `as percent(${name})`
  return /[$£€¥₹₪]|#,##0|0\.00/.test(format) ? `as money(${name})` : name
}

const readout = (id: string, label: string, value: string, headline: boolean): CalculatorStep => ({
  kind: 'readout',
  id,
  name: `${label.slice(0, 60)} shown`,
  label: { [LANGUAGE]: label.slice(0, 200) },
  help: {},
  shownWhen: '',
  shows: 'figure',
  value,
  headline,
  parts: [],
  sentence: {},
})

/** A figure in the digits a proof has, and how far it may differ: a billionth of it. */
function figureIn(value: CellValue | undefined): { figure: string; tolerance: string } | undefined {
  if (typeof value !== 'number' || Math.abs(value) >= 1e15) return undefined
  return { figure: value.toFixed(9), tolerance: Math.max(2e-9, Math.abs(value) * 1e-9).toFixed(9) }
}

/** Formula cells with what they use before them, without going deep; what never comes goes in a circle. */
function orderOf(formulas: Understood['formulas']): { order: string[]; inCircles: string[] } {
  const waitsFor = new Map<string, number>()
  const usedBy = new Map<string, string[]>()
  for (const [name, { uses }] of formulas) {
    const own = uses.filter((one) => formulas.has(one))
    waitsFor.set(name, own.length)
    for (const one of own) usedBy.set(one, [...(usedBy.get(one) ?? []), name])
  }
  const order = [...waitsFor].filter(([, count]) => count === 0).map(([name]) => name)
  for (let i = 0; i < order.length; i++)
    for (const next of usedBy.get(order[i] ?? '') ?? []) {
      const left = (waitsFor.get(next) ?? 0) - 1
      waitsFor.set(next, left)
      if (left === 0) order.push(next)
    }
  const ready = new Set(order)
  return { order, inCircles: [...formulas.keys()].filter((name) => !ready.has(name)) }
}
