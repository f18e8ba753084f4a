import { dequal as equal } from 'dequal/lite'
import { renameStep, type CalculatorDocument, type CalculatorStep, type Question } from '@vivid/core'
import { isAllowed } from '../take/questions'

/** What is another in a later version of a worksheet than a draft has it from an earlier one. */
export interface WorksheetChange {
  /** The step's id, which is its cell's. */
  readonly id: string
  readonly what: 'value' | 'formula' | 'table' | 'added' | 'gone'
  readonly name: string
  /** As the worksheet had it, and has it now; empty where there is nothing. */
  readonly before: string
  readonly after: string
}

/** Steps that are cells, and the parts a long formula of one was taken into. */
const OF_CELL = /^(s\d+)?[a-z]{1,3}\d+$/
const PART = /(Part|LookUp)\d+$/

/** Says an answer as people write it. */
export type SayAnswer = (question: Question, answer: unknown) => string

/** What changed in a worksheet since a draft was made of it; what the author has changed in the draft since is no change of it. */
export function changesAgain(
  draft: CalculatorDocument,
  read: CalculatorDocument,
  say: SayAnswer,
): WorksheetChange[] {
  const [old, now] = [valuesIn(draft), valuesIn(read)]
  const known = new Map(draft.steps.map((step) => [step.id, step]))
  const there = new Map(read.steps.map((step) => [step.id, step]))
  const changes = read.steps.flatMap((step): WorksheetChange[] => {
    if (!OF_CELL.test(step.id)) return []
    const own = known.get(step.id)
    const { id, name } = step
    const after = saidOf(step, now, say)
    if (!own) return [{ id, what: 'added', name, before: '', after }]
    if (equal(heldBy(own, old), heldBy(step, now)))
      return sheetsOf(draft, id) === sheetsOf(read, id)
        ? []
        : [{ id, what: 'table', name: own.name, before: '', after }]
    const what = step.kind === 'question' ? 'value' : 'formula'
    return [{ id, what, name: own.name, before: saidOf(own, old, say), after }]
  })
  const gone = draft.steps.flatMap((step): WorksheetChange[] => {
    const isFromFile = OF_CELL.test(step.id) && (old.has(step.id) || formulaOf(step) !== undefined)
    if (!isFromFile || there.has(step.id)) return []
    return [{ id: step.id, what: 'gone', name: step.name, before: saidOf(step, old, say), after: '' }]
  })
  return [...changes, ...gone]
}

/** The draft with those changes taken over, and the proofs of the worksheet as it is now. */
export function takenOverAgain(
  draft: CalculatorDocument,
  read: CalculatorDocument,
  accepted: ReadonlySet<string>,
): CalculatorDocument {
  // The draft's own names stay: an author may have given better ones.
  const named = draft.steps.reduce(
    (document, { id, name }) =>
      document.steps.some((step) => step.id === id) ? renameStep(document, id, name) : document,
    read,
  )
  const there = new Map(named.steps.map((step) => [step.id, step]))
  const isAccepted = ({ id }: CalculatorStep) => accepted.has(id.replace(PART, ''))
  const isGone = (step: CalculatorStep) =>
    !there.has(step.id) && (isAccepted(step) || isShownOf(step, accepted))
  const steps = draft.steps.flatMap((step): CalculatorStep[] => {
    const now = there.get(step.id)
    if (isGone(step)) return []
    return [now && isAccepted(step) ? withArithmetic(step, now) : step]
  })
  for (const [at, step] of named.steps.entries()) {
    const isThere = steps.some(({ id }) => id === step.id)
    const belongs = isAccepted(step) || isShownOf(step, accepted)
    if (isThere || !belongs) continue
    const before = named.steps
      .slice(0, at)
      .reverse()
      .find(({ id }) => steps.some((one) => one.id === id))
    steps.splice(before ? steps.findIndex(({ id }) => id === before.id) + 1 : 0, 0, step)
  }
  const own = draft.proofs.filter(({ id }) => !isFileProof(id))
  return { ...draft, steps, proofs: [...own, ...named.proofs] }
}

/** The rate sheets that the look-ups of a cell's formula ask: another table has another address. */
const sheetsOf = ({ steps }: CalculatorDocument, id: string): string =>
  steps
    .flatMap((step) => (step.kind === 'lookUp' && step.id.replace(PART, '') === id ? [step.sheet] : []))
    .join(' ')

const isFileProof = (id: string) => /^file\d+$/.test(id)
const isShownOf = ({ id, kind }: CalculatorStep, accepted: ReadonlySet<string>) =>
  kind === 'readout' && accepted.has(id.replace(/Shown$/, ''))

/** What a worksheet says of a step: a value that is typed, a formula. What an author says of it stays. */
function withArithmetic(step: CalculatorStep, now: CalculatorStep): CalculatorStep {
  if (step.kind === 'working' && now.kind === 'working')
    return { ...step, formula: now.formula, unit: now.unit, note: now.note }
  if (step.kind === 'question' && now.kind === 'question' && step.asks === now.asks)
    return askedAgain(step, now)
  return { ...now, name: step.name }
}

/** The author's question with the worksheet's value; where that is none of what they allow, with what the worksheet allows too. */
function askedAgain(step: Question, now: Question): Question {
  const next = { ...step, default: now.default } as Question
  if (next.asks === 'choice' && now.asks === 'choice') {
    const known = new Set(next.options.map(({ name }) => name))
    const isKnown = next.default === null || known.has(next.default)
    return isKnown
      ? next
      : { ...next, options: [...next.options, ...now.options.filter(({ name }) => !known.has(name))] }
  }
  if (isAllowed(next, now.default) || !('least' in now)) return next
  return { ...next, least: now.least, most: now.most } as Question
}

/** The values a worksheet had in the cells that are asked: the answers of its proof. */
const valuesIn = ({ proofs }: CalculatorDocument): ReadonlyMap<string, unknown> =>
  new Map(Object.entries(proofs.find(({ id }) => isFileProof(id))?.answers ?? {}))

/** The worksheet's own formula, which the note of a step begins with: "Loan!B7: =B4/12". */
const formulaOf = (step: CalculatorStep): string | undefined =>
  step.kind === 'working' ? /^[^\n]*![A-Z]{1,3}\d+: (=[^\n]*)/.exec(step.note)?.[1] : undefined

/** What the worksheet has in the cell of a step: a value, a formula. */
const heldBy = (step: CalculatorStep, values: ReadonlyMap<string, unknown>): unknown =>
  step.kind === 'question' ? values.get(step.id) : formulaOf(step)

function saidOf(step: CalculatorStep, values: ReadonlyMap<string, unknown>, say: SayAnswer): string {
  if (step.kind !== 'question') return formulaOf(step) ?? ''
  return values.has(step.id) ? say(step, values.get(step.id)) : ''
}
