import { minor, ZERO, type Minor } from '../money/minor'
import { amortize } from '../loan/amortize'
import type { Ledger } from '../loan/ledger'
import type { GivenTerms } from '../loan/loan-terms'
import { factsOf } from '../rates/frequency'
import type { Refusal } from '../guards/refusal'
import { refuse } from '../guards/refusal'
import { spend } from '../guards/work'

export interface Compared {
  readonly ledger: Ledger
  /** Against the first loan; minor units, and a number of payments. */
  readonly difference: {
    readonly payment: number
    readonly count: number
    readonly interest: number
    readonly paid: number
  }
}

/** Loans side by side, each against the first: as agreed, with an extra, at another rate, over another term. Two to eight. */
export function compareLoans(
  loans: readonly GivenTerms[],
): { readonly ok: true; readonly loans: readonly Compared[] } | Refusal {
  const ledgers = amortizeAll(loans, 2, 8)
  if (!ledgers.ok) return ledgers
  const [first] = ledgers.ledgers
  if (!first) return refuse('OUT_OF_RANGE', 'loans', { least: 2, most: 8 })
  return {
    ok: true,
    loans: ledgers.ledgers.map((ledger) => ({
      ledger,
      difference: {
        payment: ledger.payment - first.payment,
        count: ledger.count - first.count,
        interest: ledger.totals.interest - first.totals.interest,
        paid: ledger.totals.paid - first.totals.paid,
      },
    })),
  }
}

/**
 * What a loan costs until a payment: interest and premiums to then, what was added to the loan at its start (fees,
 * premium), and fees with each payment. For programmes with a lower rate and dearer insurance, or the reverse.
 */
export function costUntil(
  ledger: Ledger,
  terms: Pick<GivenTerms, 'principal' | 'fees'>,
  number: number,
): Minor {
  const added = ledger.borrowed - terms.principal
  const fees = (terms.fees?.eachPayment ?? 0) * Math.min(number, ledger.count)
  return minor(ledger.interestTo(number) + ledger.insuranceTo(number) + added + fees)
}

/** What a loan takes until its borrower leaves. Minor units. */
export interface UntilLeaving {
  /** Payments with extras, premiums and fees. */
  readonly paid: Minor
  readonly owed: Minor
  /** All that is paid and still owed, less what was in hand: interest, premiums and fees, each once. */
  readonly cost: Minor
}

/** What is paid on a loan from today for so many months, what is owed then, and what that comes to. Whoever stays past the end has paid all. */
export function untilLeaving(
  ledger: Ledger,
  terms: Pick<GivenTerms, 'frequency' | 'fees'>,
  months: number,
): UntilLeaving {
  const payments = Math.floor((months * factsOf(terms.frequency).perYear) / 12)
  const last = ledger.firstNumber - 1 + payments
  const { paidInAll, cost } = ledger.totals
  if (last >= ledger.lastNumber) return { paid: paidInAll, owed: ZERO, cost }
  spend(Math.max(0, payments) / 10)
  let paid = (terms.fees?.eachPayment ?? 0) * payments
  for (let number = ledger.firstNumber; number <= last; number++) {
    // A payment has its extra in it, and not its premium.
    const { payment, insurance } = ledger.at(number)
    paid += payment + insurance
  }
  const owed = ledger.balanceAfter(last)
  return { paid: minor(paid), owed, cost: minor(paid + owed - (paidInAll - cost)) }
}

function amortizeAll(
  loans: readonly GivenTerms[],
  least: number,
  most: number,
): { ok: true; ledgers: Ledger[] } | Refusal {
  if (!Array.isArray(loans) || loans.length < least || loans.length > most)
    return refuse('OUT_OF_RANGE', 'loans', { least, most })
  const ledgers: Ledger[] = []
  for (const [index, terms] of (loans as readonly GivenTerms[]).entries()) {
    const ledger = amortize(terms)
    if (!ledger.ok) return { ...ledger, field: `loans.${index}.${ledger.field}` }
    ledgers.push(ledger)
  }
  return { ok: true, ledgers }
}
