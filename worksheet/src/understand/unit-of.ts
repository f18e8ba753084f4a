import type { Cell } from '../book/book'

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
] as const
export type CellUnit = (typeof cellUnits)[number]

const isCurrency = (format: string) => /[$£€¥₹₪]|\[\$/.test(format)
/** How often a year something happens is no length of time. */
const OFTEN = /\b(per|a|each|every|in a|in one|\/)\s*(year|month|yr)\b|\bfrequency\b|\btimes\b/i
const isWholeMonths = (years: number) => Number.isInteger(Number((years * 12).toFixed(6)))

/** The unit of a cell that is typed in, from its format, its label and its value; undefined where nothing fits it. */
export function unitOf({ format, value, choices }: Cell, label: string): CellUnit | undefined {
  if (choices !== undefined && typeof value === 'string') return 'choice'
  if (typeof value === 'boolean') return 'yesNo'
  if (typeof value !== 'number') return undefined
  if (format.includes('%')) return 'percent'
  if (isCurrency(format)) return 'money'
  if (/%|\bper ?cent\b|\bp\.\s?a\.|\brate\b|\binterest\b/i.test(label) && value >= 0 && value < 100)
    return value < 1 && !/%/.test(label) ? 'percent' : 'percentNumber'
  if (/[$£€¥₹₪]/.test(label) && !/%/.test(label)) return 'money'
  if (OFTEN.test(label) && Number.isInteger(value)) return 'number'
  if (/\bmonths?\b/i.test(label) && Number.isInteger(value)) return 'months'
  if (/\b(years?|yrs?)\b/i.test(label) && isWholeMonths(value)) return 'years'
  if (/\bpayments?\b|\binstal?lments?\b/i.test(label) && /number|no\.|how many|count/i.test(label))
    return 'payments'
  if (/#,##0|0\.00/.test(format)) return 'money'
  if (!Number.isInteger(value)) return undefined
  return Math.abs(value) >= 1_000 ? 'money' : 'number'
}

/** The sign of a currency a format has, with the currencies that write it first. */
const SIGNS = { '£': 'GBP', '€': 'EUR', '¥': 'JPY', '₹': 'INR', '₪': 'ILS', $: 'USD' } as const

/** The currency of the first format or label that shows one; dollars where none does. */
export function currencyIn(texts: Iterable<string>): (typeof SIGNS)[keyof typeof SIGNS] {
  for (const text of texts)
    for (const [sign, currency] of Object.entries(SIGNS)) if (text.includes(sign)) return currency
  return 'USD'
}
