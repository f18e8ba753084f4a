import type { CalculatorDocument, CalculatorStep, Proof } from '@vivid/core'
import { isPercentFormat, nameOfCell, type Book, type Cell } from '../book/book'
import type { Understood } from '../understand/understand'
import { LANGUAGE } from '../take/questions'
import { keyOf } from '../recover/nodes'
import { NO_LOANS, recoverLoans, type Recovered, type RecoveredLoan } from '../recover/recover-loans'
import { DAY } from '../take/ask'
import { documentOf } from '../take/steps'
import type { Draft } from './draft'
import { sayingDifferences } from './to-the-cent'
import { inProofs } from '../take/proof-lines'
import { takeOver } from '../take/take-over'
import type { TakenOver, ToTheCent } from '../take/taking'

const MOST_READOUTS = 24
const MOST_SCHEDULES = 6

/** `worksheet`: each figure as the worksheet has it; `ledger`: figures of loans to the cent, as a lender's ledger has them. */
export type Way = 'worksheet' | 'ledger'

/** How a draft is made. */
export interface HowMade {
  readonly way?: Way
  /** Whether tables that are looked up in become rate sheets of their own; otherwise they are part of the formulas. */
  readonly asSheets?: boolean
}

/** Makes a calculator of a worksheet that was understood. */
export function makeDraft(
  book: Book,
  understood: Understood,
  title: string,
  { way = 'worksheet', asSheets = false }: HowMade = {},
): Draft {
  const plain = takeOver(book, understood, { asSheets })
  const recovered = recoverLoans(plain, draftOf(plain, NO_LOANS, understood, title).document)
  if (way === 'worksheet') return draftOf(plain, recovered, understood, title)
  const { loans, ofBlocks } = recovered
  const toTheCent: ToTheCent = {
    loans: loans.map(({ step }) => step),
    instead: (cell, part) =>
      loans.map(({ parts }) => parts.get(cell)?.get(keyOf(part))).find((text) => text !== undefined),
    loanOf: (schedule) => ofBlocks.get(schedule),
  }
  const taken = takeOver(book, understood, { toTheCent, asSheets })
  return sayingDifferences(draftOf(taken, recovered, understood, title))
}

function draftOf(takenOver: TakenOver, recovered: Recovered, understood: Understood, title: string): Draft {
  const { asked, taken, leftOut, loans, sheets } = takenOver
  const newLoans = recovered.loans.filter(({ step }) => loans.every(({ id }) => id !== step.id))
  // In the order of the file: formulas in which they are found first.
  const places = new Map([...understood.formulas.keys()].map((name, i) => [name, i]))
  const placeOf = (cell: Cell) => places.get(nameOfCell(cell)) ?? 0
  const results = taken
    .flatMap((one) =>
      one.step !== undefined && one.role === 'result' && one.gives === 'number' ? [one] : [],
    )
    .sort((a, b) => placeOf(a.cell) - placeOf(b.cell))
    .slice(0, MOST_READOUTS)
  // What is paid is what visitors look for first.
  const headline = results.find(({ cell }) => /\bPMT\(/i.test(cell.formula ?? '')) ?? results[0]
  const labelOf = (cell: Cell) => understood.formulas.get(nameOfCell(cell))?.label ?? cell.address
  const ofBlocks = new Set(recovered.ofBlocks.values())
  const ledgers = [...loans, ...newLoans.flatMap(({ step }) => (ofBlocks.has(step.name) ? [step] : []))]
  const shown = ledgers.length > 0 ? ledgers : newLoans.slice(0, 1).map(({ step }) => step)
  const document: CalculatorDocument = {
    ...documentOf(understood.currency, [
      ...asked.map(({ question }) => question),
      ...withLoans(takenOver, newLoans),
      ...results.map(({ cell, step, name }) =>
        readout(`${step}Shown`, labelOf(cell), shownAs(name, cell), step === headline?.step),
      ),
      ...shown.slice(0, MOST_SCHEDULES).map(({ id }) => scheduleReadout(id)),
    ]),
    title: { [LANGUAGE]: title.slice(0, 200) || 'From a worksheet' },
    proofs: proofsOf(takenOver),
  }
  return { document, asked, taken, leftOut, sheets }
}

/** The workings, and each loan behind what its terms rest on. */
function withLoans({ workings, taken }: TakenOver, loans: readonly RecoveredLoan[]): CalculatorStep[] {
  const stepOf = new Map(
    taken.flatMap((one) => (one.step !== undefined ? [[nameOfCell(one.cell), one.step]] : [])),
  )
  const steps = [...workings]
  for (const { step, restsOn } of loans) {
    const behind = new Set(
      [...restsOn].flatMap((cell) => stepOf.get(cell) ?? []).concat(loans.map((loan) => loan.step.id)),
    )
    const last = steps.reduce((at, { id }, i) => (behind.has(id) ? i : at), -1)
    steps.splice(last + 1, 0, step)
  }
  return steps
}

/** Every figure of the file a line of a proof, with the file's own answers. */
function proofsOf({ asked, lines }: TakenOver): Proof[] {
  const answers = Object.fromEntries(
    asked.map(({ question }) => [question.id, question.default]),
  ) as Proof['answers']
  return inProofs(lines).map((expected, i, { length }) => ({
    id: `file${i + 1}`,
    name: length === 1 ? 'the file as it is' : `the file as it is, ${i + 1} of ${length}`,
    answers,
    on: DAY,
    expected,
  }))
}

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

/** A plain figure in the unit its cell is shown in. */
function shownAs(name: string, { format }: Cell): string {
  if (isPercentFormat(format)) return `as percent(${name})`
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
