import { compile, createEvaluator, textIn, type Moment, type Program, type RateSheet } from '@vivid/core'
import type { EditionContent, PlacementChoices } from '@vivid/contract'
import { PLAIN_LOCALE, readPresets } from '@vivid/contract/wording'
import type { CalculatorData } from '../calculators/calculators-store'
import type { EditionData } from '../editions/editions-store'

export interface RefusedPreset {
  /** The question's id, and what visitors read; the id where the calculator does not ask it. */
  readonly field: string
  readonly label: string
}

/** What visitors are asked: the live edition, or the draft where nothing is live. */
export function programNow(
  { draft }: CalculatorData,
  live: EditionData | undefined,
  sheets: readonly RateSheet[],
): Program {
  return live ? (JSON.parse(live.content) as EditionContent).program : compile(draft, sheets).program
}

/** The answers of a placement that a program does not take, or does not ask for. */
export function presetsRefused(
  program: Program,
  answers: PlacementChoices['answers'],
  around: { readonly today: Moment; readonly sheets: readonly RateSheet[] },
): RefusedPreset[] {
  const main = program.languages[0] ?? ''
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
