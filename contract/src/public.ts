import { z } from 'zod'
import {
  mainLanguage,
  minor,
  type Evaluation,
  type LedgerRow,
  type Program,
  type Readout,
  type Value,
} from '@vivid/core'
import { AskedDay, Ordinal } from './bounds'
import type { FieldProblem } from './errors'
import { isReachable, wordedProgram, type LiveCalculator } from './visitor'
import {
  conventionsSaid,
  figuresFor,
  doubtSentence,
  keptLimits,
  MOST_BESIDE,
  noticesOf,
  problemWithPlace,
  readoutText,
  type Figures,
} from './wording'

/**
 * A request to work a calculator out. Each answer is checked against its question by the core, which says more
 * than a schema could; an unanswered question takes its default.
 */
export const EvaluateRequest = z.strictObject({
  answers: z.record(z.string(), z.unknown()),
  /** One of the calculator's languages; the main one where it is none of them. */
  language: z.string().max(20).optional(),
})
export type EvaluateRequest = z.infer<typeof EvaluateRequest>

/** Minor units, up to the largest amount a loan may have. */
const Amount = z.int().min(1).max(keptLimits.amount).transform(minor)
/** What a visitor kept beside a loan as it is. */
export const KeptWhatIf = z.strictObject({
  name: z.string().max(keptLimits.name),
  extra: Amount.optional(),
  yearlyExtra: Amount.optional(),
  lumpSum: z
    .strictObject({ amount: Amount, withPayment: z.int().min(0).max(keptLimits.withPayment) })
    .optional(),
  annualRate: z.string().regex(keptLimits.annualRate).optional(),
  payment: Amount.optional(),
})

/** A request about figures as a page showed them: of that edition, for the day it was served. */
export const ShownRequest = z.strictObject({
  answers: z.record(z.string(), z.unknown()),
  /** What was kept beside, by the readout it was tried in. */
  beside: z.record(z.string().max(80), z.array(KeptWhatIf).max(MOST_BESIDE)).default({}),
  language: z.string().max(20),
  edition: Ordinal,
  /** When the newest of the rates on the page took effect, "2026-11-25T09:00"; what began later was not on it. */
  ratesFrom: z
    .string()
    .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/)
    .optional(),
  /** ISO date */
  on: AskedDay,
})
export type ShownRequest = z.infer<typeof ShownRequest>

/** Figures handed over to the lender's people by a visitor who wants to be reached. */
export const HandOverRequest = z.strictObject({
  ...ShownRequest.shape,
  name: z.string().trim().min(1).max(120),
  reach: z
    .string()
    .trim()
    .min(3)
    .max(200)
    .refine(isReachable, 'an email address, like name@example.org, or a phone number'),
  message: z.string().trim().max(2000),
  consent: z.literal(true),
})
export type HandOverRequest = z.infer<typeof HandOverRequest>

export interface EvaluateResponse {
  readonly edition: number
  readonly currency: string
  readonly values: Readonly<Record<string, Value>>
  /** The same figures as the page shows, with its words; a schedule brings every payment. Minor units. */
  readonly readouts: readonly ReadoutSaid[]
  /** What the loans take for granted, each in a sentence. */
  readonly conventions: readonly string[]
  readonly problems: readonly FieldProblem[]
  /** What has to be said about an answer or a loan, and stops nothing: asked gently, or told. */
  readonly notices: readonly FieldProblem[]
}

/** A readout's figures with its words in one language. */
export type ReadoutSaid = WithoutPieces<Readout> & {
  readonly figure: string
  readonly sentence: string
  readonly payments?: readonly LedgerRow[]
}
type WithoutPieces<R> = R extends unknown ? Omit<R, 'sentence'> : never

export function evaluateResponse(
  { edition, content }: LiveCalculator,
  evaluation: Evaluation,
  language: string,
): EvaluateResponse {
  const program = wordedProgram(content)
  const figures = figuresFor(program, language)
  return {
    edition,
    currency: program.currency,
    values: valuesForVisitors(evaluation, program),
    readouts: evaluation.readouts.map((readout): ReadoutSaid => ({
      ...readout,
      ...readoutText(readout, figures, mainLanguage(program)),
      ...(readout.shows === 'schedule' ? { payments: paymentsOf(evaluation, readout.loan) } : {}),
    })),
    conventions: conventionsSaid(evaluation, program, figures),
    problems: fieldProblems(evaluation, program, language),
    notices: [...askedAgain(evaluation, figures), ...noticesOf(evaluation, program, figures)],
  }
}

/** Workings stay behind the page unless the author shows them. */
function valuesForVisitors({ values }: Evaluation, { steps }: Program): Evaluation['values'] {
  const behind = new Set(
    steps.flatMap(({ step }) => (step.kind === 'working' && !step.shown ? [step.id] : [])),
  )
  return Object.fromEntries(Object.entries(values).filter(([id]) => !behind.has(id)))
}

function paymentsOf({ ledgers }: Evaluation, loan: string): LedgerRow[] {
  const ledger = ledgers.get(loan)
  return ledger ? Array.from({ length: ledger.count }, (_, i) => ledger.at(ledger.firstNumber + i)) : []
}

/** Answers that look like a slip. */
const askedAgain = ({ doubts }: Evaluation, figures: Figures): FieldProblem[] =>
  doubts
    .filter(({ code }) => code === 'PERIOD_DOUBTED')
    .map((doubt) => ({
      code: doubt.code,
      field: `answers.${doubt.field}`,
      sentence: doubtSentence(doubt, figures),
    }))

function fieldProblems({ problems }: Evaluation, program: Program, language: string): FieldProblem[] {
  const figures = figuresFor(program, language)
  return problems.map((problem) => ({
    code: problem.code,
    field:
      problem.code === 'LOAN_REFUSED' || problem.code === 'STEP_STOPPED'
        ? problem.field
        : `answers.${problem.field}`,
    sentence: problemWithPlace(problem, program, figures),
  }))
}
