import { addMonths, daysBetween, isPlainDate, isPlainDateAfter, type PlainDate } from '../dates/plain-date'
import { isObject } from '../guards/given'
import { readCount } from '../money/read-amount'
import { accept, refuse, type Checked } from '../guards/refusal'

/** The unit-period of a transaction: so many months, half-months, weeks or days. */
export interface UnitPeriod {
  readonly unit: 'month' | 'semimonth' | 'week' | 'day'
  /** How many of the unit make a period; 1 for half-months. */
  readonly multiple: number
}

/** Time in unit-periods: whole ones, and a rest as a fraction of one. */
export interface UnitPeriods {
  readonly whole: number
  readonly rest: { readonly numerator: number; readonly denominator: number }
}

/**
 * The time between two dates in unit-periods, as Regulation Z counts it: whole months are counted back from the later
 * date, and the days left are 1/30 of a month (1/15 of a half-month, 1/7 of a week). Refuses what is no day, dates the
 * wrong way round (`DATES_REVERSED`), and a unit-period that is none (`OPTION_UNKNOWN`, `OUT_OF_RANGE`).
 * Source: 12 CFR Part 1026, Appendix J, (b)(4) and (5).
 */
export function unitPeriodsBetween(from: PlainDate, to: PlainDate, period: UnitPeriod): Checked<UnitPeriods> {
  if (!isPlainDate(from)) return refuse('DATE_UNREADABLE', 'from')
  if (!isPlainDate(to)) return refuse('DATE_UNREADABLE', 'to')
  if (isPlainDateAfter(from, to)) return refuse('DATES_REVERSED', 'to')
  if (!isObject(period) || !['month', 'semimonth', 'week', 'day'].includes(period.unit))
    return refuse('OPTION_UNKNOWN', 'unit')
  const multiple = readCount(period.multiple, 'multiple', 1, period.unit === 'semimonth' ? 1 : 366)
  return multiple.ok ? accept(unitPeriods(from, to, period)) : multiple
}

/** The same of dates in order. */
export function unitPeriods(from: PlainDate, to: PlainDate, { unit, multiple }: UnitPeriod): UnitPeriods {
  const days = daysBetween(from, to)
  if (unit === 'day') return split(days, multiple)
  if (unit === 'week') return split(days, 7 * multiple)
  const { months, left } = monthsBack(from, to)
  if (unit === 'month') {
    const whole = Math.floor(months / multiple)
    return { whole, rest: { numerator: (months - whole * multiple) * 30 + left, denominator: 30 * multiple } }
  }
  const more = left > 15 ? 1 : 0
  return { whole: 2 * months + more, rest: { numerator: left - 15 * more, denominator: 15 } }
}

const split = (days: number, length: number): UnitPeriods => {
  const whole = Math.floor(days / length)
  return { whole, rest: { numerator: days - whole * length, denominator: length } }
}

function monthsBack(from: PlainDate, to: PlainDate): { months: number; left: number } {
  let months = (to.year - from.year) * 12 + to.month - from.month
  if (isPlainDateAfter(from, addMonths(to, -months))) months--
  return { months, left: daysBetween(from, addMonths(to, -months)) }
}
