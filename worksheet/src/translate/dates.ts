import { dateOf, daysOf, FIRST_DAY } from '../book/days'
import { NotTaken } from '../formula/parse-formula'
import { asNumber, number, type Code } from './code'

/** A date as a worksheet has it: a number of days. */
export const dayNumber = (date: string): Code => ({
  ...number(`days between(${written(FIRST_DAY)}, ${date})`, false),
  date,
})

export const written = (isoDate: string): string => `date("${isoDate}")`

/** So many months later. */
export function monthsLater(date: Code, months: string): Code {
  if (date.date === undefined) throw new NotTaken('it counts months from what is no date')
  return dayNumber(`(${date.date} + months(${months}))`)
}

export function dateFrom(parts: readonly Code[]): Code {
  const [year = NaN, month = NaN, day = NaN] = parts.map((part) => Number(asNumber(part)))
  const date = dateOf(daysOf(new Date(Date.UTC(year, month - 1, day))))
  if (date === undefined) throw new NotTaken('its date is worked out, not written')
  return dayNumber(written(date))
}

export function yearOf(date: Code): Code {
  if (date.date === undefined) throw new NotTaken('it asks the year of what is no date')
  return number(`year of(${date.date})`)
}
