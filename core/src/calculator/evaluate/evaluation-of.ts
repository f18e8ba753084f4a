import { isFigureSet, isLoanRun } from '../../formula/evaluate-expression'
import type { LoanRun } from '../../formula/computed'
import type { Ledger } from '../../loan/ledger'
import type { LoanTerms } from '../../loan/loan-terms'
import { refinanced, refinancedFigure } from '../document/loan-reference'
import type { CalculatorStep } from '../document/steps'
import type { Question } from '../document/questions'
import type { Answers, Program } from '../program/program'
import type { Doubt, Evaluation, Problem, Readout, Value } from '../program/evaluated'
import type { State } from './state'

/** What the steps came to, in the order of the page. */
export function evaluationOf(
  program: Program,
  answers: Answers,
  states: ReadonlyMap<string, State>,
): Evaluation {
  const values: Record<string, Value> = {}
  const readouts: Readout[] = []
  const problems: Problem[] = []
  const doubts: Doubt[] = []
  const hidden = new Set<string>()
  const narrowed = new Map<string, Question>()
  const ledgers = new Map<string, Ledger>()
  const terms = new Map<string, LoanTerms>()
  const questions = new Set<string>()
  for (const { step } of program.steps) {
    if (step.kind === 'question') questions.add(step.id)
    const state = states.get(step.id)
    if (!state) continue
    if (state.value) values[step.id] = state.value
    if (state.readout) readouts.push(state.readout)
    if (state.problem) problems.push(state.problem)
    if (state.doubts) doubts.push(...state.doubts)
    if (state.hidden) hidden.add(step.id)
    if (state.asked) narrowed.set(step.id, state.asked)
    for (const [loan, run] of loansOf(step, state)) {
      if (run.ledger) ledgers.set(loan, run.ledger)
      if (run.terms) terms.set(loan, run.terms)
    }
  }
  const isQuestion = ({ field }: Problem) => questions.has(field)
  return {
    values,
    readouts,
    // Of the questions first, so that the first is the first on the page; what follows from them after.
    problems: [
      ...problems.filter(isQuestion),
      ...problems.filter((problem) => !isQuestion(problem)),
      ...Object.keys(answers)
        .filter((id) => !questions.has(id))
        .map((field): Problem => ({ code: 'ANSWER_UNKNOWN', field })),
    ],
    doubts,
    hidden,
    narrowed,
    ledgers,
    terms,
  }
}

/** The loans of a step, as others name them. */
function loansOf({ id, kind }: CalculatorStep, { computed }: State): (readonly [string, LoanRun])[] {
  if (isLoanRun(computed)) return [[id, computed]]
  if (kind !== 'refinance' || !isFigureSet(computed)) return []
  return refinanced.flatMap((which) => {
    const run = computed.figures[refinancedFigure(which)]
    return isLoanRun(run) ? [[`${id}.${which}`, run] as const] : []
  })
}
