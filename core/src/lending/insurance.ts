import { Decimal } from '../money/decimal'
import type { Minor } from '../money/minor'
import { roundDecimal } from '../money/rounding'
import { readRate } from '../rates/percent'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { isObject } from '../guards/given'
import { unknownName } from '../guards/known-names'
import { readAmount } from '../money/read-amount'

/** A premium for loans up to a loan-to-value, and for credit scores within a band where one is given. Percent. */
export interface PremiumBand {
  readonly loanToValueUpTo: string
  readonly percent: string
  /** Credit scores, both included; none: any score. */
  readonly credit?: { readonly from: number; readonly to: number }
}

export interface Premium {
  /** Loan ÷ value in percent, unrounded. */
  readonly loanToValue: Decimal
  readonly percent: Decimal
  /** Percent of the loan, nearest minor unit: an added premium, or a yearly one. */
  readonly premium: Minor
}

/**
 * The premium of a loan by its loan-to-value and the borrower's credit score: the first band, in the order given,
 * whose limit is not below the loan-to-value. Refuses a loan above every band (`NO_ANSWER`, with the highest limit)
 * and a table that is not in rising order within a credit band (`TABLE_INVALID`, with its row).
 */
export function insuranceFor(
  loan: number,
  value: number,
  bands: readonly PremiumBand[],
  creditScore?: number,
): Checked<Premium> {
  const amount = readAmount(loan, 'loan')
  if (!amount.ok) return amount
  const worth = readAmount(value, 'value')
  if (!worth.ok) return worth
  const table = readBands(bands)
  if (!table.ok) return table
  if (creditScore !== undefined && !Number.isFinite(creditScore)) return refuse('NOT_A_NUMBER', 'creditScore')
  const loanToValue = new Decimal(loan).times(100).div(value)
  const fits = ({ credit }: PremiumBand) =>
    !credit || (creditScore !== undefined && creditScore >= credit.from && creditScore <= credit.to)
  const open = table.value.filter(({ band }) => fits(band))
  const row = open.find(({ upTo }) => loanToValue.lessThanOrEqualTo(upTo))
  if (!row) {
    const highest = open.at(-1)?.upTo.toString() ?? '0'
    return refuse('NO_ANSWER', 'loan', {
      reason: open.length === 0 ? 'NO_BAND_FOR_CREDIT' : 'ABOVE_ALL_BANDS',
      most: highest,
    })
  }
  return accept({
    loanToValue,
    percent: row.percent,
    premium: roundDecimal(row.percent.times(loan).div(100)),
  })
}

const isCreditBand = (credit: PremiumBand['credit']) =>
  credit === undefined || (isObject(credit) && Number.isFinite(credit.from) && Number.isFinite(credit.to))

/** What one credit band would pay. */
export interface PremiumOfCredit {
  readonly credit: PremiumBand['credit']
  readonly premium: Premium | undefined
  /** Against the first band with a premium; minor units. */
  readonly difference: number | undefined
}

/** The same loan for every credit band of a table, side by side; a band that does not go so high has no premium. */
export function premiumsByCredit(
  loan: number,
  value: number,
  bands: readonly PremiumBand[],
): Checked<readonly PremiumOfCredit[]> {
  const table = readBands(bands)
  if (!table.ok) return table
  const credits = table.value.map(({ band }) => band.credit)
  const distinct = credits.filter(
    (credit, i) => credits.findIndex((c) => c?.from === credit?.from && c?.to === credit?.to) === i,
  )
  const found = distinct.map((credit) => ({ credit, answer: insuranceFor(loan, value, bands, credit?.from) }))
  const refused = found.find(({ answer }) => !answer.ok && answer.code !== 'NO_ANSWER')
  if (refused && !refused.answer.ok) return refused.answer
  const first = found
    .map(({ answer }) => (answer.ok ? answer.value.premium : undefined))
    .find((premium) => premium !== undefined)
  return accept(
    found.map(({ credit, answer }) => ({
      credit,
      premium: answer.ok ? answer.value : undefined,
      difference: answer.ok && first !== undefined ? answer.value.premium - first : undefined,
    })),
  )
}

interface BandRow {
  readonly band: PremiumBand
  readonly upTo: Decimal
  readonly percent: Decimal
}

function readBands(bands: readonly PremiumBand[]): Checked<readonly BandRow[]> {
  if (!Array.isArray(bands) || bands.length === 0 || bands.length > 1000)
    return refuse('TABLE_INVALID', 'bands', { reason: 'EMPTY' })
  const rows: BandRow[] = []
  for (const [index, band] of (bands as readonly PremiumBand[]).entries()) {
    if (!isObject(band) || !isCreditBand(band.credit))
      return refuse('TABLE_INVALID', `bands.${index}`, { reason: 'UNREADABLE' })
    const unknown =
      unknownName(band, 'loanToValueUpTo percent credit', `bands.${index}`) ??
      (band.credit ? unknownName(band.credit, 'from to', `bands.${index}.credit`) : undefined)
    if (unknown) return unknown
    const upTo = readRate(band.loanToValueUpTo, `bands.${index}.loanToValueUpTo`)
    if (!upTo.ok) return upTo
    const percent = readRate(band.percent, `bands.${index}.percent`)
    if (!percent.ok) return percent
    const same = rows.filter((row) => overlaps(row.band, band)).at(-1)
    if (same && upTo.value.lessThanOrEqualTo(same.upTo))
      return refuse('TABLE_INVALID', `bands.${index}`, { reason: 'NOT_RISING' })
    rows.push({ band, upTo: upTo.value, percent: percent.value })
  }
  return accept(rows)
}

function overlaps({ credit: a }: PremiumBand, { credit: b }: PremiumBand): boolean {
  return !a || !b || (a.from <= b.to && b.from <= a.to)
}

/** A part of the price and the share of it that has to be paid down. */
export interface DownPaymentStep {
  /** The step ends at this price, minor units; none: it has no end. */
  readonly upTo?: number
  readonly percent: string
}

/**
 * The least down payment where each slice of the price has its own percent (5 % of the first 500,000, 10 % of the
 * rest), rounded up to the minor unit. Refuses steps that do not rise, and a price above the last.
 */
export function minimumDownPayment(price: number, steps: readonly DownPaymentStep[]): Checked<Minor> {
  const whole = readAmount(price, 'price')
  if (!whole.ok) return whole
  if (!Array.isArray(steps) || steps.length > 100)
    return refuse('TABLE_INVALID', 'steps', { reason: 'UNREADABLE' })
  let [from, sum] = [0, new Decimal(0)]
  for (const [index, step] of (steps as readonly DownPaymentStep[]).entries()) {
    if (!isObject(step)) return refuse('TABLE_INVALID', `steps.${index}`, { reason: 'UNREADABLE' })
    const unknown = unknownName(step, 'upTo percent', `steps.${index}`)
    if (unknown) return unknown
    const share = readRate(step.percent, `steps.${index}.percent`)
    if (!share.ok) return share
    const { upTo = Infinity } = step
    if (typeof upTo !== 'number' || !(upTo > from))
      return refuse('TABLE_INVALID', `steps.${index}`, { reason: 'NOT_RISING' })
    const slice = Math.min(price, upTo) - from
    if (slice > 0) sum = sum.plus(share.value.times(slice).div(100))
    from = upTo
  }
  if (price > from) return refuse('TABLE_INVALID', 'steps', { reason: 'GAP', from })
  return accept(roundDecimal(sum, 'up'))
}
