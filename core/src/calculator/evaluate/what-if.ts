import type { LoanRun } from '../../formula/computed'
import { amortize } from '../../loan/amortize'
import type { LoanTerms } from '../../loan/terms'
import { minor, type Minor } from '../../money/minor'
import type { Refusal } from '../../refusal'
import type { ComparedColumn } from '../values'
import { comparedColumns } from './side-by-side'

/** One thing about a loan that a visitor changes to see what would come of it. Amounts are minor units. */
export type WhatIf =
  /** Paid on top with every payment. */
  | { readonly kind: 'extra'; readonly amount: Minor }
  /** Paid once, with the payment of this number counted from today; 0 is today. */
  | { readonly kind: 'lumpSum'; readonly amount: Minor; readonly withPayment: number }
  /** Another yearly rate from the start, percent as a plain decimal. */
  | { readonly kind: 'rate'; readonly annualRate: string }
  /** Another regular payment: the number of payments follows from it. */
  | { readonly kind: 'payment'; readonly payment: Minor }

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

/** The terms with one change; an extra joins those agreed on already. */
export function changedTerms(terms: LoanTerms, change: WhatIf): LoanTerms {
  const { extras = [] } = terms
  switch (change.kind) {
    case 'extra':
      return { ...terms, extras: [...extras, { amount: change.amount, every: 'payment' }] }
    case 'lumpSum':
      return {
        ...terms,
        extras: [
          ...extras,
          { amount: change.amount, every: 'once', at: numberOf(change.withPayment, terms) },
        ],
      }
    case 'rate':
      return { ...terms, annualRate: change.annualRate }
    case 'payment': {
      const { term: _, settleAtTerm: __, ...rest } = terms
      return withoutLowering({ ...rest, payment: change.payment })
    }
  }
}

/** With another payment the end follows from it: there is none to lower a payment towards after an extra. */
function withoutLowering({ onExtra: _, ...terms }: LoanTerms): LoanTerms {
  return terms
}

const numberOf = (fromToday: number, { alreadyPaid = 0 }: LoanTerms) =>
  fromToday === 0 ? 0 : alreadyPaid + fromToday

const isRun = (one: LoanRun | Refusal): one is LoanRun => 'kind' in one

function runOf(terms: LoanTerms): LoanRun | Refusal {
  const ledger = amortize(terms)
  if (!ledger.ok) return ledger
  const { principal, frequency } = terms
  return { kind: 'loan', agreedOn: '', principal: minor(principal), frequency, terms, ledger }
}
