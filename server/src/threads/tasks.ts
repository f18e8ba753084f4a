import { evaluateResponse, type DrawnPage, type EvaluateResponse, type FileKind } from '@vivid/contract'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { evaluate, type Answers, type CalculatorDocument, type Moment, type RateSheet } from '@vivid/core'
import { type CardMeter, cardMeterOf } from '../calculators/card-meter'
import { checkedProgram } from '../editions/checked-program'
import { handOverOf, type HandOverPerson } from '../hand-overs/hand-over-of'
import type { HandOverBody } from '../hand-overs/hand-overs-store'
import { drawn, type DrawInput } from '../public/drawing'
import { shownFigures, type ShownFigures, type ShownInput } from '../public/shown-figures'
import { languageFor } from '../public/language-for'
import { presetsRefused, type RefusedPreset } from '../placements/presets-refused'
import { impactOf, type LiveDocument } from '../rate-sheets/impact'
import { AppError } from '../http/app-error'
import type { EvaluateInput } from './evaluate-input'
import type { Problems } from '../broken-steps'

/** What a task gives, and what of it was broken by our own doing, for the log. */
export interface Done<Result> {
  readonly result: Result
  readonly broken: Problems
}

interface Around {
  readonly today: Moment
  readonly sheets: readonly RateSheet[]
}

const done = <Result>(result: Result, ...of: readonly { readonly problems: Problems }[]): Done<Result> => ({
  result,
  broken: of.flatMap(({ problems }) =>
    problems.filter((problem) => problem.code === 'STEP_STOPPED' && problem.stop.code === 'BROKEN'),
  ),
})

/** Read when the first file of a kind is asked for: they are large. */
const makers: Readonly<Record<FileKind, () => Promise<(shown: ShownFigures) => Promise<Buffer>>>> = {
  pdf: async () => (await import('../public/files/results-pdf')).resultsPdf,
  xlsx: async () => (await import('../public/files/schedule-workbook')).scheduleWorkbook,
  calendar: async () => (await import('../public/files/payments-calendar')).paymentsCalendar,
  fewDates: async () => (await import('../public/files/payments-calendar')).fewDatesCalendar,
}
const ready = fetchAllLanguages()

/**
 * All that takes as long as somebody's document or answers make it take. Each is a function of plain data, run in a thread
 * of its own (`pool.ts`): nobody else waits for it.
 */
export const tasks = {
  /** A visitor's figures, for other channels. */
  async evaluate({
    calculator,
    sheets,
    answers,
    language,
    today,
  }: EvaluateInput): Promise<Done<EvaluateResponse>> {
    await ready
    const { program } = calculator.content
    const evaluation = evaluate(program, answers, { today, sheets })
    return done(evaluateResponse(calculator, evaluation, languageFor(program, language)), evaluation)
  },

  /** A live page as it begins. */
  draw: async (input: DrawInput): Promise<Done<DrawnPage>> => done(await drawn(input)),

  async file({ kind, input }: { kind: FileKind; input: ShownInput }): Promise<Done<Uint8Array>> {
    await ready
    const shown = shownFigures(input)
    if (kind !== 'pdf' && !shown.ledger)
      throw new AppError('NOTHING_BORROWED', { details: { calculator: input.calculator.slug } })
    const make = await makers[kind]()
    return done(await make(shown), shown.evaluation)
  },

  async handOver(input: ShownInput & { readonly person: HandOverPerson }): Promise<Done<HandOverBody>> {
    await ready
    const shown = shownFigures(input)
    return done(handOverOf(shown, input.answers, input.person), shown.evaluation)
  },

  /** What a card of the list shows of a draft. */
  async card({ draft, ...around }: Around & { draft: CalculatorDocument }): Promise<Done<CardMeter | null>> {
    await ready
    const told: { readonly problems: Problems }[] = []
    return done(
      cardMeterOf(draft, around, (evaluation) => void told.push(evaluation)),
      ...told,
    )
  },

  /** The program of a draft that is fit to go live; refused where it is not. */
  check: async ({ draft, ...around }: Around & { draft: CalculatorDocument }) =>
    done(checkedProgram(draft, around)),

  async impact(asked: {
    readonly sheet: RateSheet
    readonly inForce: readonly RateSheet[]
    readonly live: readonly LiveDocument[]
    readonly now: string
  }) {
    await ready
    return done(impactOf(asked.sheet, asked.inForce, asked.live, asked.now))
  },

  /** Of each placement: the answers its calculator does not take. */
  presets: async ({
    placed,
    ...around
  }: Around & { readonly placed: readonly Parameters<typeof presetsRefused>[0][] }): Promise<
    Done<RefusedPreset[][]>
  > => done(placed.map((one) => presetsRefused(one, around))),
} as const

export type Tasks = typeof tasks
export type TaskName = keyof Tasks
export type TaskInput<Name extends TaskName> = Parameters<Tasks[Name]>[0]
export type TaskResult<Name extends TaskName> = Awaited<ReturnType<Tasks[Name]>>['result']
export type { Answers }
