import { dateOf, daysOf, FIRST_DAY } from '../book/days'
import { NotTaken } from '../formula/formula'
import { asNumber, number, writtenNumber, type Code } from './code'

/** A date as a worksheet has it: a number of days. */
export const dayNumber = (date: string): Code => ({
  ...number(`days between(${written(FIRST_DAY)}, ${date})`, false),
  date,
})

export const written = (isoDate: string): string => `date("${isoDate}")`

const dateIn = ({ date }: Code, what: string): string => {
  if (date === undefined) throw new NotTaken(`it ${what} what is no date`)
  return date
}

/** So many months later. */
export const monthsLater = (date: Code, months: string): Code =>
  dayNumber(`(${dateIn(date, 'counts months from')} + months(${months}))`)

/** Months are counted from the first of one that begins and ends as all may: what is added to it is a month's first, or its last. */
const [FIRST_YEAR, FIRST_OF_MONTH, LAST_OF_MONTH] = [1900, written('1900-01-01'), written('1900-01-31')]
const monthOf = (date: string): string => `in months(time until(${FIRST_OF_MONTH}, ${date}))`

/** The last day of the month that is so many months later. */
export const endOfMonth = (date: Code, months: string): Code =>
  dayNumber(`(${LAST_OF_MONTH} + months(${monthOf(dateIn(date, 'asks the month of'))} + ${months}))`)

/** A day of the calendar, its parts written or worked out; days and months run over into the next. */
export function dateFrom([year, month, day]: readonly Code[]): Code {
  if (!year || !month || !day) throw new NotTaken('an argument is missing')
  const [y, m, d] = [writtenNumber(year), writtenNumber(month), writtenNumber(day)]
  const date = dateOf(daysOf(new Date(Date.UTC(y, m - 1, d))))
  if (date !== undefined) return dayNumber(written(date))
  if ([y, m, d].every(Number.isFinite)) throw new NotTaken('its day is none that both calendars have')
  const months = `(${asNumber(year)} - ${FIRST_YEAR}) * 12 + ${asNumber(month)} - 1`
  const first = dayNumber(`(${FIRST_OF_MONTH} + months(${months}))`)
  return d === 1 ? first : number(`(${first.text} + ${asNumber(day)} - 1)`, false)
}

export const yearOf = (date: Code): Code => number(`year of(${dateIn(date, 'asks the year of')})`)
export function monthOfYear(date: Code): Code {
  const months = monthOf(dateIn(date, 'asks the month of'))
  return number(`(${months} - 12 * (year of(${date.date ?? ''}) - ${FIRST_YEAR}) + 1)`, false)
}
export function dayOfMonth(date: Code): Code {
  const day = dateIn(date, 'asks the day of')
  return number(`(days between(${FIRST_OF_MONTH} + months(${monthOf(day)}), ${day}) + 1)`, false)
}

/** Whole days, months or years from one date to a later one: "d", "m", "y". */
export function timeBetween(from: Code, to: Code, unit: Code): Code {
  const [start, end] = [from, to].map((one) => dateIn(one, 'counts the time between days of'))
  const months = `in months(time until(${start ?? ''}, ${end ?? ''}))`
  switch (unit.text.toLowerCase()) {
    case '"d"':
      return number(`days between(${start ?? ''}, ${end ?? ''})`, false)
    case '"m"':
      return number(months, false)
    case '"y"':
      return number(`round down(${months} / 12, 1)`, false)
    default:
      throw new NotTaken('it counts time otherwise than in whole days, months or years')
  }
}
