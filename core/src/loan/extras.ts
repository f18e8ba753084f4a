import { isoDate, isPlainDateAfter, readIsoDate, type PlainDate } from '../dates/plain-date'
import { dueDate } from './due-dates'
import { factsOf, type Frequency } from '../rates/frequency'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { readAmount, readCount } from '../money/read-amount'
import type { Extra, When } from './loan-terms'

/** Where a payment of the loan falls in time. */
export interface Calendar {
  readonly frequency: Frequency
  readonly firstPayment: PlainDate | undefined
  readonly anchorDay: number | undefined
  /** The highest payment number that may be named. */
  readonly most: number
  readonly due: 'end' | 'start'
  /** Periods before the first payment's own in which nothing is paid. */
  readonly periodsBefore: number
  /** Payments made so far: what is planned comes after them. */
  readonly paymentsMade: number
}

/** No calendar of four-digit years has more payments than this. */
const MOST_IN_A_CALENDAR = 530_000

/** An extra with its times as payment numbers. */
export interface PlannedExtra {
  readonly amount: number
  readonly every: Extra['every']
  /** For `year` the payment of each year; for `once` its number, 0 for today. */
  readonly at: number
  readonly from: number
  readonly until: number
}

/** Checks extras and turns their dates into payment numbers. */
export function checkExtras(
  extras: readonly Extra<number>[],
  calendar: Calendar,
): Checked<readonly PlannedExtra[]> {
  if (extras.length > 1000) return refuse('OPTION_UNKNOWN', 'extras')
  const planned: PlannedExtra[] = []
  for (const [index, extra] of extras.entries()) {
    const checked = checkExtra(extra, `extras.${index}`, calendar)
    if (!checked.ok) return checked
    planned.push(checked.value)
  }
  return accept(planned)
}

function checkExtra(extra: Extra<number>, field: string, calendar: Calendar): Checked<PlannedExtra> {
  const { every, from = 1, until } = extra
  if (every !== 'payment' && every !== 'year' && every !== 'once')
    return refuse('OPTION_UNKNOWN', `${field}.every`)
  const amount = readAmount(extra.amount, `${field}.amount`, 'zero allowed')
  if (!amount.ok) return amount
  // A window may reach past the end of the loan: what is planned after it is repaid is not paid.
  const window = { ...calendar, most: MOST_IN_A_CALENDAR }
  const { paymentsMade } = calendar
  const behind = (name: string) => behindToday(`${field}.${name}`, paymentsMade)
  const which = readAt(extra, `${field}.at`, calendar)
  if (!which.ok) return which
  const first = readWhen(from, `${field}.from`, window, 0)
  if (!first.ok) return first
  const last = until === undefined ? accept(Infinity) : readWhen(until, `${field}.until`, window, 0)
  if (!last.ok) return last
  // A date between two payments is the next one for a beginning, and the one before for an end.
  const end = typeof until === 'string' && !fallsOn(until, last.value, calendar) ? last.value - 1 : last.value
  if (end < first.value) return refuse('WINDOW_REVERSED', `${field}.until`, { from: first.value, until: end })
  const isBehind = (number: number) => paymentsMade > 0 && number <= paymentsMade
  if (from !== 1 && first.value > 1 && isBehind(first.value)) return behind('from')
  if (isBehind(end)) return behind('until')
  return accept({ amount: amount.value, every, at: which.value, from: Math.max(1, first.value), until: end })
}

/** Which payment of each year, or which payment at all: 0 is today, after the last payment made. */
function readAt({ every, at }: Extra<number>, field: string, calendar: Calendar): Checked<number> {
  if (every === 'payment') return accept(0)
  if (every === 'once') return readOnce(at ?? 0, field, calendar)
  const { perYear } = factsOf(calendar.frequency)
  if (typeof at !== 'string') return readCount(at ?? 1, field, 1, perYear)
  const number = readDate(at, field, { ...calendar, most: MOST_IN_A_CALENDAR })
  return number.ok ? accept(((number.value - 1) % perYear) + 1) : number
}

function readOnce(at: When, field: string, calendar: Calendar): Checked<number> {
  const { paymentsMade } = calendar
  const number = readWhen(at, field, calendar, 0)
  if (!number.ok) return number
  const isToday = typeof at === 'string' ? isDayOf(at, beginning(calendar)) : number.value === paymentsMade
  if (isToday) return accept(0)
  const liesBehind =
    typeof at === 'string' ? isBefore(at, beginning(calendar)) : at > 0 && number.value < paymentsMade
  if (liesBehind) return behindToday(field, paymentsMade)
  return typeof at === 'string' && isInSilence(at, calendar)
    ? refuse('TERMS_DO_NOT_MIX', field, { with: 'grace' })
    : number
}

const behindToday = (field: string, paymentsMade: number) =>
  refuse('LIES_BEHIND', field, { paymentsMade, with: 'alreadyPaid' })

/** Whether a day lies in a grace time in which nothing is paid: no payment could take an extra along. */
function isInSilence(at: string, { firstPayment, frequency, anchorDay, periodsBefore }: Calendar): boolean {
  if (periodsBefore === 0 || !firstPayment) return false
  return at <= isoDate(dueDate(firstPayment, frequency, 0, anchorDay))
}

/** The day of the last payment made; of the loan's beginning where none was. */
function beginning({ firstPayment, frequency, anchorDay, due, periodsBefore, paymentsMade }: Calendar) {
  if (!firstPayment) return undefined
  const first = due === 'start' ? 1 : -periodsBefore
  return dueDate(firstPayment, frequency, paymentsMade === 0 ? first : paymentsMade, anchorDay)
}

const isDayOf = (iso: string, day: PlainDate | undefined): boolean =>
  day !== undefined && iso === isoDate(day)

/** ISO dates sort as days do. */
const isBefore = (iso: string, day: PlainDate | undefined): boolean => day !== undefined && iso < isoDate(day)

function readWhen(when: When, field: string, calendar: Calendar, least: number): Checked<number> {
  if (typeof when === 'number') return readCount(when, field, least, calendar.most)
  const number = readDate(when, field, calendar)
  if (!number.ok) return number
  // A date after the last payment: nothing would be paid then.
  return number.value > calendar.most ? refuse('OUT_OF_RANGE', field, { least, most: calendar.most }) : number
}

/** Where payments fall, as far as dates are read by it. */
export type DueDates = Pick<Calendar, 'firstPayment' | 'frequency' | 'anchorDay' | 'most'>

/** The number of the first payment on or after a date; one more than there may be where it lies behind them all. */
export function readDate(
  when: When,
  field: string,
  { firstPayment, frequency, anchorDay, most }: DueDates,
): Checked<number> {
  const date = readIsoDate(when)
  if (!date) return refuse('DATE_UNREADABLE', field)
  if (!firstPayment) return refuse('DATE_NEEDED', 'firstPayment')
  let [low, high] = [1, most + 1]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (isPlainDateAfter(date, dueDate(firstPayment, frequency, middle, anchorDay))) low = middle + 1
    else high = middle
  }
  return accept(low)
}

function fallsOn(iso: string, number: number, { firstPayment, frequency, anchorDay }: DueDates): boolean {
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
