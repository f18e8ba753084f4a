import { MOST_LOANS } from './most-loans'
import { readIsoDate, isoDate } from '../dates/plain-date'
import { refuse, type Refusal } from '../guards/refusal'
import { spend } from '../guards/work'
import { amortize } from '../loan/amortize'
import { dueDate } from '../loan/due-dates'
import { interestOf } from '../loan/interest'
import type { Ledger } from '../loan/ledger'
import { MOST_PAYMENTS } from '../loan/loan-terms'
import { LARGEST_AMOUNT, LARGEST_BALANCE, minor, ZERO, type Minor } from '../money/minor'
import { unknownName } from '../guards/known-names'
import { readAmount } from '../money/read-amount'
import { readRate } from '../rates/percent'
import { equivalentRate, type PeriodicRate } from '../rates/periodic-rate'

/** A loan that runs: what is owed now, its rate in percent a year, what is paid a month. Amounts in minor units. */
export interface OwedLoan {
  readonly owed: number
  readonly annualRate: string
  readonly payment: number
}

/** Which loan gets what is left over: the one with the highest rate, with the least owed now, or the first in the list. */
export const payOffOrders = ['dearest', 'smallest', 'own'] as const
export type PayOffOrder = (typeof payOffOrders)[number]

export interface PayOffTerms {
  /** One to twelve. */
  readonly loans: readonly OwedLoan[]
  /** What is paid a month besides the payments, minor units; 0 allowed. */
  readonly extra: number
  /** ISO date of the next payments, all on one day; without it nothing has a date. */
  readonly firstPayment?: string
  readonly anchorDay?: number
}

/** One loan's way to its end. */
export interface PaidOffLoan {
  /** Months from now to its last payment. */
  readonly months: number
  readonly endsOn: string | undefined
  readonly interest: Minor
  readonly paid: Minor
}

/** All loans paid in one way. `loans` is in the order they were given. */
export interface PaidOff {
  readonly loans: readonly PaidOffLoan[]
  readonly months: number
  readonly endsOn: string | undefined
  readonly interest: Minor
  readonly paid: Minor
  /** What is owed on all of them after so many months; index 0 is today. */
  readonly owed: readonly Minor[]
}

export interface PayOff {
  readonly ok: true
  /** Each loan with its own payment to its end; nothing extra, and nothing rolls on. */
  readonly asAgreed: PaidOff
  /** The loans by place in the list, first served first. */
  readonly order: Readonly<Record<PayOffOrder, readonly number[]>>
  readonly by: Readonly<Record<PayOffOrder, PaidOff>>
  /** The order with the least interest; of equals the first of `payOffOrders`. */
  readonly best: PayOffOrder
}

/**
 * Several loans paid off together, month by month: each bears a twelfth of its rate, to the minor unit, and gets its own
 * payment; the extra, and whatever a loan that has ended leaves free, goes to the first of the order that still owes, what
 * that does not need to the next. So the same is paid each month until the last.
 *
 * Refuses what a ledger refuses of each loan by itself, with `loans.0.` before the field (`PAYMENT_TOO_SMALL` with `least`).
 */
export function payOff(terms: PayOffTerms): PayOff | Refusal {
  const unknown = unknownName(terms, 'loans extra firstPayment anchorDay')
  if (unknown) return unknown
  const { loans } = terms
  if (!Array.isArray(loans) || loans.length < 1 || loans.length > MOST_LOANS)
    return refuse('OUT_OF_RANGE', 'loans', { least: 1, most: MOST_LOANS })
  const extra = readAmount(terms.extra, 'extra', 'zero allowed')
  if (!extra.ok) return extra
  const ledgers: Ledger[] = []
  for (const [at, loan] of (loans as readonly OwedLoan[]).entries()) {
    const strange = unknownName(loan, 'owed annualRate payment', `loans.${at}`)
    if (strange) return strange
    const ledger = agreed(loan, terms)
    if (!ledger.ok) return { ...ledger, field: `loans.${at}.${fieldOf[ledger.field] ?? ledger.field}` }
    ledgers.push(ledger)
  }
  const order = {
    dearest: sortedBy(loans, (a, b) => Number(b.annualRate) - Number(a.annualRate)),
    smallest: sortedBy(loans, (a, b) => a.owed - b.owed),
    own: loans.map((_, at) => at),
  }
  const owed = loans.reduce((sum, loan) => sum + loan.owed, 0)
  if (owed > LARGEST_AMOUNT) return refuse('AMOUNT_TOO_LARGE', 'loans', { largest: LARGEST_AMOUNT })
  const inOrder = (name: PayOffOrder) => payInOrder(terms, order[name], dateOf(terms))
  const by = { dearest: inOrder('dearest'), smallest: inOrder('smallest'), own: inOrder('own') }
  const least = Math.min(...payOffOrders.map((name) => by[name].interest))
  return {
    ok: true,
    asAgreed: together(ledgers, dateOf(terms)),
    order,
    by,
    best: payOffOrders.find((name) => by[name].interest === least) ?? 'dearest',
  }
}

