import { minor, type Minor } from '../money/minor'
import { roundDecimal } from '../money/rounding'
import { Decimal } from '../money/decimal'
import { readRate } from '../rates/percent'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { isObject } from '../guards/given'
import { unknownName } from '../guards/known-names'
import { readAmount } from '../money/read-amount'

/** What is bought and what is paid for it at once. Minor units; nothing given counts as zero. */
export interface Purchase {
  readonly price: number
  readonly down?: { readonly amount: number } | { readonly percent: string }
  /** What an old vehicle or vessel is taken back for, and what is still owed on it. */
  readonly tradeIn?: number
  readonly owedOnTradeIn?: number
  /** Fees and taxes that are financed. */
  readonly financedFees?: number
  readonly financedTaxes?: number
}

/**
 * The amount to borrow: price, less down payment (a percentage is of the price, nearest minor unit) and trade-in, plus
 * what is owed on that and what is financed. Refuses where less than nothing is left to borrow (`NO_ANSWER`).
 */
export function amountToBorrow(purchase: Purchase): Checked<Minor> {
  const unknown = unknownName(purchase, 'price down tradeIn owedOnTradeIn financedFees financedTaxes')
  if (unknown) return unknown
  const price = readAmount(purchase.price, 'price')
  if (!price.ok) return price
  const down = readDown(purchase.down ?? { amount: 0 }, price.value)
  if (!down.ok) return down
  let sum = price.value - down.value
  for (const [name, sign] of [
    ['tradeIn', -1],
    ['owedOnTradeIn', 1],
    ['financedFees', 1],
    ['financedTaxes', 1],
  ] as const) {
    const amount = readAmount(purchase[name] ?? 0, name, 'zero allowed')
    if (!amount.ok) return amount
    sum += sign * amount.value
  }
  return sum >= 0
    ? accept(minor(sum))
    : refuse('NO_ANSWER', 'down', { reason: 'NOTHING_TO_BORROW', over: -sum })
}

/** A down payment is an amount or a percentage, never both. */
export const unknownDown = (down: unknown) =>
  unknownName(down, isObject(down) && 'amount' in down ? 'amount' : 'percent', 'down')

function readDown(down: NonNullable<Purchase['down']>, price: Minor): Checked<Minor> {
  const unknown = unknownDown(down)
  if (unknown) return unknown
  if ('amount' in down) return readAmount(down.amount, 'down.amount', 'zero allowed')
  const percent = readRate(down.percent, 'down.percent')
  if (!percent.ok) return percent
  if (percent.value.greaterThan(100)) return refuse('OUT_OF_RANGE', 'down.percent', { least: 0, most: 100 })
  return accept(roundDecimal(new Decimal(price).times(percent.value).div(100)))
}
