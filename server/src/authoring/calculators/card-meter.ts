import type { CalculatorCard } from '@vivid/contract'
import { figuresFor, readoutText } from '@vivid/contract/wording'
import {
  mainLanguage,
  compile,
  evaluate,
  headlineReadout,
  textIn,
  type CalculatorDocument,
  type Evaluation,
  type Moment,
  type RateSheet,
} from '@vivid/core'

export type CardMeter = NonNullable<CalculatorCard['meter']>

/**
 * The headline of the first sample visitor, taken apart; null while it cannot be worked out. Whatever somebody wrote, it
 * takes no list down: a broken promise is told and leaves the card without its figure.
 */
export function cardMeterOf(
  draft: CalculatorDocument,
  around: { readonly today: Moment; readonly sheets: readonly RateSheet[] },
  tell: (evaluation: Pick<Evaluation, 'problems'>) => void,
): CardMeter | null {
  try {
    return meterOf(draft, around, tell)
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error)
    tell({ problems: [{ code: 'STEP_STOPPED', field: '', stop: { code: 'BROKEN', reason } }] })
    return null
  }
}

function meterOf(
  draft: CalculatorDocument,
  around: { readonly today: Moment; readonly sheets: readonly RateSheet[] },
  tell: (evaluation: Pick<Evaluation, 'problems'>) => void,
): CalculatorCard['meter'] {
  const { program } = compile(draft, around.sheets)
  const evaluation = evaluate(program, draft.samples[0]?.answers ?? {}, around)
  tell(evaluation)
  const { readouts } = evaluation
  const main = mainLanguage(draft)
  const figures = figuresFor(program, main)
  const headline = headlineReadout(readouts)
  const step = draft.steps.find(({ id }) => id === headline?.id)
  if (!headline || step?.kind !== 'readout' || step.shows !== 'figure') return null
  return {
    label: textIn(step.label, main, main),
    figure: readoutText(headline, figures, main).figure,
    every: headline.value.unit === 'money' ? (headline.value.every ?? null) : null,
    parts: headline.parts.flatMap(({ at, value }) =>
      value.unit === 'money'
        ? [
            {
              label: textIn(step.parts[at]?.label ?? {}, main, main),
              amount: value.money,
              figure: figures.money(value.money),
            },
          ]
        : [],
    ),
  }
}
