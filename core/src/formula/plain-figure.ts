import { Decimal } from '../money/decimal'
import type { MinorDigits } from '../money/currencies'
import { frequencyIn, type Typed } from './fit'
import type { FormulaFault } from './problem'
import { BARE, FREQUENCY, MONEY, PERCENT, TERM, type Wanted } from './unit'

/** Groups of three after commas or spaces, or none; decimals after a point, or after a comma that cannot stand before a group. */
const NUMBER = String.raw`\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d{1,3}(?:[\s\u00a0\u202f]\d{3})+(?:[.,]\d+)?|\d+(?:[.,]\d+)?|\.\d+`
const AMOUNT = new RegExp(
  String.raw`^(?:(?:[A-Z]{3}|\p{Sc}|[A-Z]{1,2}\$)\s*(${NUMBER})|(${NUMBER})\s*(?:[A-Z]{3}|\p{Sc}))$`,
  'u',
)
const PERCENTAGE = new RegExp(String.raw`^(${NUMBER})\s*(?:%|per ?cent)$`, 'iu')
const ALONE = new RegExp(`^(${NUMBER})$`, 'u')
const LENGTH = /^(?:(\d+(?:\.\d+)?)\s*(?:years?|yrs?|y))?\s*(?:,|and)?\s*(?:(\d+)\s*(?:months?|mos?|m))?$/iu

/**
 * A figure as people write one, alone where a formula may stand: "20%", "$60,000", "18 years", "monthly", "4,5". Undefined
 * where the text is none, or a plain number that FEEL reads itself; a fault where it has two readings.
 */
export function plainFigure(
  text: string,
  wanted: Wanted,
  minorDigits: MinorDigits,
): Typed | FormulaFault | undefined {
  const trimmed = text.trim()
  const part = { from: 0, to: text.length, text: trimmed }

  const amount = AMOUNT.exec(trimmed)
  if (amount) {
    const value = numberOf(amount[1] ?? amount[2] ?? '', { is: 'money' })
    if (typeof value !== 'string') return value
    const inMinor = new Decimal(value).times(new Decimal(10).pow(minorDigits)).toFixed()
    return { ...part, unit: MONEY, expression: { op: 'number', value: inMinor } }
  }
  const percentage = PERCENTAGE.exec(trimmed)
  if (percentage) {
    const value = numberOf(percentage[1] ?? '', { is: 'percent' })
    if (typeof value !== 'string') return value
    return { ...part, unit: PERCENT, expression: { op: 'number', value } }
  }
  const length = LENGTH.exec(trimmed)
  if (length?.[1] || length?.[2]) {
    const months = new Decimal(length[1] ?? 0).times(12).plus(length[2] ?? 0)
    const [years, more] = [length[1] && `years(${length[1]})`, length[2] && `months(${length[2]})`]
    const inFormula = [years, more].filter(Boolean).join(' + ')
    return { ...part, text: inFormula, unit: TERM, expression: { op: 'number', value: months.toFixed() } }
  }
  if (wanted.is === 'frequency') {
    const frequency = frequencyIn(trimmed)
    return frequency && { ...part, unit: FREQUENCY, expression: { op: 'text', value: frequency } }
  }
  const alone = ALONE.exec(trimmed)
  if (!alone || !/[^\d.]/.test(trimmed)) return undefined
  const value = numberOf(trimmed, wanted)
  if (typeof value !== 'string') return value
  return { ...part, text: value, unit: BARE, expression: { op: 'number', value } }
}

/** A written number as FEEL has it. Three digits after one comma are thousands, save where a percentage may have decimals. */
function numberOf(written: string, wanted: Wanted): string | FormulaFault {
  const [whole = '', decimals, ...more] = written.split(',')
  const isOneComma = decimals !== undefined && more.length === 0 && !written.includes('.')
  if (isOneComma && (decimals.length !== 3 || /\s/.test(whole)))
    return `${whole.replace(/\s/g, '')}.${decimals}`
  if (isOneComma && takesPercent(wanted) && !takesMoney(wanted))
    return {
      code: 'NUMBER_TWO_WAYS',
      text: written,
      readings: [`${whole}.${decimals}`, `${whole}${decimals}`],
    }
  return written.replace(/[,\s]/g, '').replace(/^\./, '0.')
}

const takes = (wanted: Wanted, is: Wanted['is']): boolean =>
  wanted.is === 'oneOf' ? wanted.of.some((one) => takes(one, is)) : wanted.is === is
const takesPercent = (wanted: Wanted) => takes(wanted, 'percent')
const takesMoney = (wanted: Wanted) => takes(wanted, 'money')
