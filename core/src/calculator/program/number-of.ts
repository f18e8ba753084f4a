import { Decimal } from '../../money/decimal'
import type { Value } from './evaluated'

const numericUnits = ['money', 'share', 'percent', 'number', 'count', 'term'] as const

/** A value that is a number in arithmetic. */
export type NumericValue = Extract<Value, { readonly unit: (typeof numericUnits)[number] }>

export const isNumeric = (value: Value): value is NumericValue =>
  numericUnits.some((unit) => unit === value.unit)

/** What it counts as: minor units, percent, a number, months. */
export function numberOf(value: NumericValue): Decimal {
  switch (value.unit) {
    case 'money':
    case 'share':
      return new Decimal(value.money)
    case 'percent':
      return new Decimal(value.percent)
    case 'number':
      return new Decimal(value.number)
    case 'count':
      return new Decimal(value.count)
    case 'term':
      return new Decimal(value.years * 12 + value.months)
  }
}
