import { timesAYear } from '../../formula/unit'
import { factsOf } from '../../rates/frequency'
import type { CalculatorDocument } from '../document/document'
import { LARGEST_AMOUNT } from '../../money/minor'
import type { Question, QuestionOf } from '../document/questions'
import { createEvaluator } from '../evaluate/evaluate'
import type { Around } from '../evaluate/context'
import type { Answers, Program } from '../program/program'
import type { Evaluation, Problem, Value } from '../program/evaluated'

/** A figure whose parts, as they are shown, come to something else. Minor units. */
export interface PartsDiffer {
  readonly code: 'PARTS_DIFFER'
  /** The readout. */
  readonly field: string
  readonly whole: number
  readonly sum: number
}

/** Answers tried before a draft is sent: a sample visitor's, or those of the first with one question answered otherwise. */
export interface Trial {
  readonly sample: string
  readonly answers: Answers
  readonly changed: { readonly question: string; readonly answer: unknown } | undefined
}

export interface TrialFailure {
  readonly trial: Trial
  readonly failure: Problem | PartsDiffer
  /** Whether it keeps the draft from being sent; else visitors are told in a sentence. */
  readonly stops: boolean
}

/** More answers than this are not tried: a document of that many options tries each question's ends and first ones. */
const MOST_TRIALS = 2_000

/**
 * Every sample visitor, and on the first of them every option and both ends of every range, as it is for that visitor
 * where a formula narrows it (`asked`).
 */
export function trialsOf(
  { samples, steps }: CalculatorDocument,
  asked: (question: Question) => Question = (question) => question,
): Trial[] {
  const first = samples[0]
  const own = samples.map(({ name, answers }): Trial => ({ sample: name, answers, changed: undefined }))
  const varied = steps.flatMap((step) =>
    step.kind === 'question'
      ? answersToTry(asked(step)).map((answer): Trial => ({
          sample: first?.name ?? '',
          answers: { ...first?.answers, [step.id]: answer },
          changed: { question: step.id, answer },
        }))
      : [],
  )
  return [...own, ...varied].slice(0, MOST_TRIALS)
}

function answersToTry(question: Question): unknown[] {
  switch (question.asks) {
    case 'money':
    case 'percent':
    case 'number':
    case 'term':
    case 'share':
      return [question.least, question.most]
    case 'date':
      return [question.least, question.most].filter((end) => end !== null)
    case 'choice':
      return question.options.map(({ name }) => name)
    case 'frequency':
      return [...question.options]
    case 'yesNo':
      return [true, false]
    case 'loans':
      return listsToTry(question)
  }
}

/** The shortest and the longest list, of loans as large and as dear as they may be. */
function listsToTry({ fewestLoans, mostLoans, mostOwed, mostRate }: QuestionOf<'loans'>): unknown[] {
  // A fiftieth above a month's interest repays in a few years.
  const payment = Math.min(
    LARGEST_AMOUNT,
    Math.ceil((mostOwed * Number(mostRate)) / 1200 + mostOwed / 50) + 1,
  )
  const loan = { name: '', owed: mostOwed, rate: mostRate, payment }
  return [fewestLoans, mostLoans].map((count) => Array(count).fill(loan))
}

/** Works a draft out for all of these and names what fails, with the answers that do it; each failure once. */
export function* tryOut(
  document: CalculatorDocument,
  program: Program,
  around: Around,
): Generator<TrialFailure> {
  const evaluate = createEvaluator(program)
  const told = new Set<string>()
  const { narrowed } = evaluate(document.samples[0]?.answers ?? {}, around)
  for (const trial of trialsOf(document, (question) => narrowed.get(question.id) ?? question)) {
    const evaluation = evaluate(trial.answers, around)
    for (const failure of failuresOf(evaluation, trial, program)) {
      const key = `${failure.field} ${trial.changed?.question ?? trial.sample} ${JSON.stringify(failure)}`
      if (told.has(key)) continue
      told.add(key)
      yield { trial, failure, stops: isStopping(failure) }
    }
  }
}

function failuresOf(evaluation: Evaluation, { changed }: Trial, program: Program): (Problem | PartsDiffer)[] {
  const questions = new Set(program.steps.flatMap(({ step }) => (step.kind === 'question' ? [step.id] : [])))
  // That another answer does not go with this one is for the visitor to mend; the answer tried has to be taken.
  const problems = evaluation.problems.filter(
    ({ field }) => !questions.has(field) || changed === undefined || field === changed.question,
  )
  return [...problems, ...partsThatDiffer(evaluation)]
}

/** Readouts whose parts do not come to the whole as both are shown, or recur otherwise than it. */
export const partsThatDiffer = ({ readouts }: Pick<Evaluation, 'readouts'>): PartsDiffer[] =>
  readouts.flatMap((readout): PartsDiffer[] => {
    if (readout.shows !== 'figure' && readout.shows !== 'meter') return []
    const { id: field, parts } = readout
    const whole = readout.shows === 'figure' ? readout.value : readout.total
    if (whole.unit !== 'money' || parts.length === 0) return []
    const sum = parts.reduce((total, { value }) => total + ('money' in value ? value.money : 0), 0)
    const recursAlike = parts.every(({ value }) => timesAYearOf(value) === timesAYearOf(whole))
    return sum === whole.money && recursAlike
      ? []
      : [{ code: 'PARTS_DIFFER', field, whole: whole.money, sum }]
  })

/** How often a year an amount recurs; 0 for an amount once. */
function timesAYearOf(value: Value): number {
  if (value.unit !== 'money' || value.per === undefined) return 0
  return value.per === 'payment' ? factsOf(value.every ?? 'monthly').perYear : timesAYear[value.per]
}

/** Our own mistakes, settings that do not go together or do not exist, and figures unlike their parts: nobody should be shown those. */
function isStopping(failure: Problem | PartsDiffer): boolean {
  switch (failure.code) {
    case 'PARTS_DIFFER':
      return true
    case 'LOAN_REFUSED':
      return failure.refusal.code === 'TERMS_DO_NOT_MIX' || failure.refusal.code === 'OPTION_UNKNOWN'
    case 'STEP_STOPPED':
      return failure.stop.code === 'BROKEN'
    case 'ANSWER_UNKNOWN':
    case 'ANSWER_MISSING':
    case 'ANSWER_UNREADABLE':
    case 'ANSWER_BELOW_LEAST':
    case 'ANSWER_ABOVE_MOST':
    case 'ANSWER_NOT_AN_OPTION':
    case 'SHARE_ABOVE_WHOLE':
    case 'LOANS_TOO_FEW':
    case 'LOANS_TOO_MANY':
    case 'LOAN_NEVER_REPAID':
      return false
  }
}
