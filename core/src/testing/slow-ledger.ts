import { Decimal as Shared } from 'decimal.js'
import type { Extra, GivenTerms } from '../loan/loan-terms'
import type { Frequency } from '../rates/frequency'

/**
 * A ledger in decimals alone, written for the tests in the plainest way and sharing nothing with the real one:
 * 100-digit arithmetic, formulas as a textbook prints them, one row after another. It takes terms that are sound:
 * a term in whole years, extras and changes of rate by payment number. Of a balloon it takes the definition: it is owed
 * when the term ends, no payment is less than nothing, and a loan that begins above it never falls below.
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

const modes = {
  nearest: D.ROUND_HALF_UP,
  halfUp: D.ROUND_HALF_UP,
  halfEven: D.ROUND_HALF_EVEN,
  up: D.ROUND_UP,
  down: D.ROUND_DOWN,
} as const
/** To whole units; the last 20 of 100 digits are the error of division and powers. */
const whole = (value: Shared, mode: keyof typeof modes = 'nearest') =>
  value.toSignificantDigits(80).toDecimalPlaces(0, modes[mode])

interface Rate {
  /** Exact where the quotient is not: j is divided last. */
  readonly times: (amount: Shared) => Shared
  readonly value: Shared
}

function ratePer(p: number, annualRate: string, { compounding = 'perPayment' }: GivenTerms): Rate {
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

function level(
  owed: Shared,
  r: Shared,
  n: number,
  balloon: number,
  due: 'end' | 'start',
  mode: keyof typeof modes,
  left = new D(balloon),
): Shared {
  if (r.isZero()) return whole(owed.minus(balloon).div(n), mode)
  const v = new D(1).div(r.plus(1).pow(n))
  const payment = owed.minus(v.times(left)).times(r).div(new D(1).minus(v))
  return whole(due === 'start' ? payment.div(r.plus(1)) : payment, mode)
}

function planned(extras: readonly Extra<number>[], k: number, p: number): number {
  let sum = 0
  for (const { amount, every, at, from = 1, until = Infinity } of extras) {
    const inWindow = k >= Math.max(1, Number(from)) && k <= Number(until)
    if (every === 'payment' && inWindow) sum += amount
    if (every === 'year' && inWindow && (k - Number(at ?? 1)) % p === 0 && k >= Number(at ?? 1)) sum += amount
    if (every === 'once' && k === Number(at ?? 0)) sum += amount
  }
  return sum
}

const dayOf = (iso: string) => Date.parse(`${iso}T00:00:00Z`) / 86_400_000

/** The date of payment k, 0 being a period before the first, by counting months on a calendar of its own. */
function dateOf(first: string, frequency: Frequency, k: number): string {
  const day = new Date(`${first}T00:00:00Z`)
  if (p52(frequency)) {
    day.setUTCDate(day.getUTCDate() + (k - 1) * (perYear[frequency] === 52 ? 7 : 14))
    return day.toISOString().slice(0, 10)
  }
  const wanted = day.getUTCDate()
  const inMonth = (months: number, on: number): string => {
    const date = new Date(Date.UTC(day.getUTCFullYear(), day.getUTCMonth() + months, 1))
    const last = new Date(Date.UTC(date.getUTCFullYear(), date.getUTCMonth() + 1, 0)).getUTCDate()
    date.setUTCDate(Math.min(on, last))
    return date.toISOString().slice(0, 10)
  }
  if (frequency !== 'semiMonthly') return inMonth(((k - 1) * 12) / perYear[frequency], wanted)
  // On two days of each month, fifteen apart.
  const [early, late] = wanted > 15 ? [wanted - 15, wanted] : [wanted, wanted + 15]
  const half = k - 1 + (wanted > 15 ? 1 : 0)
  const isLate = Math.abs(half % 2) === 1
  return inMonth(Math.floor(half / 2), isLate ? late : early)
}
const p52 = (frequency: Frequency) => perYear[frequency] === 52 || perYear[frequency] === 26

/** Days of period k and of a year, by the day count's own words; undefined where all periods are equal. */
function daysOf(terms: GivenTerms, k: number): readonly [number, number] | undefined {
  const { dayCount = 'equal', firstPayment = '', frequency } = terms
  if (dayCount === 'equal') return undefined
  const months = (12 * 30) / perYear[frequency]
  if (dayCount === 'thirtyOver365') return [months, 365]
  if (dayCount === 'thirty360') return [months, 360]
  const [from, to] = [dateOf(firstPayment, frequency, k - 1), dateOf(firstPayment, frequency, k)]
  if (dayCount === 'actual365' || dayCount === 'actual360')
    return [dayOf(to) - dayOf(from), dayCount === 'actual365' ? 365 : 360]
  return [daysOfThirty(dayCount, from, to), 360]
}

/** 360 × years + 30 × months + days, the month's end as each convention moves it (2006 ISDA Definitions, 4.16). */
function daysOfThirty(dayCount: string, from: string, to: string): number {
  const [y1 = 0, m1 = 0, a = 0] = from.split('-').map(Number)
  const [y2 = 0, m2 = 0, b = 0] = to.split('-').map(Number)
  const isFebruaryEnd = (y: number, m: number, d: number) =>
    m === 2 && d === new Date(Date.UTC(y, 2, 0)).getUTCDate()
  let [d1, d2] = [a, b]
  if (dayCount === 'thirtyE360') [d1, d2] = [Math.min(d1, 30), Math.min(d2, 30)]
  if (dayCount === 'thirty360US' && isFebruaryEnd(y1, m1, a)) {
    if (isFebruaryEnd(y2, m2, b)) d2 = 30
    d1 = 30
  }
  if (dayCount === 'thirty360Bond' || dayCount === 'thirty360US') {
    if (d2 === 31 && d1 >= 30) d2 = 30
    if (d1 === 31) d1 = 30
  }
  return 360 * (y2 - y1) + 30 * (m2 - m1) + (d2 - d1)
}

/** Rows as `k|payment|interest|principal|closing` lines, from the first payment that has not been made. */
export function slowLedger(terms: GivenTerms): string {
  const {
    frequency,
    due = 'end',
    balloon = 0,
    extras = [],
    onExtra,
    grace,
    rateChanges = [],
    yearlyExtraLimit = Infinity,
    alreadyPaid = 0,
    settleAtTerm = false,
  } = terms
  const { payment: payments = 'nearest', interest: interests = 'halfUp' } = terms.rounding ?? {}
  const years = terms.term && 'years' in terms.term ? terms.term.years : 0
  const p = perYear[frequency]
  const over = frequency === 'acceleratedBiweekly' ? 2 : frequency === 'acceleratedWeekly' ? 4 : undefined
  const rates = new Map<string, Rate>()
  const nominal = (annualRate: unknown): Rate => {
    const rate = rates.get(String(annualRate)) ?? ratePer(p, String(annualRate), terms)
    rates.set(String(annualRate), rate)
    return rate
  }
  let annualRate = terms.annualRate

  const hasRows = (one: NonNullable<typeof grace>) =>
    !one.interest.startsWith('added') || Boolean(one.payment)
  const graceRows = grace && hasRows(grace) ? grace.payments : 0
  const accruedOn = (amount: Shared): Shared => {
    const rate = nominal(terms.annualRate)
    if (!grace || hasRows(grace)) return new D(0)
    if (grace.interest === 'addedCompound') {
      let grown = amount
      for (let k = 0; k < grace.payments; k++) grown = grown.plus(whole(rate.times(grown), interests))
      return grown.minus(amount)
    }
    const each = rate.times(amount)
    return grace.rounding === 'eachPeriod'
      ? whole(each, interests).times(grace.payments)
      : whole(each.times(grace.payments), interests)
  }
  const borrowed = new D(terms.principal)
  let owed = borrowed.plus(accruedOn(borrowed))

  // A balloon with payments at the start falls due one period after the last of them: a row of its own.
  const settles = due === 'start' && balloon > 0 ? 1 : 0
  const open = terms.payment === undefined ? over !== undefined : !settleAtTerm
  const end = graceRows + years * p + settles
  const regularOn = (balance: Shared): Shared => {
    if (terms.payment !== undefined) return new D(terms.payment)
    return over
      ? whole(
          level(
            balance,
            ratePer(12, String(annualRate), terms).value,
            years * 12,
            balloon,
            due,
            payments,
          ).div(over),
        )
      : level(balance, nominal(annualRate).value, years * p, balloon, due, payments)
  }
  let payment = graceRows > 0 ? new D(0) : regularOn(owed)
  let last = open ? Infinity : end

  const rateIn = (k: number) =>
    rateChanges.filter(({ fromPayment }) => Number(fromPayment) <= k).at(-1)?.annualRate ?? terms.annualRate
  const isFree = (k: number) => (due === 'start' && k === 1) || (k <= graceRows && grace?.interest === 'none')
  const interestIn = (k: number, on: Shared): Shared => {
    if (isFree(k)) return new D(0)
    const days = daysOf(terms, k)
    return days
      ? whole(
          on
            .times(String(rateIn(k)))
            .times(days[0])
            .div(100 * days[1]),
          interests,
        )
      : whole(nominal(rateIn(k)).times(on), interests)
  }
  /** Whether a balance after row k, with nothing paid any more, is the balloon at least when the term ends. */
  const reaches = (k: number, balance: Shared): boolean => {
    let grown = balance
    for (let n = k + 1; n <= end; n++) grown = grown.plus(interestIn(n, grown))
    return grown.greaterThanOrEqualTo(balloon)
  }
  const mayFall = balloon > 0 && last !== Infinity && (due === 'start' || owed.lessThan(balloon))
  const leastAfter = (k: number): number => {
    if (!mayFall || last === Infinity) return balloon
    let [low, high] = [-1, balloon]
    while (high - low > 1) {
      const middle = Math.floor((low + high) / 2)
      if (reaches(k, new D(middle))) high = middle
      else low = middle
    }
    return high
  }
  const levelOnRest = (after: number, rate: unknown): Shared => {
    const [left, r] = [last - after, nominal(rate).value]
    const now = settles ? new D(balloon).div(r.plus(1).pow(left)) : undefined
    const timing = after === 0 ? due : 'end'
    if (now === undefined || r.isZero()) return level(owed, r, left - settles, balloon, timing, payments)
    // The balloon is due a period later than the last payment: its worth then, as an amount that is left.
    return level(owed, r, left - settles, balloon, timing, payments, now.times(r.plus(1).pow(left - settles)))
  }
  const capped = (amount: number, most: Shared): Shared =>
    D.max(0, D.min(amount, most, new D(yearlyExtraLimit).minus(extraThisYear)))

  let extraThisYear = new D(0)
  let unpaid = new D(0)
  let text = ''
  for (let k = 0; ; k++) {
    if (k > 0) {
      if (k === graceRows + 1 && graceRows > 0) {
        unpaid = new D(0)
        payment = regularOn(owed)
      }
      const change = rateChanges.find(({ fromPayment }) => fromPayment === k)
      if (change) {
        annualRate = change.annualRate
        if (k > graceRows) {
          last = change.keep === 'term' ? end : Infinity
          if (change.keep === 'term' && k <= end - settles) payment = levelOnRest(k - 1, annualRate)
        }
      }
      if (last === Infinity && k > graceRows && owed.lessThanOrEqualTo(balloon)) break
      if (k > alreadyPaid + 1 && (k - 1) % p === 0) extraThisYear = new D(0)
      const interest = interestIn(k, owed.minus(unpaid))
      const least = leastAfter(k)
      const due_ = owed.plus(interest)
      const payable = D.max(0, due_.minus(least))
      const asked =
        k <= graceRows ? (grace?.interest === 'paid' ? interest : new D(grace?.payment ?? 0)) : payment
      const closes = k === last || k === last - settles
      const scheduled = closes || payable.lessThan(asked) ? payable : asked
      const left = due_.minus(scheduled)
      const extra = closes || k <= alreadyPaid ? new D(0) : capped(planned(extras, k, p), left.minus(least))
      extraThisYear = extraThisYear.plus(extra)
      owed = left.minus(extra)
      const paid = scheduled.plus(extra)
      if (k <= graceRows && grace?.interest === 'addedSimple')
        unpaid = D.max(0, unpaid.plus(interest).minus(paid))
      if (k > alreadyPaid)
        text += `${k}|${paid.toFixed()}|${interest.toFixed()}|${paid.minus(interest).toFixed()}|${owed.toFixed()}\n`
      if (
        extra.greaterThan(0) &&
        onExtra === 'lower' &&
        k > graceRows &&
        k < last - settles &&
        owed.greaterThan(0)
      )
        payment = D.max(0, levelOnRest(k, annualRate))
    }
    if (k === alreadyPaid) {
      const lump = capped(planned(extras, 0, p), (k === 0 ? borrowed : owed).minus(leastAfter(k)))
      extraThisYear = lump
      owed = k === 0 ? borrowed.minus(lump).plus(accruedOn(borrowed.minus(lump))) : owed.minus(lump)
      if (
        lump.greaterThan(0) &&
        onExtra === 'lower' &&
        k >= graceRows &&
        k < last - settles &&
        owed.greaterThan(0)
      )
        payment = D.max(0, levelOnRest(k, annualRate))
    }
    if (k === last || owed.lessThanOrEqualTo(0)) break
  }
  return text
}
