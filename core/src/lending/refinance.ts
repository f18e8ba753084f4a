import { Decimal } from '../money/decimal'
import { minor, type Minor } from '../money/minor'
import { amortize } from '../loan/amortize'
import type { Ledger } from '../loan/ledger'
import { unknownName } from '../guards/known-names'
import { readAmount } from '../money/read-amount'
import type { LoanTerms } from '../loan/loan-terms'
import type { Compounding } from '../rates/periodic-rate'
import { refuse, type Refusal } from '../guards/refusal'

/** A loan that runs, and the one that would take its place. Monthly payments; amounts are minor units. */
export interface RefinanceTerms {
  /** What is owed now. */
  readonly balance: number
  readonly old: { readonly annualRate: string; readonly payment: number; readonly extra?: number }
  readonly new: {
    readonly annualRate: string
    readonly payments: number
    /** With every payment; `sameOutlay`: as much as makes the new outlay what the old one is. */
    readonly extra?: number | 'sameOutlay'
  }
  readonly compounding?: Compounding
  readonly costs: number
  readonly costsFinanced: boolean
  /** ISO date of the next payment of either, and the day of the month it keeps; without it the ledgers have no dates. */
  readonly firstPayment?: string
  readonly anchorDay?: number
}

export interface Refinance {
  readonly ok: true
  readonly newPrincipal: Minor
  readonly newPayment: Minor
  readonly newExtra: Minor
  /** Whether the new outlay is the old one: only if asked for, and the new payment is not above it. */
  readonly outlayMatched: boolean
  readonly oldLedger: Ledger
  readonly newLedger: Ledger
  readonly oldTerms: LoanTerms
  readonly newTerms: LoanTerms
  readonly interestSaved: Minor
  /** Interest saved less costs. */
  readonly netSaved: number
  /** First month by which the interest saved has reached the costs; undefined where it never does. */
  readonly breakEvenMonth: number | undefined
  /** Last month by which something is saved, where that is before both loans end: a longer loan can cost more in the end. */
  readonly savesUntilMonth: number | undefined
  /** Costs ÷ difference of the payments, extras left out; undefined unless the new payment is lower. */
  readonly simpleBreakEvenMonths: Decimal | undefined
  /** What is saved after so many months: interest of both loans to then, less costs. */
  netSavedAfter(months: number): number
}

/** Compares keeping a loan with refinancing it. Refuses what either ledger refuses, with `old.` or `new.` before the field. */
export function refinance(terms: RefinanceTerms): Refinance | Refusal {
  const unknown =
    unknownName(terms, 'balance old new compounding costs costsFinanced firstPayment anchorDay') ??
    unknownName(terms.old, 'annualRate payment extra', 'old') ??
    unknownName(terms.new, 'annualRate payments extra', 'new')
  if (unknown) return unknown
  const costsFinanced: unknown = terms.costsFinanced ?? false
  if (typeof costsFinanced !== 'boolean') return refuse('OPTION_UNKNOWN', 'costsFinanced')
  const costs = readAmount(terms.costs, 'costs', 'zero allowed')
  if (!costs.ok) return costs
  const oldExtra = readAmount(terms.old.extra ?? 0, 'old.extra', 'zero allowed')
  if (!oldExtra.ok) return oldExtra
  const { compounding = 'perPayment', firstPayment, anchorDay } = terms
  const dates = {
    ...(firstPayment !== undefined && { firstPayment }),
    ...(anchorDay !== undefined && { anchorDay }),
  }
  const monthly = { frequency: 'monthly', compounding, ...dates } as const
  const balance = readAmount(terms.balance, 'balance')
  if (!balance.ok) return balance
  const principal = balance.value
  const oldPayment = readAmount(terms.old.payment, 'old.payment')
  if (!oldPayment.ok) return oldPayment
  const oldTerms = withExtra(
    { ...monthly, principal, annualRate: terms.old.annualRate, payment: oldPayment.value },
    oldExtra.value,
  )
  const oldLedger = run(oldTerms, 'old')
  if (!oldLedger.ok) return oldLedger
  const newPrincipal = minor(principal + (costsFinanced ? costs.value : 0))
  // Costs that are added are fees of the new loan: whoever asks what it costs finds them there, once.
  const financed = costsFinanced && costs.value > 0 ? { fees: { financed: costs.value } } : {}
  const plainTerms: LoanTerms = {
    ...monthly,
    ...financed,
    principal,
    annualRate: terms.new.annualRate,
    term: { payments: terms.new.payments },
  }
  const plain = run(plainTerms, 'new')
  if (!plain.ok) return plain
  const room = oldPayment.value + oldExtra.value - plain.payment
  const asked = terms.new.extra ?? 0
  const newExtra = readAmount(asked === 'sameOutlay' ? Math.max(0, room) : asked, 'new.extra', 'zero allowed')
  if (!newExtra.ok) return newExtra
  const newTerms = withExtra(plainTerms, newExtra.value)
  const newLedger = run(newTerms, 'new')
  if (!newLedger.ok) return newLedger

  const savedAfter = (months: number) => oldLedger.interestTo(months) - newLedger.interestTo(months)
  const longest = Math.max(oldLedger.count, newLedger.count)
  const breakEven = firstMonth(1, longest, (month) => savedAfter(month) >= costs.value)
  const tooLong = breakEven && firstMonth(breakEven, longest, (month) => savedAfter(month) < costs.value)
  const interestSaved = minor(oldLedger.totals.interest - newLedger.totals.interest)
  return {
    ok: true,
    newPrincipal,
    newPayment: plain.payment,
    newExtra: newExtra.value,
    outlayMatched: asked === 'sameOutlay' && room >= 0,
    oldLedger,
    newLedger,
    oldTerms,
    newTerms,
    interestSaved,
    netSaved: interestSaved - costs.value,
    breakEvenMonth: breakEven,
    savesUntilMonth: tooLong && tooLong - 1,
    simpleBreakEvenMonths:
      plain.payment < oldPayment.value
        ? new Decimal(costs.value).div(oldPayment.value - plain.payment)
        : undefined,
    netSavedAfter: (months) => savedAfter(months) - costs.value,
  }
}

const withExtra = (terms: LoanTerms, amount: Minor): LoanTerms =>
  amount > 0 ? { ...terms, extras: [{ amount, every: 'payment' }] } : terms

function run(terms: LoanTerms, which: 'old' | 'new'): Ledger | Refusal {
  const ledger = amortize(terms)
  return ledger.ok ? ledger : { ...ledger, field: `${which}.${ledger.field}` }
}

function firstMonth(from: number, longest: number, holds: (month: number) => boolean): number | undefined {
  for (let month = from; month <= longest; month++) if (holds(month)) return month
  return undefined
}
