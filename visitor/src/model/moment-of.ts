import { readMoment, type Moment } from '@vivid/core/evaluate'

/** The moment a page served on a day is worked out for: its last, as its sheets hold only what had begun by then. */
export function momentOf(day: string): Moment {
  const moment = readMoment(`${day}T23:59`)
  if (!moment) throw new Error(`the page was served for ${day}, which is no day`)
  return moment
}
