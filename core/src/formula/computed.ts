import type { Ledger } from '../loan/ledger'
import type { LoanTerms } from '../loan/loan-terms'
import type { Decimal } from '../money/decimal'
import type { Minor } from '../money/minor'
import type { Frequency } from '../rates/frequency'
import type { Refusal } from '../guards/refusal'

/** A loan worked out: without a ledger where nothing is borrowed. */
export interface LoanRun {
  readonly kind: 'loan'
  /** ISO date on which it was worked out: a loan of nothing ends there. */
  readonly agreedOn: string
  readonly principal: Minor
  readonly frequency: Frequency
  readonly terms: LoanTerms | undefined
  readonly ledger: Ledger | undefined
  /** Paid in hand when the loan is agreed, as costs that are not added to it; minor units. */
  readonly paidAtStart?: Minor
}

/** The named figures of a composite step; a figure that does not exist here (it never breaks even) is undefined. */
export interface FigureSet {
  readonly kind: 'figures'
  readonly figures: Readonly<Record<string, Computed | undefined>>
}

/** Under this name a list of loans has its loans, each as figures of its own; no formula can write it. */
export const EACH_LOAN = '#each'

/** A value on its way through formulas. Decimals are in their unit's own scale: minor units, percent, months. */
export type Computed = Decimal | string | boolean | LoanRun | FigureSet | readonly Computed[]

/** Why a formula came to no value. `WAITS`: a value it needs is not there, for a reason told elsewhere. */
export type Stop =
  | { readonly code: 'WAITS' }
  | { readonly code: 'DIVIDED_BY_ZERO' }
  | { readonly code: 'TOO_LARGE' }
  | { readonly code: 'NOT_WHOLE'; readonly what: string }
  | { readonly code: 'NO_FIGURE'; readonly figure: string }
  | { readonly code: 'TOO_MUCH_WORK' }
  /** Our own mistake: `reason` says which promise was broken. */
  | { readonly code: 'BROKEN'; readonly reason: string }
  | { readonly code: 'REFUSED'; readonly refusal: Refusal }
  | {
      readonly code: 'NO_ROW'
      readonly sheet: string
      readonly keys: readonly string[]
      readonly reason: 'key' | 'date' | 'sheet'
    }

/** Ends the evaluation of one formula; caught where its step is worked out, and never leaves the core. */
export class Stopped extends Error {
  constructor(readonly stop: Stop) {
    super(stop.code)
  }
}
