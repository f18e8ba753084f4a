import type { CalculatorDocument } from '@vivid/core'
import type { TakenOver } from '../take/taking'

/** A draft made from a worksheet, and what became of which cell. */
export interface Draft extends Pick<TakenOver, 'asked' | 'taken' | 'leftOut' | 'sheets'> {
  readonly document: CalculatorDocument
}
