import { isoDate, type PlainDate } from '../../dates/plain-date'
import { Stopped, type LoanRun } from '../../formula/computed'
import { amortize } from '../../loan/amortize'
import type { Ledger } from '../../loan/ledger'
import type { MinorDigits } from '../../money/currencies'
import { minor, type Minor } from '../../money/minor'
import type { StepOf } from '../document/steps'
import type { Doubt } from '../program/evaluated'
import { loanTermsOf, refusedToday } from './terms-of-loan'
import type { State } from './state'
import type { TermsReader } from './terms-reader'
import { loanValue } from './value-of'

/** A loan worked out as of a day: its ledger, or none where nothing is borrowed. Stops where the terms are refused. */
export function loanState(
  step: StepOf<'loan'>,
  terms: TermsReader,
  today: PlainDate,
  minorDigits: MinorDigits,
): State {
  const loanTerms = loanTermsOf(step, terms, today, minorDigits)
  const { principal, frequency } = loanTerms
  const agreedOn = isoDate(today)
  if (principal === 0) {
    const run: LoanRun = {
      kind: 'loan',
      agreedOn,
      principal: minor(0),
      frequency,
      terms: undefined,
      ledger: undefined,
    }
    return { computed: run, value: loanValue(run) }
  }
  const ledger = amortize(loanTerms)
  if (!ledger.ok) throw new Stopped({ code: 'REFUSED', refusal: ledger })
  const refused = refusedToday(ledger, today)
  if (refused) throw new Stopped({ code: 'REFUSED', refusal: refused })
  const run: LoanRun = {
    kind: 'loan',
    agreedOn,
    principal: minor(principal),
    frequency,
    terms: loanTerms,
    ledger,
  }
  return { computed: run, value: loanValue(run), doubts: doubtsOf(step.id, ledger) }
}

/** What has to be said of a loan that nothing else says. */
function doubtsOf(field: string, { extrasCutByLimit, largeLastPayment }: Ledger): Doubt[] {
  const money = (code: 'EXTRAS_CUT' | 'LAST_PAYMENT_LARGE', amount: Minor): Doubt[] =>
    amount > 0 ? [{ code, field, value: { unit: 'money', money: amount } }] : []
  return [...money('EXTRAS_CUT', extrasCutByLimit), ...money('LAST_PAYMENT_LARGE', largeLastPayment)]
}
