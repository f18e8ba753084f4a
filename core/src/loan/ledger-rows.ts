import type { Minor } from '../money/minor'
import type { MoneyColumns } from './ledger-columns'

export interface Columns extends MoneyColumns {
  readonly number: Int32Array
  /** ISO dates; empty where the terms gave no first date. */
  readonly date: readonly string[]
}

export interface LedgerRow {
  /** 1 is the loan's first payment. */
  readonly number: number
  readonly date: string | undefined
  readonly opening: Minor
  readonly payment: Minor
  readonly interest: Minor
  readonly principal: Minor
  readonly extra: Minor
  readonly insurance: Minor
  readonly closing: Minor
}

export interface LedgerYear {
  /** The calendar year, or the year of the loan (1, 2, 3 …) where the ledger has no dates. */
  readonly year: number
  /** Numbers of the first and the last payment of the year. */
  readonly from: number
  readonly to: number
  readonly paid: Minor
  readonly interest: Minor
  readonly principal: Minor
  readonly extra: Minor
  readonly insurance: Minor
  readonly closing: Minor
}

export interface LedgerTotals {
  /** Interest, with what accrued before the first payment. */
  readonly interest: Minor
  /** The amount repaid with the payments: what was owed, less a balloon. */
  readonly principal: Minor
  /** All payments on the loan, extras included; insurance, fees and a balloon are not. */
  readonly paid: Minor
  readonly extra: Minor
  readonly insurance: Minor
  /** Fees with each payment, and those added to a loan that begins. */
  readonly fees: Minor
  /** What is still owed when the term ends, and falls due then. */
  readonly balloon: Minor
  /** All that leaves the borrower's hands: payments, premiums, fees with each payment, and the balloon. */
  readonly paidInAll: Minor
  /** What the loan costs from today: all that is paid, less what is in hand or owed. */
  readonly cost: Minor
}

/** What was paid on a running loan before today. */
export interface PaidSoFar {
  readonly payments: number
  readonly interest: Minor
  readonly principal: Minor
  readonly paid: Minor
  readonly insurance: Minor
  /** Fees with each payment. */
  readonly fees: Minor
  /** Payments with their premiums and fees. */
  readonly paidInAll: Minor
}
