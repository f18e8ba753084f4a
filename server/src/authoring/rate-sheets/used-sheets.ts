import type { CalculatorDocument } from '@vivid/core'

/** The addresses of the sheets a calculator looks values up in. */
export const usedSheets = ({ steps }: Pick<CalculatorDocument, 'steps'>): ReadonlySet<string> =>
  new Set(steps.flatMap((step) => (step.kind === 'lookUp' ? [step.sheet] : [])))
