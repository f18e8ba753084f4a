import {
  evaluateResponse,
  type DrawnPage,
  type EvaluateResponse,
  type FileKind,
  type SheetImpactSaid,
} from '@vivid/contract'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { evaluate, type Program } from '@vivid/core'
import type { DraftAsked } from './authoring/calculators/draft-asked'
import { type CardMeter, cardMeterOf } from './authoring/calculators/card-meter'
import { checkedProgram } from './authoring/calculators/checked-program'
import { handOverOf, type HandOverInput } from './visitors/hand-overs/hand-over-of'
import type { HandOverBody } from './visitors/hand-overs/hand-overs-store'
import { drawn, type DrawInput } from './visitors/pages/drawing'
import { shownFigures, type ShownFigures, type ShownInput } from './visitors/figures/shown-figures'
import { languageFor } from './visitors/figures/language-for'
import { readArchive, type OpenedArchive } from './desk/archive/read-archive'
import { presetsRefused, type PresetsAsked, type RefusedPreset } from './desk/placements/presets-refused'
import { impactOf, type ImpactAsked } from './authoring/rate-sheets/impact'
import { AppError } from './platform/http/app-error'
import type { EvaluateInput } from './visitors/figures/evaluate-input'
import type { Problems } from './platform/threads/broken-steps'
import type { Work as WorkOf } from './platform/threads/pool'
import type { Done, TaskRules } from './platform/threads/task'

const done = <Result>(result: Result, ...of: readonly { readonly problems: Problems }[]): Done<Result> => ({
  result,
  broken: of.flatMap(({ problems }) =>
    problems.filter((problem) => problem.code === 'STEP_STOPPED' && problem.stop.code === 'BROKEN'),
  ),
})

/** Read when the first file of a kind is asked for: they are large. */
const makers: Readonly<Record<FileKind, () => Promise<(shown: ShownFigures) => Promise<Buffer>>>> = {
  pdf: async () => (await import('./visitors/files/results-pdf')).resultsPdf,
  xlsx: async () => (await import('./visitors/files/schedule-workbook')).scheduleWorkbook,
  calendar: async () => (await import('./visitors/files/payments-calendar')).paymentsCalendar,
  fewDates: async () => (await import('./visitors/files/payments-calendar')).fewDatesCalendar,
}
// Before the first task, whose time is limited.
await fetchAllLanguages()

/** Bytes of an archive that is read for somebody at the desk. */
const MOST_UNPACKED = 512 * 2 ** 20

/**
 * All that takes as long as somebody's document or answers make it take. Each is a function of plain data, run in a thread
 * of its own (`platform/threads`): nobody else waits for it.
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
    const { program } = calculator.content
    const evaluation = evaluate(program, answers, { today, sheets })
    return done(evaluateResponse(calculator, evaluation, languageFor(program, language)), evaluation)
  },

  /** A live page as it begins. */
  draw: async (input: DrawInput): Promise<Done<DrawnPage>> => done(await drawn(input)),

  async file({ kind, input }: { kind: FileKind; input: ShownInput }): Promise<Done<Uint8Array>> {
    const shown = shownFigures(input)
    if (kind !== 'pdf' && !shown.ledger)
      throw new AppError('NOTHING_BORROWED', { details: { calculator: input.calculator.slug } })
    const make = await makers[kind]()
    return done(await make(shown), shown.evaluation)
  },

  async handOver(input: HandOverInput): Promise<Done<HandOverBody>> {
    const shown = shownFigures(input)
    return done(handOverOf(shown, input.answers, input.person), shown.evaluation)
  },

  /** What a card of the list shows of a draft. */
  async card({ draft, ...around }: DraftAsked): Promise<Done<CardMeter | null>> {
    const told: { readonly problems: Problems }[] = []
    return done(
      cardMeterOf(draft, around, (evaluation) => void told.push(evaluation)),
      ...told,
    )
  },

  /** The program of a draft that is fit to go live; refused where it is not. */
  check: async (asked: DraftAsked): Promise<Done<Program>> => done(checkedProgram(asked)),

  /** What a changed rate sheet does to what is live. */
  async impact(asked: ImpactAsked): Promise<Done<SheetImpactSaid>> {
    return done(impactOf(asked))
  },
  /** An archive somebody sent. */
  archive: async ({ bytes }: { readonly bytes: Uint8Array }): Promise<Done<OpenedArchive>> =>
    done(readArchive(bytes, MOST_UNPACKED)),
  /** Of each placement: the answers its calculator does not take. */
  presets: async ({ placed, ...around }: PresetsAsked): Promise<Done<RefusedPreset[][]>> =>
    done(placed.map((one) => presetsRefused(one, around))),
}

export const taskRules: TaskRules<typeof tasks> = {
  evaluate: { seconds: 5, awaitedBy: 'visitors' },
  // Nobody waits for its end, and the first one of a thread reads the page's scripts.
  draw: { seconds: 20, awaitedBy: 'visitors' },
  file: { seconds: 20, awaitedBy: 'visitors' },
  handOver: { seconds: 5, awaitedBy: 'visitors' },
  card: { seconds: 5, awaitedBy: 'desk' },
  check: { seconds: 30, awaitedBy: 'desk' },
  impact: { seconds: 30, awaitedBy: 'desk' },
  presets: { seconds: 10, awaitedBy: 'desk' },
  archive: { seconds: 60, awaitedBy: 'desk' },
}

export type Work = WorkOf<typeof tasks>
