import { Decimal as Shared } from 'decimal.js'
import type { Extra, LoanTerms } from '../loan/terms'
import type { Frequency } from '../rates/frequency'

/**
 * A ledger in decimals alone, written for the tests in the plainest way and sharing nothing with the real one:
 * 100-digit arithmetic, formulas as a textbook prints them, one row after another. It takes terms that are sound:
 * a term in whole years, extras and changes of rate by payment number, equal periods, nothing already paid.
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

interface Rate {
  /** Exact where the quotient is not: j is divided last. */
  readonly times: (amount: Shared) => Shared
  readonly value: Shared
}

function ratePer(p: number, annualRate: string, { compounding = 'perPayment' }: LoanTerms): Rate {
  const j = new D(annualRate)
  const m = compounding === 'perPayment' ? p : compounding
  if (m === p) return { times: (amount) => amount.times(j).div(100 * p), value: j.div(100 * p) }
  const value = j
    .div(100 * m)
    .plus(1)
    .pow(new D(m).div(p))
    .minus(1)
  return { times: (amount) => amount.times(value), value }
}

function level(owed: Shared, r: Shared, n: number, balloon: number, due: 'end' | 'start'): Shared {
  if (r.isZero()) return whole(owed.minus(balloon).div(n))
  const v = new D(1).div(r.plus(1).pow(n))
  const payment = owed.minus(v.times(balloon)).times(r).div(new D(1).minus(v))
  return whole(due === 'start' ? payment.div(r.plus(1)) : payment)
}

function planned(extras: readonly Extra[], k: number, p: number): number {
  let sum = 0
  for (const { amount, every, at = 1, from = 1, until = Infinity } of extras) {
    const inWindow = k >= Number(from) && k <= Number(until)
    if (every === 'payment' && inWindow) sum += amount
    if (every === 'year' && inWindow && (k - Number(at)) % p === 0 && k >= Number(at)) sum += amount
    if (every === 'once' && k === Number(at)) sum += amount
  }
  return sum
}

/** Rows as `k|payment|interest|principal|closing` lines. */
export function slowLedger(terms: LoanTerms): string {
  const {
    frequency,
    due = 'end',
    balloon = 0,
    extras = [],
    onExtra,
    grace,
    rateChanges = [],
    yearlyExtraLimit = Infinity,
  } = terms
  const years = terms.term && 'years' in terms.term ? terms.term.years : 0
  const p = perYear[frequency]
  const over = frequency === 'acceleratedBiweekly' ? 2 : frequency === 'acceleratedWeekly' ? 4 : undefined
  let rate = ratePer(p, String(terms.annualRate), terms)
  let owed = new D(terms.principal)

  const graceRows = grace && !grace.interest.startsWith('added') ? grace.payments : 0
  if (grace?.interest === 'addedSimple') {
    const each = rate.times(owed)
    const added =
      grace.rounding === 'eachPeriod' ? whole(each).times(grace.payments) : whole(each.times(grace.payments))
    owed = owed.plus(added)
  }
  if (grace?.interest === 'addedCompound')
    for (let k = 0; k < grace.payments; k++) owed = owed.plus(whole(rate.times(owed)))

  const regularOn = (balance: Shared): Shared =>
    over
      ? whole(
          level(balance, ratePer(12, String(terms.annualRate), terms).value, years * 12, balloon, due).div(
            over,
          ),
        )
      : level(balance, rate.value, years * p, balloon, due)
  let payment = regularOn(owed)
  const agreedEnd = graceRows + years * p
  let last = over ? Infinity : agreedEnd
  let extraThisYear = new D(0)
  let text = ''
  for (let k = 1; owed.greaterThan(0) && k <= last; k++) {
    if (k === graceRows + 1 && graceRows > 0) payment = regularOn(owed)
    const change = rateChanges.find(({ fromPayment }) => fromPayment === k)
    if (change) {
      rate = ratePer(p, String(change.annualRate), terms)
      if (change.keep === 'term') payment = level(owed, rate.value, agreedEnd - k + 1, balloon, 'end')
      last = change.keep === 'term' ? agreedEnd : Infinity
    }
    if (last === Infinity && k > graceRows && owed.lessThanOrEqualTo(balloon)) break
    if ((k - 1) % p === 0) extraThisYear = new D(0)
    const free = (due === 'start' && k === 1) || (k <= graceRows && grace?.interest === 'none')
    const interest = free ? new D(0) : whole(rate.times(owed))
    const due_ = owed.plus(interest)
    const payable = k === last || last === Infinity ? due_.minus(balloon) : due_
    const asked =
      k <= graceRows ? (grace?.interest === 'none' ? new D(grace.payment ?? 0) : interest) : payment
    const scheduled = k === last || payable.lessThan(asked) ? payable : asked
    const left = due_.minus(scheduled)
    const extra =
      k === last
        ? new D(0)
        : D.max(
            0,
            D.min(planned(extras, k, p), left.minus(balloon), new D(yearlyExtraLimit).minus(extraThisYear)),
          )
    extraThisYear = extraThisYear.plus(extra)
    owed = left.minus(extra)
    const paid = scheduled.plus(extra)
    text += `${k}|${paid.toFixed()}|${interest.toFixed()}|${paid.minus(interest).toFixed()}|${owed.toFixed()}\n`
    if (extra.greaterThan(0) && onExtra === 'lower' && k > graceRows && k < last && owed.greaterThan(0)) {
      payment = level(owed, rate.value, last - k, balloon, 'end')
    }
  }
  return text
}
