import {
  mainLanguage,
  compile,
  createEvaluator,
  textIn,
  type CalculatorDocument,
  type Moment,
  type Program,
  type RateSheet,
} from '@vivid/core'
import type { PlacementChoices } from '@vivid/contract'
import { readEdition } from '../../authoring/approval/edition-content'
import { PLAIN_LOCALE, readPresets } from '@vivid/contract/wording'

export interface RefusedPreset {
  /** The question's id, and what visitors read; the id where the calculator does not ask it. */
  readonly field: string
  readonly label: string
}

/** What visitors are asked: the live edition, or the draft where nothing is live. */
const programNow = (
  draft: CalculatorDocument,
  live: string | undefined,
  sheets: readonly RateSheet[],
): Program => (live === undefined ? compile(draft, sheets).program : readEdition(live).program)

/** What a placement begins with, and the program it is for: an edition's as it was frozen, or a draft. */
export interface Beginning {
  readonly answers: PlacementChoices['answers']
  readonly live: string | undefined
  readonly draft: CalculatorDocument
}

/** What several begin with, and what their figures follow from besides. */
export interface PresetsAsked {
  readonly placed: readonly Beginning[]
  readonly today: Moment
  readonly sheets: readonly RateSheet[]
}

/** The answers of a placement that its calculator does not take, or does not ask for. */
export function presetsRefused(
  { answers, live, draft }: Beginning,
  around: { readonly today: Moment; readonly sheets: readonly RateSheet[] },
): RefusedPreset[] {
  const program = programNow(draft, live, around.sheets)
  const main = mainLanguage(program)
  const labels = new Map(
    program.steps.flatMap(({ step }) =>
      step.kind === 'question' ? [[step.id, textIn(step.label, main, main) || step.id] as const] : [],
    ),
  )
  const evaluate = createEvaluator(program)
  const { refused } = readPresets(program, new Map(Object.entries(answers)), PLAIN_LOCALE, (tried) =>
    evaluate(tried, around),
  )
  const unasked = Object.keys(answers).filter((id) => !labels.has(id))
  return [...refused, ...unasked].map((field) => ({ field, label: labels.get(field) ?? field }))
}
