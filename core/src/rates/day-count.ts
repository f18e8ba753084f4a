import type { PlainDate } from '../dates/plain-date'
import { daysBetween, daysInMonth, isPlainDate, isPlainDateAfter } from '../dates/plain-date'
import { isOneOf } from '../guards/given'
import { accept, refuse, type Checked } from '../guards/refusal'
import type { Decimal } from '../money/decimal'
import { fractionOf } from '../money/fraction'
import type { PeriodicRate } from './periodic-rate'

/**
 * How the days of a period make interest. `equal`: every period is the same part of a year. `thirtyOver365`: 30 days
 * of a 365-day year each. `thirty360`: 30 days of 360 each. The others count the days between due dates: `actual365`
 * and `actual360` by the calendar (also in leap years); `thirtyE360`, `thirty360Bond` and `thirty360US` by months of
 * 30 days, which differ in how they treat a month's end.
 * Source: the 2006 ISDA Definitions, section 4.16 (e) to (g); 30U/360 with its rule for the end of February.
 */
export const dayCounts = {
  equal: { counts: 'none', year: 1 },
  thirtyOver365: { counts: 'thirty', year: 365 },
  thirty360: { counts: 'thirty', year: 360 },
  actual365: { counts: 'actual', year: 365 },
  actual360: { counts: 'actual', year: 360 },
  thirtyE360: { counts: '30E', year: 360 },
  thirty360Bond: { counts: 'bond', year: 360 },
  thirty360US: { counts: '30U', year: 360 },
} as const

export type DayCount = keyof typeof dayCounts
export type DaysRule = Exclude<(typeof dayCounts)[DayCount]['counts'], 'none' | 'thirty'>

const daysRules: Readonly<Record<DaysRule, true>> = { actual: true, '30E': true, bond: true, '30U': true }

/**
 * Days from one date (excluded) to another (included), by a rule: a whole number, not negative. Refuses a rule that
 * counts no dates (`OPTION_UNKNOWN`) and dates the wrong way round (`DATES_REVERSED`).
 */
export function countDays(rule: DaysRule, from: PlainDate, to: PlainDate): Checked<number> {
  if (!isOneOf(rule, daysRules)) return refuse('OPTION_UNKNOWN', 'rule')
  for (const [name, date] of [
    ['from', from],
    ['to', to],
  ] as const)
    if (!isPlainDate(date)) return refuse('DATE_UNREADABLE', name)
  if (isPlainDateAfter(from, to)) return refuse('DATES_REVERSED', 'to')
  return accept(daysBetweenDates(rule, from, to))
}

/** The same of dates in order. */
export function daysBetweenDates(rule: DaysRule, from: PlainDate, to: PlainDate): number {
  if (rule === 'actual') return daysBetween(from, to)
  const [start, end] = thirtyDayMonths(rule, from, to)
  return (to.year - from.year) * 360 + (to.month - from.month) * 30 + (end - start)
}

/** The days of the month of both dates, in months of 30 days. */
function thirtyDayMonths(
  rule: '30E' | 'bond' | '30U',
  from: PlainDate,
  to: PlainDate,
): readonly [number, number] {
  if (rule === '30E') return [Math.min(from.day, 30), Math.min(to.day, 30)]
  const endsFebruary = (date: PlainDate) => date.month === 2 && date.day === daysInMonth(date.year, 2)
  const startsAtEnd = rule === '30U' && endsFebruary(from)
  const start = startsAtEnd ? 30 : Math.min(from.day, 30)
  if (startsAtEnd && endsFebruary(to)) return [start, 30]
  return [start, to.day === 31 && start === 30 ? 30 : to.day]
}

/** The rate of a period of so many days: annual rate × days / year. Exact. */
export function rateForDays(annualRate: Decimal, days: number, year: number): PeriodicRate {
  const yearly = fractionOf(annualRate)
  return {
    asNumber: (annualRate.toNumber() * days) / (100 * year),
    exact: {
      numerator: yearly.numerator * BigInt(days),
      denominator: yearly.denominator * 100n * BigInt(year),
    },
  }
}
