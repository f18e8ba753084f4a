import { bandOf, type Answers, type Evaluation, type Program } from '@vivid/core/evaluate'

/** The answers to questions, each as the coarse band it lies in, by the question. */
export function answersInBands(
  { steps, minorDigits }: Program,
  answers: Answers,
  values: Evaluation['values'],
): Record<string, string> {
  const bands: Record<string, string> = {}
  for (const { step } of steps) {
    const value = values[step.id]
    if (step.kind !== 'question' || !value) continue
    const band = step.asks === 'choice' ? answers[step.id] : bandOf(value, minorDigits)
    if (typeof band === 'string') bands[step.id] = band
  }
  return bands
}
