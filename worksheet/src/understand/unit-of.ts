import { isDateFormat, isPercentFormat, type Cell } from '../book/book'
import { dateOf } from '../book/days'

/**
 * What a typed cell is: an amount; a percentage as a fraction (0.0485 shown as 4.85 %) or as its number (4.85); a length in years or
 * months; a number of payments or of anything; one of a few texts; yes or no.
 */
export const cellUnits = [
  'money',
  'percent',
  'percentNumber',
  'years',
  'months',
  'payments',
  'number',
  'choice',
  'yesNo',
  'date',
] as const
export type CellUnit = (typeof cellUnits)[number]

const isCurrency = (format: string) => /[$£€¥₹₪]|\[\$/.test(format)
/** How often a year something happens is no length of time. */
const OFTEN = /\b(per|a|each|every|in a|in one|\/)\s*(year|month|yr)\b|\bfrequency\b|\btimes\b/i
const isWholeMonths = (years: number) => Number.isInteger(Number((years * 12).toFixed(6)))

/** How formulas use a cell: divided by 12 it is a yearly rate, by 100 or 1,200 a number of percent, times 12 a length in years. */
export interface Usage {
  readonly dividedBy: ReadonlySet<number>
  readonly times: ReadonlySet<number>
}

/** What a typed cell is taken for: why, and what else it could be; `isSure` where its own format, words or rules say so. */
export interface UnitGuess {
  readonly unit: CellUnit
  readonly why: string
  readonly isSure: boolean
}

const PER_YEAR = [12, 24, 26, 52, 4, 2] as const
const LONGEST_YEARS = 60

/** The unit of a cell that is typed in, from its format, its label, its value and how it is used; undefined where nothing fits it. */
export function unitOf(cell: Cell, label: string, usage: Usage): UnitGuess | undefined {
  const { format, value, choices } = cell
  const sure = (unit: CellUnit, why: string): UnitGuess => ({ unit, why, isSure: true })
  const unsure = (unit: CellUnit, why: string): UnitGuess => ({ unit, why, isSure: false })
  if (choices !== undefined && typeof value === 'string')
    return sure('choice', 'its cell allows a list of values')
  if (typeof value === 'boolean') return sure('yesNo', 'it is true or false')
  if (typeof value !== 'number') return undefined
  if (isDateFormat(format)) return dateOf(value) ? sure('date', 'its format is a date') : undefined
  if (isPercentFormat(format)) return sure('percent', 'its format is a percentage')
  if (format.includes('%')) return sure('percentNumber', 'its format writes percent behind it')
  if (isCurrency(format)) return sure('money', 'its format is a currency')
  if (/%|\bper ?cent\b|\bp\.\s?a\.|\brate\b|\binterest\b/i.test(label) && value >= 0 && value < 100) {
    if (/%/.test(label)) return sure('percentNumber', 'its label says percent')
    if (usage.dividedBy.has(100) || usage.dividedBy.has(1200))
      return sure('percentNumber', 'formulas divide it by a hundred')
    return value < 1
      ? unsure('percent', 'its label speaks of a rate, and it is below 1')
      : sure('percentNumber', 'its label speaks of a rate')
  }
  if (/[$£€¥₹₪]/.test(label) && !/%/.test(label)) return sure('money', 'its label has the sign of a currency')
  if (OFTEN.test(label) && Number.isInteger(value)) return sure('number', 'its label says how often')
  if (/\bmonths?\b/i.test(label) && Number.isInteger(value)) return sure('months', 'its label says months')
  if (/\b(years?|yrs?)\b/i.test(label) && isWholeMonths(value)) return sure('years', 'its label says years')
  if (/\bpayments?\b|\binstal?lments?\b/i.test(label) && /number|no\.|how many|count/i.test(label))
    return sure('payments', 'its label says how many payments')
  if (/#,##0|0\.00/.test(format)) return sure('money', 'its format is an amount')
  if (value > 0 && value < 1)
    return PER_YEAR.some((one) => usage.dividedBy.has(one)) || usage.times.size === 0
      ? unsure('percent', 'it is between 0 and 1')
      : undefined
  if (!Number.isInteger(value)) return undefined
  if (value > 0 && value <= LONGEST_YEARS && PER_YEAR.some((one) => usage.times.has(one)))
    return unsure('years', 'formulas multiply it by the payments of a year')
  return Math.abs(value) >= 1_000
    ? unsure('money', 'it is a large whole number')
    : unsure('number', 'it is a whole number, and nothing says of what')
}

/** What a figure could be instead. */
export function othersFor(cell: Cell, unit: CellUnit): CellUnit[] {
  const { value } = cell
  if (typeof value !== 'number') return []
  const could: CellUnit[] = []
  if (value >= 0 && value <= 1) could.push('percent')
  if (value >= 0 && value <= 100) could.push('percentNumber')
  if (value >= 0) could.push('money')
  if (Number.isInteger(value)) {
    if (value > 0 && value <= 100) could.push('years')
    if (value > 0 && value <= 1_200) could.push('months')
    could.push('number')
  }
  return could.filter((one) => one !== unit)
}

/** The sign of a currency a format has, with the currencies that write it first. */
const SIGNS = { '£': 'GBP', '€': 'EUR', '¥': 'JPY', '₹': 'INR', '₪': 'ILS', $: 'USD' } as const

/** The currency of the first format or label that shows one; dollars where none does. */
export function currencyIn(texts: Iterable<string>): (typeof SIGNS)[keyof typeof SIGNS] {
  for (const text of texts)
    for (const [sign, currency] of Object.entries(SIGNS)) if (text.includes(sign)) return currency
  return 'USD'
}
