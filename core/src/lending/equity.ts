import { Decimal, power } from '../money/decimal'
import { LARGEST_BALANCE, minor, type Minor } from '../money/minor'
import { roundDecimal } from '../money/rounding'
import { factsOf } from '../rates/frequency'
import { isPlainDecimal } from '../rates/percent'
import { amortize } from '../loan/amortize'
import { unknownName } from '../guards/known-names'
import { readAmount, readCount } from '../money/read-amount'
import type { GivenTerms } from '../loan/loan-terms'
import type { Refusal } from '../guards/refusal'
import { refuse } from '../guards/refusal'

export interface Equity {
  readonly ok: true
  /** Value of the home then, what is owed, and what is the owner's. Minor units. */
  readonly value: Minor
  readonly balance: Minor
  readonly equity: number
  /** Balance ÷ value, percent. */
  readonly loanToValue: Decimal
  /** Interest paid until then from the loan's beginning, and its share of all that was paid, percent. */
  readonly interestPaid: Minor
  readonly interestShare: Decimal
}

/**
 * What a home is worth, what is owed on it and what is the owner's so many months from today: V (1 + g)^(t/12), or growth
 * by whole years. Growth is percent a year and may be negative, above −100.
 */
export function equity(
  terms: GivenTerms,
  home: {
    readonly value: number
    readonly growthPercent: string
    readonly growth?: 'fractional' | 'wholeYears'
  },
  afterMonths: number,
): Equity | Refusal {
  const unknown = unknownName(home, 'value growthPercent growth', 'home')
  if (unknown) return unknown
  const { growthPercent, growth: growing = 'fractional' } = home
  const value = readAmount(home.value, 'value')
  if (!value.ok) return value
  const months = readCount(afterMonths, 'afterMonths', 0, 1200)
  if (!months.ok) return months
  if (!isPlainDecimal(growthPercent)) return refuse('RATE_UNREADABLE', 'growthPercent')
  if (growing !== 'fractional' && growing !== 'wholeYears') return refuse('OPTION_UNKNOWN', 'growth')
  const growth = new Decimal(growthPercent).div(100).plus(1)
  if (growth.lessThanOrEqualTo(0) || growth.greaterThan(11))
    return refuse('OUT_OF_RANGE', 'growthPercent', { least: -100, most: 1000 })
  const ledger = amortize(terms)
  if (!ledger.ok) return ledger
  const years =
    growing === 'wholeYears' ? new Decimal(Math.floor(afterMonths / 12)) : new Decimal(afterMonths).div(12)
  const exactValue = power(growth, years).times(home.value)
  if (exactValue.greaterThan(LARGEST_BALANCE))
    return refuse('AMOUNT_TOO_LARGE', 'growthPercent', { largest: LARGEST_BALANCE })
  const grown = roundDecimal(exactValue)
  const then = ledger.numberAfter(Math.floor((afterMonths * factsOf(terms.frequency).perYear) / 12))
  const balance = ledger.balanceAfter(then)
  const { soFar, paidToday } = ledger
  const interestPaid = soFar.interest + ledger.interestTo(then)
  const paid = interestPaid + soFar.principal + paidToday + ledger.principalTo(then)
  return {
    ok: true,
    value: grown,
    balance,
    equity: grown - balance,
    loanToValue: grown === 0 ? new Decimal(0) : new Decimal(balance).times(100).div(grown),
    interestPaid: minor(interestPaid),
    interestShare: paid === 0 ? new Decimal(0) : new Decimal(interestPaid).times(100).div(paid),
  }
}
