import type { Moment, PlainDate } from '@vivid/core'

/** The day of a moment in the server's time zone (set TZ to the lender's). */
export const dayOf = (moment: Date): PlainDate => ({
  year: moment.getFullYear(),
  month: moment.getMonth() + 1,
  day: moment.getDate(),
})

const two = (n: number) => String(n).padStart(2, '0')

/** The minute of a moment there, "2026-11-25T09:41". Such texts sort as the moments do. */
export const minuteOf = (moment: Date): string =>
  `${moment.getFullYear()}-${two(moment.getMonth() + 1)}-${two(moment.getDate())}T${two(moment.getHours())}:${two(moment.getMinutes())}`

/** The same as day and minute, as the core takes it. */
export const momentOf = (moment: Date): Moment => ({ ...dayOf(moment), time: minuteOf(moment).slice(11) })

/** The last moment of a day there, or now where that is sooner. */
export function endOf(day: string, now: Date): Date {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number)
  const end = new Date(year, month - 1, date, 23, 59, 59, 999)
  return end < now ? end : now
}
