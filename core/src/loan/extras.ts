import { isPlainDateAfter, readIsoDate, type PlainDate } from '../dates/plain-date'
import { dueDate } from './due-dates'
import { factsOf, type Frequency } from '../rates/frequency'
import type { Checked } from '../refusal'
import { accept, refuse } from '../refusal'
import { isObject, readAmount, readCount } from '../money/read-amount'
import { MOST_PAYMENTS, type Extra, type When } from './terms'

/** Where a payment of the loan falls in time. */
export interface Calendar {
  readonly frequency: Frequency
  readonly firstPayment: PlainDate | undefined
  readonly anchorDay: number | undefined
  /** The highest payment number that may be named. */
  readonly most: number
}

/** An extra with its times as payment numbers. */
export interface PlannedExtra {
  readonly amount: number
  readonly every: Extra['every']
  readonly at: number
  readonly from: number
  readonly until: number
}

/** Checks extras and turns their dates into payment numbers. */
export function checkExtras(extras: readonly Extra[], calendar: Calendar): Checked<readonly PlannedExtra[]> {
  if (!Array.isArray(extras) || extras.length > 1000) return refuse('OPTION_UNKNOWN', 'extras')
  const planned: PlannedExtra[] = []
  for (const [index, extra] of extras.entries()) {
    const checked = checkExtra(extra, `extras.${index}`, calendar)
    if (!checked.ok) return checked
    planned.push(checked.value)
  }
  return accept(planned)
}

function checkExtra(extra: Extra, field: string, calendar: Calendar): Checked<PlannedExtra> {
  if (!isObject(extra)) return refuse('OPTION_UNKNOWN', field)
  const { every, at, from = 1, until } = extra
  if (every !== 'payment' && every !== 'year' && every !== 'once')
    return refuse('OPTION_UNKNOWN', `${field}.every`)
  const amount = readAmount(extra.amount, `${field}.amount`, 'zero allowed')
  if (!amount.ok) return amount
  const perYear = factsOf(calendar.frequency).perYear
  const which =
    every === 'payment'
      ? accept(0)
      : every === 'year'
        ? readCount(at ?? 1, `${field}.at`, 1, perYear)
        : readWhen(at ?? 0, `${field}.at`, calendar, 0)
  if (!which.ok) return which
  // A window may reach past the end of the loan: what is planned after it is repaid is not paid.
  const window = { ...calendar, most: MOST_PAYMENTS }
  const first = readWhen(from, `${field}.from`, window, 0)
  if (!first.ok) return first
  const last = until === undefined ? accept(Infinity) : readWhen(until, `${field}.until`, window, 0)
  if (!last.ok) return last
  // A date between two payments is the next one for a beginning, and the one before for an end.
  const end = typeof until === 'string' && !fallsOn(until, last.value, calendar) ? last.value - 1 : last.value
  if (end < first.value) return refuse('WINDOW_REVERSED', `${field}.until`, { from: first.value, until: end })
  return accept({ amount: amount.value, every, at: which.value, from: first.value, until: end })
}

function readWhen(when: When, field: string, calendar: Calendar, least: number): Checked<number> {
  if (typeof when === 'number') return readCount(when, field, least, calendar.most)
  const date = readIsoDate(String(when))
  if (!date) return refuse('DATE_UNREADABLE', field)
  if (!calendar.firstPayment) return refuse('DATE_NEEDED', 'firstPayment')
  return accept(firstPaymentFrom(date, calendar))
}

/** The number of the first payment on or after a date. */
function firstPaymentFrom(date: PlainDate, { firstPayment, frequency, anchorDay, most }: Calendar): number {
  if (!firstPayment) return 1
  let [low, high] = [1, most]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (isPlainDateAfter(date, dueDate(firstPayment, frequency, middle, anchorDay))) low = middle + 1
    else high = middle
  }
  return low
}

function fallsOn(iso: string, number: number, { firstPayment, frequency, anchorDay }: Calendar): boolean {
  const date = readIsoDate(iso)
  if (!date || !firstPayment) return false
  const due = dueDate(firstPayment, frequency, number, anchorDay)
  return due.year === date.year && due.month === date.month && due.day === date.day
}

/** What is planned to be paid on top of payment `number`, before any limit. */
export function plannedAt(extras: readonly PlannedExtra[], number: number, perYear: number): number {
  let sum = 0
  for (const { amount, every, at, from, until } of extras) {
    if (every === 'once') sum += at === number ? amount : 0
    else if (number < from || number > until) continue
    else if (every === 'payment' || ((number - 1) % perYear) + 1 === at) sum += amount
  }
  return sum
}
