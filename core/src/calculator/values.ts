import type { LedgerYear } from '../loan/ledger'
import type { Minor } from '../money/minor'
import type { Frequency } from '../rates/frequency'
import type { Refusal } from '../refusal'
import type { TermLength } from './document'

/** A value with its unit: what a step comes to for the answers at hand. */
export type Value =
  | { readonly unit: 'money'; readonly money: Minor }
  | { readonly unit: 'percent'; readonly percent: string }
  | ShareValue
  | ({ readonly unit: 'term' } & TermLength)
  | { readonly unit: 'frequency'; readonly frequency: Frequency }
  | LoanValue

/** A part of another amount, known both ways; `typed` says which of the two was answered. */
export interface ShareValue {
  readonly unit: 'share'
  readonly money: Minor
  /** Percent of the whole, rounded to two decimals where the amount was answered. */
  readonly percent: string
  readonly typed: 'money' | 'percent'
}

/** A loan worked out; nothing to borrow is a principal and a count of 0. */
export interface LoanValue {
  readonly unit: 'loan'
  readonly principal: Minor
  readonly payment: Minor
  readonly count: number
}

/** What is wrong with an answer, or with what follows from it. The sentence is made elsewhere. */
export type Problem =
  | { readonly code: 'ANSWER_UNKNOWN' | 'ANSWER_MISSING'; readonly field: string }
  | { readonly code: 'ANSWER_UNREADABLE'; readonly field: string; readonly wanted: Value['unit'] }
  | { readonly code: 'ANSWER_BELOW_LEAST'; readonly field: string; readonly least: Value }
  | { readonly code: 'ANSWER_ABOVE_MOST'; readonly field: string; readonly most: Value }
  | { readonly code: 'ANSWER_NOT_AN_OPTION'; readonly field: string; readonly options: readonly Frequency[] }
  | { readonly code: 'SHARE_ABOVE_WHOLE'; readonly field: string; readonly whole: Value }
  | { readonly code: 'LOAN_REFUSED'; readonly field: string; readonly refusal: Refusal }

/** What the visitor sees, as figures; the words are made elsewhere. */
export type Readout =
  | {
      readonly shows: 'payment'
      readonly id: string
      readonly payment: Minor
      readonly frequency: Frequency
      /** The first payment taken apart. */
      readonly first: { readonly principal: Minor; readonly interest: Minor }
      readonly count: number
      readonly last: Minor
    }
  | {
      readonly shows: 'totalInterest'
      readonly id: string
      readonly interest: Minor
      readonly paid: Minor
      readonly principal: Minor
    }
  | {
      readonly shows: 'endDate'
      readonly id: string
      readonly endsOn: string | undefined
      readonly count: number
    }
  | {
      readonly shows: 'schedule'
      readonly id: string
      readonly loan: string
      readonly years: readonly LedgerYear[]
    }
