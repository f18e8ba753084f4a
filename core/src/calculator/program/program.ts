import type { Expression } from '../../formula/expression'
import type { Unit } from '../../formula/unit'
import type { Currency, MinorDigits } from '../../money/currencies'
import type { OwnMeaning } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import type { RichTexts, Texts } from '../document/texts'

/** A formula ready to evaluate, with the unit of what it gives. */
export interface ReadyFormula {
  readonly expression: Expression
  readonly unit: Unit
}

/** A step with its formulas ready, by where they stand in it; a formula with a fault is not there. */
export interface ProgramStep {
  readonly step: CalculatorStep
  readonly formulas: Readonly<Record<string, ReadyFormula>>
  readonly uses: readonly string[]
  /** The unit of the step's value; readouts and sections have none. */
  readonly unit?: Unit
  /** A formula it needs has a fault: it has no value until that is mended. */
  readonly faulty?: true
}

/** A checked document, ready to evaluate: what an edition freezes and a visitor's browser receives. */
export interface Program {
  readonly version: 2
  readonly title: Texts
  readonly currency: Currency
  readonly minorDigits: MinorDigits
  readonly languages: readonly string[]
  readonly lender: string
  readonly results: 'live' | 'onButton'
  readonly introduction: RichTexts
  readonly disclosure: RichTexts
  readonly contact?: Texts
  readonly nextSteps?: RichTexts
  readonly meanings?: readonly OwnMeaning[]
  /** What the lender words otherwise on its pages, by the two letters of a language and the name of the phrase. */
  readonly words?: Readonly<Record<string, Readonly<Record<string, string>>>>
  readonly steps: readonly ProgramStep[]
  /** Steps in the order they are worked out. */
  readonly order: readonly string[]
  /** The rate sheets it looks values up in. */
  readonly sheets: readonly string[]
}

export type Answers = Readonly<Record<string, unknown>>
