import { z } from 'zod'
import type { Evaluation, LedgerRow, Program, Readout, Value } from '@vivid/core'
import type { FieldProblem } from './errors'
import type { LiveCalculator } from './visitor'
import { createFigures, problemWithPlace, readoutText } from './wording'

/**
 * A request to work a calculator out. Each answer is checked against its question by the core, which says more
 * than a schema could; an unanswered question takes its default.
 */
export const EvaluateRequest = z.strictObject({ answers: z.record(z.string(), z.unknown()) })
export type EvaluateRequest = z.infer<typeof EvaluateRequest>

export interface EvaluateResponse {
  readonly edition: number
  readonly currency: string
  readonly values: Readonly<Record<string, Value>>
  /** The same figures as the page shows, with its words; a schedule brings every payment. Minor units. */
  readonly readouts: readonly (Readout & { figure: string; sentence: string; payments?: LedgerRow[] })[]
  readonly problems: readonly FieldProblem[]
}

export function evaluateResponse(
  { edition, content: { program } }: LiveCalculator,
  evaluation: Evaluation,
): EvaluateResponse {
  const figures = createFigures(program.locale, program.currency)
  return {
    edition,
    currency: program.currency,
    values: evaluation.values,
    readouts: evaluation.readouts.map((readout) => ({
      ...readout,
      ...readoutText(readout, figures),
      ...(readout.shows === 'schedule' ? { payments: paymentsOf(evaluation, readout.loan) } : {}),
    })),
    problems: fieldProblems(evaluation, program),
  }
}

function paymentsOf({ ledgers }: Evaluation, loan: string): LedgerRow[] {
  const ledger = ledgers.get(loan)
  return ledger ? Array.from({ length: ledger.count }, (_, i) => ledger.at(i + 1)) : []
}

function fieldProblems({ problems }: Evaluation, program: Program): FieldProblem[] {
  const figures = createFigures(program.locale, program.currency)
  return problems.map((problem) => ({
    code: problem.code,
    field: problem.code === 'LOAN_REFUSED' ? problem.field : `answers.${problem.field}`,
    sentence: problemWithPlace(problem, program, figures),
  }))
}