/**
 * The loans paid in an order of their places. The terms have been checked: each payment repays its loan.
 * Its result does not depend on where the loans stand in the list, only on the order.
 */
export function payInOrder(
  { loans, extra }: PayOffTerms,
  order: readonly number[],
  dateAt: (month: number) => string | undefined,
): PaidOff {
  const rates = loans.map(({ annualRate }) => monthlyRate(annualRate))
  const balances = loans.map(({ owed }) => owed)
  const interest = loans.map(() => 0)
  const ends = loans.map(() => 0)
  const owed = [minor(sumOf(balances))]
  const budget = extra + sumOf(loans.map(({ payment }) => payment))
  let month = 0
  while (balances.some((balance) => balance > 0) && month < MOST_PAYMENTS) {
    spend(loans.length)
    month++
    let left = budget
    const pay = (at: number, most: number) => {
      const paid = Math.min(balances[at] ?? 0, most, left)
      balances[at] = (balances[at] ?? 0) - paid
      left -= paid
      if (paid > 0 && balances[at] === 0) ends[at] = month
    }
    for (const [at, rate] of rates.entries()) {
      const due = interestOf(balances[at] ?? 0, rate, 'halfUp')
      interest[at] = (interest[at] ?? 0) + due
      balances[at] = (balances[at] ?? 0) + due
    }
    for (const [at, { payment }] of loans.entries()) pay(at, payment)
    for (const at of order) pay(at, LARGEST_BALANCE)
    owed.push(minor(sumOf(balances)))
  }
  const paidOff = loans.map((loan, at): PaidOffLoan => {
    const months = ends[at] ?? 0
    const borne = interest[at] ?? 0
    return { months, endsOn: dateAt(months), interest: minor(borne), paid: minor(loan.owed + borne) }
  })
  return { ...totalsOf(paidOff, dateAt), owed }
}

/** What a loan bears in its next month, as its ledger rounds it; `annualRate` is a rate. */
export const monthsInterest = ({ owed, annualRate }: Pick<OwedLoan, 'owed' | 'annualRate'>): number =>
  interestOf(owed, monthlyRate(annualRate), 'halfUp')

/** The ledger's names for what is asked of a loan here. */
const fieldOf: Readonly<Record<string, string>> = { principal: 'owed' }

const agreed = (
  { owed, annualRate, payment }: OwedLoan,
  { firstPayment, anchorDay }: PayOffTerms,
): Ledger | Refusal =>
  amortize({
    principal: owed,
    annualRate,
    payment,
    frequency: 'monthly',
    ...(firstPayment !== undefined && { firstPayment }),
    ...(anchorDay !== undefined && { anchorDay }),
  })

function monthlyRate(annualRate: string): PeriodicRate {
  const rate = readRate(annualRate, 'annualRate')
  if (!rate.ok) throw new Error('the rates have been checked')
  return equivalentRate(rate.value, 12, 12)
}

/** Places in the list, sorted; equals stay as the list has them. */
function sortedBy(loans: readonly OwedLoan[], compare: (a: OwedLoan, b: OwedLoan) => number): number[] {
  const entries = loans.map((loan, at) => ({ loan, at }))
  return entries.sort((a, b) => compare(a.loan, b.loan) || a.at - b.at).map(({ at }) => at)
}

function dateOf({ firstPayment, anchorDay }: PayOffTerms): (month: number) => string | undefined {
  const first = firstPayment === undefined ? undefined : readIsoDate(firstPayment)
  return (month) => (first && month > 0 ? isoDate(dueDate(first, 'monthly', month, anchorDay)) : undefined)
}

function together(ledgers: readonly Ledger[], dateAt: (month: number) => string | undefined): PaidOff {
  const loans = ledgers.map(({ count, endsOn, totals }): PaidOffLoan => ({
    months: count,
    endsOn,
    interest: totals.interest,
    paid: totals.paid,
  }))
  const longest = Math.max(...loans.map(({ months }) => months))
  const owed = Array.from({ length: longest + 1 }, (_, month) =>
    minor(sumOf(ledgers.map((ledger) => (month >= ledger.count ? ZERO : ledger.balanceAfter(month))))),
  )
  return { ...totalsOf(loans, dateAt), owed }
}

function totalsOf(
  loans: readonly PaidOffLoan[],
  dateAt: (month: number) => string | undefined,
): Omit<PaidOff, 'owed'> {
  const months = Math.max(...loans.map((loan) => loan.months))
  return {
    loans,
    months,
    endsOn: dateAt(months),
    interest: minor(sumOf(loans.map(({ interest }) => interest))),
    paid: minor(sumOf(loans.map(({ paid }) => paid))),
  }
}

const sumOf = (amounts: readonly number[]) => amounts.reduce((sum, amount) => sum + amount, 0)
