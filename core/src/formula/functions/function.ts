import type { Moment } from '../../dates/moment'
import type { MinorDigits } from '../../money/currencies'
import type { Decimal } from '../../money/decimal'
import type { Computed, LoanRun } from '../computed'
import type { Unit, Wanted } from '../unit'

export interface Parameter {
  readonly name: string
  readonly takes: Wanted
  readonly optional?: true
}

export interface Surroundings {
  readonly today: Moment
  readonly minorDigits: MinorDigits
}

/** The arguments of a call, read as what the signature promises. */
export interface Arguments {
  has(index: number): boolean
  decimal(index: number): Decimal
  /** A whole number; stops the formula where it is none. */
  whole(index: number): number
  text(index: number): string
  loan(index: number): LoanRun
  list(index: number): readonly Computed[]
  decimals(index: number): readonly Decimal[]
  readonly count: number
}

/**
 * A built-in function: its parameters in order, what it gives, and how it works. Units are checked before it runs.
 * `many`: the last parameter may be repeated. `same`: all arguments have one unit, and that is what it gives.
 */
export interface BuiltIn {
  readonly name: string
  readonly group: 'amounts' | 'often' | 'time' | 'choices' | 'loans' | 'rates'
  readonly parameters: readonly Parameter[]
  readonly gives: Unit | 'same' | 'item' | ((args: readonly (Unit | undefined)[]) => Unit)
  readonly many?: true
  readonly same?: true
  readonly work: (args: Arguments, around: Surroundings) => Computed
}
