import type { Currency, MinorDigits } from '../money/currencies'
import type { CalculatorStep } from './document'

/** A checked document, ready to evaluate: what an edition freezes and a visitor's browser receives. */
export interface Program {
  readonly version: 1
  readonly title: string
  readonly currency: Currency
  readonly minorDigits: MinorDigits
  readonly locale: string
  readonly lender: string
  readonly introduction: string
  readonly disclosure: string
  readonly steps: readonly CalculatorStep[]
}

export type Answers = Readonly<Record<string, unknown>>
