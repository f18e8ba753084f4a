import { addMonths, daysBetween, isPlainDateAfter, readIsoDate, type PlainDate } from '../dates/plain-date'
import { isObject } from '../guards/given'
import { unknownName } from '../guards/known-names'
import { readCount } from '../money/read-amount'
import { LARGEST_AMOUNT } from '../money/minor'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { rateWhereZero } from '../search/bisect'
import type { UnitPeriods } from './unit-periods'

/** Equal amounts one unit-period apart, the first after a time from the first advance. Minor units. */
export interface TimedAmounts {
  readonly amount: number
  readonly count: number
  readonly after: UnitPeriods
}

const MOST_AMOUNTS = 20_000

/**
 * The annual percentage rate by the actuarial method, percent: the rate at which advances and payments are worth the
 * same, each discounted by 1 / ((1 + f i)(1 + i)^t), times the unit-periods in a year.
 * Source: 12 CFR Part 1026 (Regulation Z), Appendix J, (b)(8). Refuses payments below the advances (`NO_ANSWER`).
 */
export function annualPercentageRate(
  advances: readonly TimedAmounts[],
  payments: readonly TimedAmounts[],
  unitPeriodsPerYear: number,
): Checked<number> {
  for (const [name, groups] of [
    ['advances', advances],
    ['payments', payments],
  ] as const) {
    if (!Array.isArray(groups)) return refuse('NOT_A_NUMBER', name)
    if (groups.length === 0) return refuse('NOT_A_NUMBER', `${name}.0`)
    for (const [index, group] of (groups as readonly TimedAmounts[]).entries()) {
      if (!isTimed(group)) return refuse('NOT_A_NUMBER', `${name}.${index}`)
      const unknown =
        unknownName(group, 'amount count after', `${name}.${index}`) ??
        unknownName(group.after, 'whole rest', `${name}.${index}.after`) ??
        unknownName(group.after.rest, 'numerator denominator', `${name}.${index}.after.rest`)
      if (unknown) return unknown
    }
  }
  if (!Number.isFinite(unitPeriodsPerYear) || unitPeriodsPerYear <= 0 || unitPeriodsPerYear > 366)
    return refuse('OUT_OF_RANGE', 'unitPeriodsPerYear', { least: 0, most: 366 })
  const worth = (groups: readonly TimedAmounts[], i: number) =>
    groups.reduce((sum, group) => sum + groupWorth(group, i), 0)
  const rate = rateWhereZero((i) => worth(payments, i) - worth(advances, i))
  return found(rate, (i) => 100 * unitPeriodsPerYear * i)
}

const isAmount = (amount: unknown) => typeof amount === 'number' && Math.abs(amount) <= LARGEST_AMOUNT
const isCount = (count: unknown, least: number, most: number) => readCount(count, '', least, most).ok

const isTimed = (group: TimedAmounts) =>
  isObject(group) &&
  isAmount(group.amount) &&
  isCount(group.count, 1, MOST_AMOUNTS) &&
  isObject(group.after) &&
  isCount(group.after.whole, 0, MOST_AMOUNTS) &&
  isObject(group.after.rest) &&
  Object.values(group.after.rest).every(Number.isFinite) &&
  group.after.rest.numerator >= 0 &&
  group.after.rest.denominator > 0

const isDated = (group: DatedAmounts) =>
  isAmount(group.amount) && isCount(group.stepMonths, 0, 1200) && isCount(group.count, 1, MOST_AMOUNTS)

function groupWorth({ amount, count, after: { whole, rest } }: TimedAmounts, i: number): number {
  const first = amount / ((1 + (rest.numerator / rest.denominator) * i) * (1 + i) ** whole)
  if (i === 0) return first * count
  // 1 + v + … + v^(count − 1) with v = 1/(1 + i), without losing digits where i is small.
  const v = 1 / (1 + i)
  return (first * -Math.expm1(-count * Math.log1p(i))) / (1 - v)
}

function found(rate: number | undefined, toPercent: (rate: number) => number): Checked<number> {
  if (rate === undefined) return refuse('NO_ANSWER', 'payments', { reason: 'REPAYS_TOO_LITTLE' })
  if (rate === Infinity) return refuse('NO_ANSWER', 'payments', { reason: 'REPAID_AT_ONCE' })
  return accept(toPercent(rate))
}

/** Equal amounts on dates: the first, then every so many months, on the same day or the month's last. Minor units. */
export interface DatedAmounts {
  readonly amount: number
  /** ISO date */
  readonly firstDate: string
  readonly count: number
  readonly stepMonths: number
}

/**
 * The annual percentage rate of charge, percent: X with Σ drawdowns (1 + X)^−t = Σ payments (1 + X)^−t, t in years from
 * the first drawdown: days ÷ 365 (also in leap years), or whole months ÷ 12.
 * Source: Directive 2008/48/EC and Directive 2014/17/EU, Annex I. Refuses payments below the drawdowns (`NO_ANSWER`).
 */
export function annualPercentageRateOfCharge(
  drawdowns: readonly DatedAmounts[],
  payments: readonly DatedAmounts[],
  timeBasis: 'days365' | 'equalMonths',
): Checked<number> {
  if (timeBasis !== 'days365' && timeBasis !== 'equalMonths') return refuse('OPTION_UNKNOWN', 'timeBasis')
  const all: Record<'drawdowns' | 'payments', { date: PlainDate; amount: number }[]> = {
    drawdowns: [],
    payments: [],
  }
  for (const [name, groups] of [
    ['drawdowns', drawdowns],
    ['payments', payments],
  ] as const) {
    if (!Array.isArray(groups)) return refuse('NOT_A_NUMBER', name)
    for (const [index, group] of (groups as readonly DatedAmounts[]).entries()) {
      if (!isObject(group)) return refuse('NOT_A_NUMBER', `${name}.${index}`)
      const first = readIsoDate(group.firstDate)
      if (!first) return refuse('DATE_UNREADABLE', `${name}.${index}.firstDate`)
      if (!isDated(group)) return refuse('NOT_A_NUMBER', `${name}.${index}`)
      const unknown = unknownName(group, 'amount firstDate count stepMonths', `${name}.${index}`)
      if (unknown) return unknown
      const { amount, count, stepMonths } = group
      for (let k = 0; k < count; k++) all[name].push({ date: addMonths(first, k * stepMonths), amount })
    }
  }
  const start = all.drawdowns
    .map(({ date }) => date)
    .reduce<PlainDate | undefined>(
      (first, date) => (first && isPlainDateAfter(date, first) ? first : date),
      undefined,
    )
  if (!start || all.payments.length === 0) return refuse('NOT_A_NUMBER', start ? 'payments' : 'drawdowns')
  const years = (date: PlainDate) =>
    timeBasis === 'days365'
      ? daysBetween(start, date) / 365
      : ((date.year - start.year) * 12 + date.month - start.month) / 12
  return rateOfFlows([
    ...all.payments.map(({ date, amount }) => ({ years: years(date), amount })),
    ...all.drawdowns.map(({ date, amount }) => ({ years: years(date), amount: -amount })),
  ])
}

/** X with Σ amounts (1 + X)^−years = 0, percent; what is paid out to the borrower is negative. */
export function rateOfFlows(
  flows: readonly { readonly amount: number; readonly years: number }[],
): Checked<number> {
  const worth = (x: number) => flows.reduce((sum, { years, amount }) => sum + amount * (1 + x) ** -years, 0)
  return found(rateWhereZero(worth), (x) => 100 * x)
}
