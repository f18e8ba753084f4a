import type { Computed } from '../../formula/computed'
import { asDecimal } from '../../formula/evaluate-expression'
import { trusted, type Decimal } from '../../money/decimal'
import { roundWhole } from '../../money/rounding'
import type { Unit } from '../../formula/unit'

/** Reads the worked-out terms of one step by where their formulas stand; a term that was not given is undefined. */
export interface TermsReader {
  readonly raw: (path: string) => { readonly value: Computed; readonly unit: Unit } | undefined
  /** Nearest whole number: minor units, payments, months. */
  readonly whole: (path: string) => number | undefined
  /** A percentage as a plain decimal of at most 12 places. */
  readonly percent: (path: string) => string | undefined
  readonly text: (path: string) => string | undefined
  readonly yes: (path: string) => boolean | undefined
}

/** A rate as text with the digits the core takes from outside. */
export const percentText = (value: Decimal): string => trusted(value).toDecimalPlaces(12).toFixed()

export function termsReader(raw: TermsReader['raw']): TermsReader {
  const decimal = (path: string) => {
    const found = raw(path)
    return found && asDecimal(found.value)
  }
  return {
    raw,
    whole: (path) => {
      const value = decimal(path)
      return value && roundWhole(value).toNumber()
    },
    percent: (path) => {
      const value = decimal(path)
      return value && percentText(value)
    },
    text: (path) => raw(path)?.value as string | undefined,
    yes: (path) => raw(path)?.value as boolean | undefined,
  }
}
