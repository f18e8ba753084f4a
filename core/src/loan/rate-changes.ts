import type { Decimal } from '../money/decimal'
import { isoDate } from '../dates/plain-date'
import { readCount } from '../money/read-amount'
import { readRate } from '../rates/percent'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { dueDate } from './due-dates'
import { readDate, type DueDates } from './extras'
import type { RateChange, When } from './loan-terms'

export interface CheckedRateChange {
  readonly fromPayment: number
  readonly annualRate: Decimal
  readonly keep: RateChange['keep']
}

/** Whether a change keeps the payment, so that the end moves. */
export const keepsPayment = (changes: readonly RateChange[] = []): boolean =>
  changes.some(({ keep }) => keep === 'payment')

export function checkRateChanges(
  changes: readonly RateChange[],
  dates: DueDates,
): Checked<readonly CheckedRateChange[]> {
  if (changes.length > 1000) return refuse('OPTION_UNKNOWN', 'rateChanges')
  const checked: CheckedRateChange[] = []
  for (const [index, change] of changes.entries()) {
    const field = `rateChanges.${index}`
    const from = readFrom(change.fromPayment, `${field}.fromPayment`, dates)
    if (!from.ok) return from
    const annualRate = readRate(change.annualRate, `${field}.annualRate`)
    if (!annualRate.ok) return annualRate
    if (change.keep !== 'term' && change.keep !== 'payment') return refuse('OPTION_UNKNOWN', `${field}.keep`)
    if ((checked.at(-1)?.fromPayment ?? 0) >= from.value)
      return refuse('WINDOW_REVERSED', `${field}.fromPayment`, {
        from: checked.at(-1)?.fromPayment ?? 0,
        until: from.value,
      })
    checked.push({ fromPayment: from.value, annualRate: annualRate.value, keep: change.keep })
  }
  return accept(checked)
}

/** From a date on: the payment of the first period that begins on or after it, no period at a rate that had not begun. */
function readFrom(from: When, field: string, dates: DueDates): Checked<number> {
  if (typeof from === 'number') return readCount(from, field, 2, dates.most)
  const payment = readDate(from, field, dates)
  if (!payment.ok) return payment
  const { firstPayment, frequency, anchorDay } = dates
  const beginsBefore = firstPayment && from <= isoDate(dueDate(firstPayment, frequency, 0, anchorDay))
  return readCount(beginsBefore ? 1 : payment.value + 1, field, 2, dates.most)
}
