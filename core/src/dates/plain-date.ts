/** A calendar date without a clock or a zone, in the proleptic Gregorian calendar. */
export interface PlainDate {
  readonly year: number
  /** 1 to 12 */
  readonly month: number
  /** 1 to 31 */
  readonly day: number
}

const ISO_DATE = /^(\d{4})-(\d{2})-(\d{2})$/

const isLeapYear = (year: number): boolean => year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0)

export function daysInMonth(year: number, month: number): number {
  if (month === 2) return isLeapYear(year) ? 29 : 28
  return month === 4 || month === 6 || month === 9 || month === 11 ? 30 : 31
}

/** Reads "2026-11-25"; undefined for anything that is not a day of the calendar (30 February), or no text. */
export function readIsoDate(text: unknown): PlainDate | undefined {
  const match = typeof text === 'string' ? ISO_DATE.exec(text) : null
  if (!match) return undefined
  const [year, month, day] = [Number(match[1]), Number(match[2]), Number(match[3])]
  if (month < 1 || month > 12 || day < 1 || day > daysInMonth(year, month)) return undefined
  return { year, month, day }
}

/** Whether something from outside is a day of the calendar. */
export const isPlainDate = (date: unknown): date is PlainDate =>
  typeof date === 'object' &&
  date !== null &&
  'year' in date &&
  'month' in date &&
  'day' in date &&
  [date.year, date.month, date.day].every(Number.isInteger) &&
  readIsoDate(isoDate(date as PlainDate)) !== undefined

export const isoDate = ({ year, month, day }: PlainDate): string =>
  `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`

/** The same day of the month `months` later, or the last day of a shorter month. */
export function addMonths(date: PlainDate, months: number): PlainDate {
  const index = date.year * 12 + date.month - 1 + months
  const year = Math.floor(index / 12)
  const month = index - year * 12 + 1
  return { year, month, day: Math.min(date.day, daysInMonth(year, month)) }
}

/**
 * Days since 1 March of the year 0, counted with years that begin in March so that the leap day comes last.
 * Source: the civil calendar's 400-year cycle of 146,097 days.
 */
function dayNumber({ year, month, day }: PlainDate): number {
  const marchYear = month > 2 ? year : year - 1
  const marchMonth = month > 2 ? month - 3 : month + 9
  const leapDays = Math.floor(marchYear / 4) - Math.floor(marchYear / 100) + Math.floor(marchYear / 400)
  return marchYear * 365 + leapDays + Math.floor((153 * marchMonth + 2) / 5) + day - 1
}

function dateOfDayNumber(number: number): PlainDate {
  const era = Math.floor(number / 146_097)
  const dayOfEra = number - era * 146_097
  const yearOfEra = Math.floor(
    (dayOfEra -
      Math.floor(dayOfEra / 1460) +
      Math.floor(dayOfEra / 36_524) -
      Math.floor(dayOfEra / 146_096)) /
      365,
  )
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100))
  const marchMonth = Math.floor((5 * dayOfYear + 2) / 153)
  const month = marchMonth < 10 ? marchMonth + 3 : marchMonth - 9
  const year = yearOfEra + era * 400 + (month <= 2 ? 1 : 0)
  return { year, month, day: dayOfYear - Math.floor((153 * marchMonth + 2) / 5) + 1 }
}

export const addDays = (date: PlainDate, days: number): PlainDate => dateOfDayNumber(dayNumber(date) + days)

/** Whether the first date is later than the second. */
export const isPlainDateAfter = (date: PlainDate, other: PlainDate): boolean => daysBetween(other, date) > 0

/** Days from the first date (excluded) to the second (included); negative when the second is earlier. */
export const daysBetween = (from: PlainDate, to: PlainDate): number => dayNumber(to) - dayNumber(from)
