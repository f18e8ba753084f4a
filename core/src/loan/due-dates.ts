import type { Frequency } from '../rates/frequency'
import { factsOf } from '../rates/frequency'
import type { PlainDate } from '../dates/plain-date'
import { addDays, addMonths, daysInMonth } from '../dates/plain-date'

/**
 * The date of payment `number` (1 is the first), reckoned from the first date and never from the one before,
 * so that month ends do not drift: 31 January, 28 February, 31 March.
 *
 * Semi-monthly payments fall on two days of the month 15 apart: the day of the first payment and the one 15
 * days later, or earlier where it is after the 15th. Both are clamped to the month's end afresh.
 * `anchorDay` is the day of the month where the first month is too short to show it (the 31st, first paid on 28 February).
 */
export function dueDate(
  first: PlainDate,
  frequency: Frequency,
  number: number,
  anchorDay?: number,
): PlainDate {
  const { every } = factsOf(frequency)
  const steps = number - 1
  if ('days' in every) return addDays(first, every.days * steps)
  if ('months' in every) return addMonths({ ...first, day: anchorDay ?? first.day }, every.months * steps)
  const early = earlyDay(anchorDay ?? first.day)
  const halves = steps + (first.day === early ? 0 : 1)
  const { year, month } = addMonths({ ...first, day: 1 }, Math.floor(halves / 2))
  const day = halves % 2 === 0 ? early : early + 15
  return { year, month, day: Math.min(day, daysInMonth(year, month)) }
}

/** The earlier of the two days of the month that payments fall on twice a month, from either. */
export const earlyDay = (day: number): number => (day > 15 ? day - 15 : day)

/**
 * The day of the month to go on from where a first payment does not show it itself: its month is too short, or of the two
 * days of a month it fell on the one that could also belong to another pair.
 */
export function anchorDayOf(day: number, first: PlainDate, frequency: Frequency): number | undefined {
  const { every } = factsOf(frequency)
  if ('days' in every) return undefined
  const isShown = 'months' in every ? first.day === day : earlyDay(first.day) === earlyDay(day)
  return isShown ? undefined : day
}
