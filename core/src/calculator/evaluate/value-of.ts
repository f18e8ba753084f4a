import type { Computed, FigureSet, LoanRun } from '../../formula/computed'
import { asDecimal, isFigureSet, isLoanRun } from '../../formula/evaluate-expression'
import type { FigureSource, Unit } from '../../formula/unit'
import { trusted, type Decimal } from '../../money/decimal'
import type { MinorDigits } from '../../money/currencies'
import { LARGEST_BALANCE, ZERO } from '../../money/minor'
import { roundDecimal, roundWhole } from '../../money/rounding'
import type { Frequency } from '../../rates/frequency'
import type { LoanValue, Value } from '../program/evaluated'
import { isNumeric, numberOf } from '../program/number-of'

/** The decimals an unrounded value is shown with at the desk. */
const SHOWN_DIGITS = 12

const plain = (value: Decimal) => trusted(value).toSignificantDigits(SHOWN_DIGITS).toFixed()

/** The figures of a composite step as data; comes with what composites are worked out with. */
export type FiguresValue = (set: FigureSet, of: FigureSource, digits: MinorDigits) => Value

/** A computed value as data, with its unit. `every`: how often a payment is made, where the value is one. */
export function valueOf(
  computed: Computed,
  unit: Unit,
  digits: MinorDigits,
  every?: Frequency,
  figuresValue?: FiguresValue,
): Value | undefined {
  switch (unit.is) {
    case 'money': {
      const amount = trusted(asDecimal(computed))
      if (amount.abs().greaterThan(LARGEST_BALANCE)) return undefined
      return {
        unit: 'money',
        money: roundDecimal(amount),
        ...(unit.per ? { per: unit.per } : {}),
        ...(unit.per === 'payment' && every ? { every } : {}),
        ...(amount.isInteger() ? {} : { exact: plain(amount.div(10 ** digits)) }),
      }
    }
    case 'percent':
      return { unit: 'percent', percent: plain(asDecimal(computed)) }
    case 'number':
    case 'bare':
      return { unit: 'number', number: plain(asDecimal(computed)) }
    case 'count':
      return { unit: 'count', count: plain(asDecimal(computed)) }
    case 'term': {
      const months = roundWhole(asDecimal(computed)).toNumber()
      return { unit: 'term', years: Math.trunc(months / 12), months: months % 12 }
    }
    case 'date':
      return { unit: 'date', date: String(computed) }
    case 'yesNo':
      return { unit: 'yesNo', yes: computed === true }
    case 'frequency':
      return { unit: 'frequency', frequency: String(computed) as Frequency }
    case 'text':
      return { unit: 'text', text: String(computed) }
    case 'list': {
      const items = (computed as readonly Computed[]).map((item) => valueOf(item, unit.of, digits))
      return { unit: 'list', items: items.filter((item) => item !== undefined) }
    }
    case 'figures':
      if (isLoanRun(computed)) return loanValue(computed)
      return isFigureSet(computed) ? figuresValue?.(computed, unit.of, digits) : undefined
  }
}

export const loanValue = ({ principal, ledger }: LoanRun): LoanValue => ({
  unit: 'loan',
  principal,
  payment: ledger?.nextPayment ?? ZERO,
  count: ledger?.count ?? 0,
})

/** What an answer or a looked-up value is in formulas. */
export function computedOf(value: Value): Computed {
  if (isNumeric(value)) return numberOf(value)
  switch (value.unit) {
    case 'date':
      return value.date
    case 'yesNo':
      return value.yes
    case 'text':
      return value.text
    case 'frequency':
      return value.frequency
    case 'list':
      return value.items.map(computedOf)
    case 'loans':
    case 'loan':
    case 'figures':
      throw new Error(`${value.unit} is no answer`)
  }
}
