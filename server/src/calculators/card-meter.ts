import type { CalculatorCard } from '@vivid/contract'
import { figuresFor, readoutText } from '@vivid/contract/wording'
import {
  compile,
  evaluate,
  headlineReadout,
  textIn,
  type CalculatorDocument,
  type PlainDate,
  type RateSheet,
} from '@vivid/core'

/** The headline of the first sample visitor, taken apart; null while it cannot be worked out. */
export function cardMeterOf(
  draft: CalculatorDocument,
  today: PlainDate,
  sheets: readonly RateSheet[],
): CalculatorCard['meter'] {
  const { program } = compile(draft, sheets)
  const { readouts } = evaluate(program, draft.samples[0]?.answers ?? {}, { today, sheets })
  const main = draft.languages[0] ?? ''
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
