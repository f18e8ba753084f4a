import type { CalculatorStep, Evaluation } from '@vivid/core'
import { problemSentence, type Figures } from '@vivid/contract/wording'
import { readoutKind } from './readout-kinds'

export interface StepValue {
  readonly text: string
  /** What is wrong with the sample visitor's answer here, if anything. */
  readonly problem: string | undefined
  /** The value behind the point in full, where it was not rounded. */
  readonly exact: string | undefined
  /** The first and last payments of a schedule: "1, 25 December 2026, $1,968.47". */
  readonly ends: readonly string[]
}

/** What a step comes to for the sample visitor. */
export function stepValue(
  step: CalculatorStep,
  evaluation: Evaluation | undefined,
  figures: Figures,
): StepValue {
  const problem = evaluation?.problems.find(({ field }) => field === step.id)
  if (problem)
    return { text: 'does not fit', problem: problemSentence(problem, figures), exact: undefined, ends: [] }
  const value = evaluation?.values[step.id]
  const exact = value?.unit === 'money' ? value.exact : undefined
  const text = value ? said(value, figures) : textOfReadout(step, evaluation, figures)
  return { text, problem: undefined, exact, ends: endsOf(step, evaluation, figures) }
}

const said = (value: NonNullable<Evaluation['values'][string]>, figures: Figures): string =>
  value.unit === 'loans'
    ? `${value.loans.length === 1 ? '1 loan' : `${value.loans.length} loans`}, ${figures.moneyShort(value.loans.reduce((sum, { owed }) => sum + owed, 0))}`
    : value.unit === 'money' && value.per && value.per !== 'payment'
      ? `${figures.value(value)} ${figures.per(value.per)}`
      : figures.value(value)

function textOfReadout(step: CalculatorStep, evaluation: Evaluation | undefined, figures: Figures): string {
  if (evaluation?.hidden.has(step.id)) return 'not shown'
  const readout = evaluation?.readouts.find(({ id }) => id === step.id)
  if (!readout) return step.kind === 'section' ? '' : '–'
  return readoutKind(readout.shows).value(readout, figures)
}

/** A schedule's first and last payments, so that an author sees it is right at both ends. */
function endsOf(step: CalculatorStep, evaluation: Evaluation | undefined, figures: Figures): string[] {
  if (step.kind !== 'readout' || step.shows !== 'schedule') return []
  const ledger = evaluation?.ledgers.get(step.loan)
  if (!ledger) return []
  return [...new Set([ledger.firstNumber, ledger.lastNumber])].map((number) => {
    const { date, payment, principal, interest, closing } = ledger.at(number)
    const day = date ? `${figures.date(date)}: ` : ''
    return `${number}, ${day}${figures.money(payment)} = ${figures.money(principal)} + ${figures.money(interest)} interest, ${figures.money(closing)} left`
  })
}
