import type { Program, RateSheet, Readout } from '@vivid/core/evaluate'
import type { Figures } from './language'

/** The days the looked-up rates took effect, each sheet once; nothing where a page tells no assumptions. */
export function ratesSaid(
  readouts: readonly Readout[],
  { steps }: Pick<Program, 'steps'>,
  sheets: readonly RateSheet[],
  figures: Figures,
): string[] {
  const said = readouts.flatMap((readout) =>
    readout.shows !== 'assumptions'
      ? []
      : readout.rates.map(({ step: id, effective }) => {
          const step = steps.find((one) => one.step.id === id)?.step
          const sheet = sheets.find((one) => step?.kind === 'lookUp' && one.id === step.sheet)
          return figures.words.page.ratesFrom(sheet?.name ?? step?.name ?? id, figures.date(effective))
        }),
  )
  return [...new Set(said)]
}
