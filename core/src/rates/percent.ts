import { Decimal, isDecimal } from '../money/decimal'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'

/** The highest rate or share that is taken, percent. Above it something was mistyped. */
export const HIGHEST_PERCENT = 1000

const PLAIN_DECIMAL = /^-?\d{1,6}(\.\d{1,12})?$/

/** Whether a text is a plain decimal as it crosses the network: "4.64", at most 12 decimals, no grouping. */
export const isPlainDecimal = (text: unknown): boolean => typeof text === 'string' && PLAIN_DECIMAL.test(text)

/** Reads percent a year ("4.64" is 4.64 %). Refuses what is not a plain decimal, negative or above 1,000 %. */
export function readRate(annualRate: string | Decimal, field: string): Checked<Decimal> {
  if (!isPlainDecimal(annualRate) && !isDecimal(annualRate)) return refuse('RATE_UNREADABLE', field)
  const rate = new Decimal(annualRate)
  if (rate.isNegative() && !rate.isZero()) return refuse('RATE_NEGATIVE', field)
  if (rate.greaterThan(HIGHEST_PERCENT)) return refuse('RATE_TOO_HIGH', field, { highest: HIGHEST_PERCENT })
  return accept(rate.abs())
}
