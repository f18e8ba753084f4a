import { addMonths, isoDate, readIsoDate } from '@vivid/core'

/*
 * Days are counted from the last of 1899, with a 29 February 1900 that never was (ISO/IEC 29500-1, 18.17.4.1): from March 1900 on the
 * count is that of the calendar.
 */

export const FIRST_DAY = '1899-12-30'
const FIRST_MS = Date.parse(FIRST_DAY)
const DAY_MS = 86_400_000
const [EARLIEST, LATEST] = [61, 2_958_465] as const

export const daysOf = (date: Date): number => (date.getTime() - FIRST_MS) / DAY_MS

/** The date of a whole number of days, "2026-11-25"; undefined where there is none that both calendars have. */
export function dateOf(days: number): string | undefined {
  if (!Number.isInteger(days) || days < EARLIEST || days > LATEST) return undefined
  return new Date(FIRST_MS + days * DAY_MS).toISOString().slice(0, 10)
}

/** So many months after a day, both as days; undefined where there is none. A day that a month does not have is its last. */
export function daysAfter(days: number, months: number): number | undefined {
  const date = readIsoDate(dateOf(days) ?? '')
  return date && daysOf(new Date(isoDate(addMonths(date, months))))
}
