import type { LiveCalculator } from '@vivid/contract'
import type { Answers, Moment, RateSheet } from '@vivid/core'

/** What a visitor's figures follow from, for another channel. */
export interface EvaluateInput {
  readonly calculator: LiveCalculator
  readonly sheets: readonly RateSheet[]
  readonly answers: Answers
  readonly language: string | undefined
  readonly today: Moment
}
