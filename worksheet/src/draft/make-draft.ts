import type { CalculatorDocument, CalculatorStep, Proof } from '@vivid/core'
import { nameOfCell, type Book, type Cell } from '../book/book'
import type { Understood } from '../understand/understand'
import { LANGUAGE } from './questions'
import { MOST_IN_PROOF, takeOver, type TakenOver } from './take-over'

/** A draft made from a worksheet, and what became of which cell. */
export interface Draft extends Pick<TakenOver, 'asked' | 'taken' | 'leftOut'> {
  readonly document: CalculatorDocument
}

const MOST_READOUTS = 24

/** Makes a calculator of a worksheet that was understood. */
export function makeDraft(book: Book, understood: Understood, title: string): Draft {
  const takenOver = takeOver(book, understood)
  const { asked, workings, taken, leftOut, loans } = takenOver
  const results = taken
    .flatMap((one) => ('step' in one && one.role === 'result' && one.gives === 'number' ? [one] : []))
    .slice(0, MOST_READOUTS)
  const labelOf = (cell: Cell) => understood.formulas.get(nameOfCell(cell))?.label ?? cell.address
  const document: CalculatorDocument = {
    version: 2,
    title: { [LANGUAGE]: title.slice(0, 200) || 'From a worksheet' },
    currency: understood.currency,
    languages: [LANGUAGE],
    lender: 'Lender',
    results: 'live',
    introduction: {},
    disclosure: {},
    steps: [
      ...asked.map(({ question }) => question),
      ...workings,
      ...results.map(({ cell, step, name }, i) =>
        readout(`${step}Shown`, labelOf(cell), shownAs(name, cell), i === 0),
      ),
      ...loans.map(({ id }) => scheduleReadout(id)),
    ],
    samples: [{ id: 'sample', name: 'the worksheet as it is', answers: {} }],
    proofs: proofsOf(takenOver),
  }
  return { document, asked, taken, leftOut }
}

/** Every figure of the file a line of a proof, with the file's own answers. */
function proofsOf({ asked, lines }: TakenOver): Proof[] {
  const answers = Object.fromEntries(
    asked.map(({ question }) => [question.id, question.default]),
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
