import { minorDigitsOf, type CalculatorDocument, type CalculatorStep, type Proof } from '@vivid/core'
import { nameOfCell, type Book, type Cell, type CellValue } from '../book/book'
import { NotTaken } from '../formula/parse-formula'
import type { Code } from '../translate/code'
import { translate } from '../translate/translate'
import type { AskedCell, FormulaCell, Understood } from '../understand/understand'
import { createNaming } from './names'
import { LANGUAGE, questionFor, type CellQuestion } from './questions'

export type Role = 'result' | 'working'

/** A formula cell that became a line. */
export interface TakenCell {
  readonly cell: Cell
  readonly step: string
  readonly role: Role
}
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
const LONGEST_FORMULA = 2_000
const LONGEST_NOTE = 900

/** Makes a calculator of a worksheet that was understood, as its arithmetic stands: each formula a working. */
export function makeDraft(book: Book, understood: Understood, title: string): Draft {
  const naming = createNaming()
  const minor = 10 ** minorDigitsOf[understood.currency]
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
  for (const name of order) {
    const one = understood.formulas.get(name)
    if (one) take(name, one)
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
      const code = translate(one.formula, { book, understood, codeOf, short })
      if ([code.text, ...parts.map(formulaOf)].some((text) => text.length > LONGEST_FORMULA))
        throw new NotTaken('written out it is longer than a formula may be')
      if (workings.length + parts.length + 1 > MOST_WORKINGS)
        throw new NotTaken(`a calculator has room for ${MOST_WORKINGS} workings`)
      const step = working(
        id,
        naming(one.label, one.cell.address),
        code,
        `${name}: =${one.cell.formula ?? ''}`,
      )
      workings.push(...parts, step)
      codes.set(name, { ...code, text: step.name, isShort: true })
      taken.push({ cell: one.cell, step: id, role: one.isResult ? 'result' : 'working' })
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

  function documentOf(): CalculatorDocument {
    const nameOfStep = new Map(workings.map((step) => [step.id, step.name]))
    const results = taken.filter(({ role }) => role === 'result').slice(0, MOST_READOUTS)
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
      ],
      samples: [{ id: 'sample', name: 'the worksheet as it is', answers: {} }],
      proofs: proofs(nameOfStep),
    }
  }

  /** Every value of the file a line of a proof; one has room for so many lines. */
  function proofs(nameOfStep: ReadonlyMap<string, string>): Proof[] {
    const lines = taken.flatMap(({ cell, step }) => {
      const figure = figureIn(cell.value)
      const of = nameOfStep.get(step)
      return figure === undefined || of === undefined ? [] : [{ of, ...figure }]
    })
    const answers = Object.fromEntries(
      [...asked.values()].map(({ question }) => [question.id, question.default]),
    )
    const count = Math.ceil(lines.length / MOST_IN_PROOF)
    return Array.from({ length: count }, (_, i) => ({
      id: `file${i + 1}`,
      name: count === 1 ? 'the file as it is' : `the file as it is, ${i + 1} of ${count}`,
      answers: answers as Proof['answers'],
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
