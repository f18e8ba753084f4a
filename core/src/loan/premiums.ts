import { minor, ZERO, type Minor } from '../money/minor'
import { roundDecimal } from '../money/rounding'
import { factsOf } from '../rates/frequency'
import type { CheckedTerms } from './check-terms'

/** The premium added to the loan, if any: percent of the amount borrowed, nearest minor unit. */
export function addedPremium({ insurance, principal }: CheckedTerms): Minor {
  const percent = insurance?.addedPercent
  return percent ? roundDecimal(percent.times(principal).div(100)) : ZERO
}

/** The premium of each payment, asked in the order of payments. */
export interface Premiums {
  /** The premium of payment `number`, which leaves `closing` owed; `opening` is what was owed before it. */
  premiumOf(number: number, opening: number, closing: number): Minor
}

export const NO_PREMIUMS: Premiums = { premiumOf: () => ZERO }

/**
 * Premiums with each payment. The last goes with the first payment that leaves at most the limit's share of the
 * value owed; a loan that begins at or below it bears none.
 */
export function createPremiums({ insurance, principal, frequency }: CheckedTerms, borrowed: Minor): Premiums {
  const percent = insurance?.yearlyPercent
  if (!insurance || !percent || percent.isZero()) return NO_PREMIUMS
  const { perYear } = factsOf(frequency)
  const { untilLoanToValue, value, untilPayment, base } = insurance
  const limit = untilLoanToValue ? untilLoanToValue.times(value).div(100).floor().toNumber() : -1
  if (borrowed <= limit) return NO_PREMIUMS
  const premiumOn = (amount: number) => roundDecimal(percent.times(amount).div(100 * perYear))
  let premium = premiumOn(principal)
  let ended = false
  return {
    premiumOf(number, opening, closing) {
      if (ended || number > untilPayment) return ZERO
      if (base === 'balanceYearly' && (number - 1) % perYear === 0) premium = premiumOn(opening)
      ended = closing <= limit
      return minor(premium)
    },
  }
}
