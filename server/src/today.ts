import type { PlainDate } from '@vivid/core'

/** The one reading of the real calendar: today in the server's time zone (set TZ to the lender's). */
export function todayHere(): PlainDate {
  const now = new Date()
  return { year: now.getFullYear(), month: now.getMonth() + 1, day: now.getDate() }
}
