import type { CalculatorDocument, Moment, RateSheet } from '@vivid/core'

/** A draft, and what its figures follow from besides. */
export interface DraftAsked {
  readonly draft: CalculatorDocument
  readonly today: Moment
  readonly sheets: readonly RateSheet[]
}
