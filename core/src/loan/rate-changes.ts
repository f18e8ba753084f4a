import type { Decimal } from '../money/decimal'
import { isObject, readCount } from '../money/read-amount'
import { readRate } from '../rates/percent'
import type { Checked } from '../refusal'
import { accept, refuse } from '../refusal'
import type { RateChange } from './terms'

export type CheckedRateChange = Omit<RateChange, 'annualRate'> & { readonly annualRate: Decimal }

/** Whether a change keeps the payment, so that the end moves. */
export const keepsPayment = (changes: unknown): boolean =>
  Array.isArray(changes) && changes.some((change: Partial<RateChange> | null) => change?.keep === 'payment')

export function checkRateChanges(
  changes: readonly RateChange[],
  most: number,
): Checked<readonly CheckedRateChange[]> {
  if (!Array.isArray(changes) || changes.length > 1000) return refuse('OPTION_UNKNOWN', 'rateChanges')
  const checked: CheckedRateChange[] = []
  for (const [index, change] of (changes as readonly RateChange[]).entries()) {
    const field = `rateChanges.${index}`
    if (!isObject(change)) return refuse('OPTION_UNKNOWN', field)
    const from = readCount(change.fromPayment, `${field}.fromPayment`, 2, most)
    if (!from.ok) return from
    const annualRate = readRate(change.annualRate, `${field}.annualRate`)
    if (!annualRate.ok) return annualRate
    if (change.keep !== 'term' && change.keep !== 'payment') return refuse('OPTION_UNKNOWN', `${field}.keep`)
    if ((checked.at(-1)?.fromPayment ?? 0) >= from.value)
      return refuse('WINDOW_REVERSED', `${field}.fromPayment`)
    checked.push({ fromPayment: from.value, annualRate: annualRate.value, keep: change.keep })
  }
  return accept(checked)
}
