import type { CheckedFormula, Frequency, MinorDigits } from '@vivid/core'
import { createFigures } from './wording'
import { unitWords } from './unit-words'

const figures = createFigures('en-CA', 'CAD')
/** What a figure that an author typed in place of a formula is taken for: "Taken as an amount: 60,000." */
export function readAsSentence(
  { unit, value }: NonNullable<CheckedFormula['readAs']>,
  minorDigits: MinorDigits,
): string {
  return `Taken as ${unitWords(unit)}: ${said()}.`

  function said(): string {
    switch (unit.is) {
      case 'money':
        return inAmounts(Number(value) / 10 ** minorDigits)
      case 'percent':
        return `${value} %`
      case 'term':
        return figures.term({ years: Math.floor(Number(value) / 12), months: Number(value) % 12 })
      case 'frequency':
        return figures.every(value as Frequency)
      default:
        return value
    }
  }

  function inAmounts(amount: number): string {
    const digits = Number.isInteger(amount) ? 0 : minorDigits
    return new Intl.NumberFormat('en-CA', { minimumFractionDigits: digits }).format(amount)
  }
}
