import { isoDate, readIsoDate, type PlainDate } from './plain-date'

/** A moment in the lender's time: a day, and a minute of it ("09:00"). */
export interface Moment extends PlainDate {
  /** "00:00" to "23:59" */
  readonly time: string
}

const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/

/** Reads "2026-11-25T09:00"; a day alone is its first minute. Undefined for what is neither. */
export function readMoment(text: unknown): Moment | undefined {
  if (typeof text !== 'string') return undefined
  const [date = '', time = '00:00', ...more] = text.split('T')
  const day = readIsoDate(date)
  return day && CLOCK.test(time) && more.length === 0 ? { ...day, time } : undefined
}

/** "2026-11-25T09:00": such texts sort as the moments do. */
export const minuteText = (moment: Moment): string => `${isoDate(moment)}T${moment.time}`
