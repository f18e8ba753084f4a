import { Decimal as Shared } from 'decimal.js'
import type { Frequency } from '../rates/frequency'
import type { LoanTerms } from '../loan/terms'

/**
 * A ledger in decimals alone, written for the tests in the plainest way and sharing nothing with the real one:
 * 100-digit arithmetic, formulas as a textbook prints them, one row after another.
 */
const D = Shared.clone({ precision: 100, rounding: Shared.ROUND_HALF_UP })
const perYear: Record<Frequency, number> = {
  monthly: 12,
  semiMonthly: 24,
  biweekly: 26,
  weekly: 52,
  quarterly: 4,
  halfYearly: 2,
  yearly: 1,
  acceleratedBiweekly: 26,
  acceleratedWeekly: 52,
}

/** To whole units, nearest, ties up; the last 20 of 100 digits are the error of division and powers. */
const whole = (value: Shared) => value.toSignificantDigits(80).toDecimalPlaces(0)

function ratePer(p: number, terms: LoanTerms): { times: (amount: Shared) => Shared; value: Shared } {
  const j = new D(terms.annualRate)
  const m = terms.compounding === 'perPayment' || terms.compounding === undefined ? p : terms.compounding
  if (m === p) return { times: (amount) => amount.times(j).div(100 * p), value: j.div(100 * p) }
  const value = j
    .div(100 * m)
    .plus(1)
    .pow(new D(m).div(p))
    .minus(1)
  return { times: (amount) => amount.times(value), value }
}

function level(principal: Shared, r: Shared, n: number, due: 'end' | 'start'): Shared {
  if (r.isZero()) return whole(principal.div(n))
  const v = new D(1).div(r.plus(1).pow(n))
  const payment = principal.times(r).div(new D(1).minus(v))
  return whole(due === 'start' ? payment.div(r.plus(1)) : payment)
}

/** Rows as `k|payment|interest|principal|closing` lines. Regular terms in whole years, no balloon. */
export function slowLedger(terms: LoanTerms): string {
  const { frequency, due = 'end' } = terms
  const years = terms.term && 'years' in terms.term ? terms.term.years : 0
  const p = perYear[frequency]
  const rate = ratePer(p, terms)
  let balance = new D(terms.principal)
  const over = frequency === 'acceleratedBiweekly' ? 2 : frequency === 'acceleratedWeekly' ? 4 : undefined
  const payment = over
    ? whole(level(balance, ratePer(12, terms).value, years * 12, due).div(over))
    : level(balance, rate.value, years * p, due)
  let text = ''
  for (let k = 1; balance.greaterThan(0); k++) {
    const interest = due === 'start' && k === 1 ? new D(0) : whole(rate.times(balance))
    const owed = balance.plus(interest)
    const paid = (!over && k === years * p) || owed.lessThan(payment) ? owed : payment
    balance = owed.minus(paid)
    text += `${k}|${paid.toFixed()}|${interest.toFixed()}|${paid.minus(interest).toFixed()}|${balance.toFixed()}\n`
  }
  return text
}
