import { Decimal } from '../money/decimal'
import type { MinorDigits } from '../money/currencies'
import { readingsOf, saysPercent, type NumberKind } from '../money/typed-number'
import { frequencyIn, inUnit, type Typed } from './fit'
import type { FormulaFault } from './problem'
import { BARE, FREQUENCY, MONEY, PERCENT, TERM, type Unit, type Wanted } from './unit'

const LENGTH = /^(?:(\d+(?:\.\d+)?)\s*(?:years?|yrs?|y))?\s*(?:,|and)?\s*(?:(\d+)\s*(?:months?|mos?|m))?$/iu
const IS_AMOUNT = /\p{Sc}|^[A-Z]{3}(?![a-z])|[A-Z]{3}$/u
/** What FEEL reads itself: a plain number, and one in brackets. */
const IS_FEEL = /^-?[\d.]*$|[()]/

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
  const part = { from: 0, to: text.length }
  const length = LENGTH.exec(trimmed)
  if (length?.[1] || length?.[2]) {
    const months = new Decimal(length[1] ?? 0).times(12).plus(length[2] ?? 0)
    const [years, more] = [length[1] && `years(${length[1]})`, length[2] && `months(${length[2]})`]
    const inFormula = [years, more].filter(Boolean).join(' + ')
    return { ...part, text: inFormula, unit: TERM, expression: { op: 'number', value: months.toFixed() } }
  }
  if (wanted.is === 'frequency') {
    const value = frequencyIn(trimmed)
    return value && { ...part, text: trimmed, unit: FREQUENCY, expression: { op: 'text', value } }
  }
  if (IS_FEEL.test(trimmed)) return undefined
  const unit: Unit = saysPercent(trimmed) ? PERCENT : IS_AMOUNT.test(trimmed) ? MONEY : BARE
  const readings = readingsOf(trimmed, kindOf(unit, wanted, minorDigits))
  const [value] = readings
  if (value === undefined) return undefined
  if (readings.length > 1) return { code: 'NUMBER_TWO_WAYS', text: trimmed, readings }
  const plain = {
    ...part,
    text: unit === BARE ? value : trimmed,
    expression: { op: 'number' as const, value },
  }
  return inUnit({ ...plain, unit: BARE }, unit, minorDigits)
}

/** What a number is for: what its sign says, else what its place takes. */
function kindOf(unit: Unit, wanted: Wanted, minorDigits: MinorDigits): NumberKind {
  const takes = (is: Wanted['is']) =>
    wanted.is === is || (wanted.is === 'oneOf' && wanted.of.some((one) => one.is === is))
  if (unit.is === 'percent') return 'percent'
  if (unit.is === 'money' || takes('money')) return { minorDigits }
  if (takes('percent')) return 'percent'
  return takes('count') ? 'whole' : 'number'
}
