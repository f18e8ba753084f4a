import type { LoanRun } from '../../formula/computed'
import { amortize } from '../../loan/amortize'
import type { Ledger } from '../../loan/ledger'
import type { Extra, LoanTerms } from '../../loan/loan-terms'
import { minor, type Minor } from '../../money/minor'
import { factsOf } from '../../rates/frequency'
import { refuse, type Refusal } from '../../guards/refusal'
import type { ComparedColumn } from '../program/evaluated'
import { comparedColumns } from './side-by-side'

/** What a visitor changes about a loan to see what would come of it, all at once. Amounts are minor units. */
export interface WhatIf {
  /** Paid on top with every payment. */
  readonly extra?: Minor | undefined
  /** Paid on top once a year, with the last payment of each year of the loan. */
  readonly yearlyExtra?: Minor | undefined
  /** Paid once, with the payment that falls so many periods from today; 0 is today. */
  readonly lumpSum?: { readonly amount: Minor; readonly withPayment: number } | undefined
  /** Another yearly rate from the start, percent as a plain decimal. */
  readonly annualRate?: string | undefined
  /** Another regular payment: the number of payments follows from it. */
  readonly payment?: Minor | undefined
}

const LONGEST_YEARS = 100

/** A loan as it is, and as it would be: the column beside it, or why there is none. */
export interface WhatIfAnswer {
  readonly asItIs: ComparedColumn
  readonly changed: readonly (ComparedColumn | Refusal)[]
}

/** Works out what a loan would come to with each of these changes, each alone, on the ledger. */
export function whatIf(terms: LoanTerms, changes: readonly WhatIf[]): WhatIfAnswer | Refusal {
  const agreed = runOf(terms)
  if (!isRun(agreed)) return agreed
  const changed = changes.map((change) => runOf(changedTerms(terms, change)))
  const columns = comparedColumns([agreed, ...changed.filter(isRun)])
  const [asItIs, ...beside] = columns
  if (!asItIs) throw new Error('a loan that was worked out has a column')
  let next = 0
  return {
    asItIs,
    changed: changed.map((one, i) => {
      if (!isRun(one)) return one
      const column = beside[next++]
      if (!column) throw new Error('a change that was worked out has a column')
      return { ...column, at: i + 1 }
    }),
  }
}

/** The ledger of a loan with what is changed; undefined where that makes none. */
export function changedLedger(terms: LoanTerms, change: WhatIf): Ledger | undefined {
  const run = runOf(changedTerms(terms, change))
  return isRun(run) ? run.ledger : undefined
}

/** The terms with what is changed; extras join those agreed on already. */
export function changedTerms(terms: LoanTerms, change: WhatIf): LoanTerms {
  const { extra, yearlyExtra, lumpSum, annualRate, payment } = change
  const extras: readonly Extra[] = [
    ...(terms.extras ?? []),
    ...(extra === undefined ? [] : [{ amount: extra, every: 'payment' as const }]),
    ...(yearlyExtra === undefined
      ? []
      : [{ amount: yearlyExtra, every: 'year' as const, at: factsOf(terms.frequency).perYear }]),
    ...(lumpSum === undefined
      ? []
      : [{ amount: lumpSum.amount, every: 'once' as const, at: numberOf(lumpSum.withPayment, terms) }]),
  ]
  const changed = { ...terms, ...(annualRate !== undefined && { annualRate }), extras }
  if (payment === undefined) return changed
  const { term: _, settleAtTerm: __, ...rest } = changed
  return withoutLowering({ ...rest, payment })
}

/** With another payment the end follows from it: there is none to lower a payment towards after an extra. */
function withoutLowering({ onExtra: _, ...terms }: LoanTerms): LoanTerms {
  return terms
}

const numberOf = (fromToday: number, terms: LoanTerms) =>
  fromToday === 0 ? 0 : (terms.alreadyPaid ?? 0) + fromToday - silentPeriods(terms)

/** Periods from today in which nothing is paid: payments are numbered after them. */
function silentPeriods({ grace, alreadyPaid }: LoanTerms): number {
  const isSilent = grace?.interest.startsWith('added') && !grace.payment && !alreadyPaid
  return isSilent ? (grace?.payments ?? 0) : 0
}

/** Whether a loan has a payment so many periods from today that a lump sum could go with; 0 is today itself. */
export function hasPaymentIn(
  periods: number,
  terms: LoanTerms,
  { lastNumber }: Pick<Ledger, 'lastNumber'>,
): boolean {
  const number = numberOf(periods, terms)
  return periods === 0 || (number > (terms.alreadyPaid ?? 0) && number <= lastNumber)
}

const isRun = (one: LoanRun | Refusal): one is LoanRun => 'kind' in one

function runOf(terms: LoanTerms): LoanRun | Refusal {
  const ledger = amortize(terms)
  if (!ledger.ok) return ledger
  const { principal, frequency } = terms
  // A given payment may go on for ever so long; that is no answer to anybody.
  if (ledger.count > LONGEST_YEARS * factsOf(frequency).perYear) return refuse('TERM_TOO_LONG', 'payment')
  return { kind: 'loan', agreedOn: '', principal: minor(principal), frequency, terms, ledger }
}
