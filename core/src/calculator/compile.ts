import { minorDigitsOf } from '../money/currencies'
import { minor } from '../money/minor'
import { isProblem, readAnswer } from './answers'
import type { CalculatorDocument, CalculatorStep, Question } from './document'
import type { Program } from './program'

/** What keeps a document from going live, and where: a step (none for the document itself) and its field. */
export interface CompileProblem {
  readonly code:
    | 'ID_TAKEN'
    | 'NAME_TAKEN'
    | 'REFERENCE_UNKNOWN'
    | 'REFERENCE_OF_WRONG_KIND'
    | 'LEAST_ABOVE_MOST'
    | 'DEFAULT_OUT_OF_RANGE'
    | 'STEP_ZERO'
    | 'NO_QUESTION'
    | 'NO_READOUT'
  readonly step: string | undefined
  readonly field: string
}

export interface Compiled {
  /** The document as it stands. It can always be evaluated; it can go live only without problems. */
  readonly program: Program
  readonly problems: readonly CompileProblem[]
  /** For each step, the steps it takes values from. */
  readonly uses: ReadonlyMap<string, readonly string[]>
}

/** Checks a document's steps against each other and turns it into a program. */
export function compile(document: CalculatorDocument): Compiled {
  const { steps } = document
  const problems = [
    ...repeated(steps, 'id', 'ID_TAKEN'),
    ...repeated(steps, 'name', 'NAME_TAKEN'),
    ...steps.flatMap((step) => referenceProblems(step, steps)),
    ...steps.flatMap((step) => (step.kind === 'question' ? rangeProblems(step) : [])),
    ...(steps.some((step) => step.kind === 'question') ? [] : [missing('NO_QUESTION')]),
    ...(steps.some((step) => step.kind === 'readout') ? [] : [missing('NO_READOUT')]),
  ]
  const uses = new Map(steps.map((step) => [step.id, referencesOf(step).map(({ id }) => id)]))
  return { program: programOf(document), problems, uses }
}

function programOf({
  title,
  currency,
  locale,
  lender,
  introduction,
  disclosure,
  steps,
}: CalculatorDocument): Program {
  const minorDigits = minorDigitsOf[currency]
  return { version: 1, title, currency, minorDigits, locale, lender, introduction, disclosure, steps }
}

const missing = (code: 'NO_QUESTION' | 'NO_READOUT'): CompileProblem => ({
  code,
  step: undefined,
  field: 'steps',
})

function repeated(steps: readonly CalculatorStep[], field: 'id' | 'name', code: CompileProblem['code']) {
  const same = (a: CalculatorStep, b: CalculatorStep) => a[field].toLowerCase() === b[field].toLowerCase()
  return steps
    .filter((step, i) => steps.findIndex((other) => same(other, step)) !== i)
    .map((step): CompileProblem => ({ code, step: step.id, field }))
}

interface Reference {
  readonly field: string
  readonly id: string
  readonly fits: (step: CalculatorStep) => boolean
}

const asks =
  (...kinds: Question['asks'][]) =>
  (step: CalculatorStep) =>
    step.kind === 'question' && kinds.includes(step.asks)

function referencesOf(step: CalculatorStep): Reference[] {
  switch (step.kind) {
    case 'question':
      return step.asks === 'share' ? [{ field: 'of', id: step.of, fits: asks('money') }] : []
    case 'loan':
      return [
        { field: 'price', id: step.price, fits: asks('money') },
        { field: 'downPayment', id: step.downPayment, fits: asks('money', 'share') },
        { field: 'rate', id: step.rate, fits: asks('percent') },
        { field: 'term', id: step.term, fits: asks('term') },
        { field: 'frequency', id: step.frequency, fits: asks('frequency') },
      ]
    case 'readout':
      return [{ field: 'loan', id: step.loan, fits: (other) => other.kind === 'loan' }]
  }
}

function referenceProblems(step: CalculatorStep, steps: readonly CalculatorStep[]): CompileProblem[] {
  return referencesOf(step).flatMap(({ field, id, fits }): CompileProblem[] => {
    const target = steps.find((other) => other.id === id)
    if (!target) return [{ code: 'REFERENCE_UNKNOWN', step: step.id, field }]
    return fits(target) ? [] : [{ code: 'REFERENCE_OF_WRONG_KIND', step: step.id, field }]
  })
}

/** A whole to try shares on, large enough that rounding to its minor unit does not matter. */
const TRIAL_WHOLE = minor(1_000_000_000)

function rangeProblems(question: Question): CompileProblem[] {
  const problem = (code: CompileProblem['code'], field: string): CompileProblem => ({
    code,
    step: question.id,
    field,
  })
  if (question.asks === 'frequency') {
    const offered = question.default === null || question.options.includes(question.default)
    return offered ? [] : [problem('DEFAULT_OUT_OF_RANGE', 'default')]
  }
  const problems = isEmptyStep(question) ? [problem('STEP_ZERO', 'step')] : []
  const empty = { ...question, default: null } as Question
  // An amount and a percentage can be compared only once the whole is known: such a range is checked as answered.
  if (question.asks === 'share' && mixesUnits(question.least, question.most)) return problems
  if (isProblem(readAnswer(empty, question.least, TRIAL_WHOLE)))
    return [...problems, problem('LEAST_ABOVE_MOST', 'least')]
  if (question.default === null) return problems
  if (question.asks === 'share' && mixesUnits(question.least, question.default)) return problems
  if (isProblem(readAnswer(empty, question.default, TRIAL_WHOLE)))
    problems.push(problem('DEFAULT_OUT_OF_RANGE', 'default'))
  return problems
}

const mixesUnits = (a: object, b: object) => Object.keys(a)[0] !== Object.keys(b)[0]

function isEmptyStep(question: Exclude<Question, { asks: 'frequency' }>): boolean {
  switch (question.asks) {
    case 'money':
      return question.step === 0
    case 'percent':
      return Number(question.step) === 0
    case 'share':
      return Number(Object.values(question.step)[0]) === 0
    case 'term':
      return question.step.years === 0 && question.step.months === 0
  }
}
