import type { CalculatorStep, Evaluation } from '@vivid/core'
import { problemSentence, readoutText, type Figures } from '@vivid/contract/wording'

export interface StepValue {
  readonly text: string
  /** What is wrong with the sample visitor's answer here, if anything. */
  readonly problem: string | undefined
}

/** What a step comes to for the sample visitor. */
export function stepValue(
  step: CalculatorStep,
  evaluation: Evaluation | undefined,
  figures: Figures,
): StepValue {
  const problem = evaluation?.problems.find(({ field }) => field === step.id)
  if (problem) return { text: 'does not fit', problem: problemSentence(problem, figures) }
  const readout = evaluation?.readouts.find(({ id }) => id === step.id)
  const value = evaluation?.values[step.id]
  const text = readout ? readoutText(readout, figures).figure : value ? figures.value(value) : '–'
  return { text, problem: undefined }
}
