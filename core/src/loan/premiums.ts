import { type Decimal, floorOf } from '../money/decimal'
import { minor, ZERO, type Minor } from '../money/minor'
import { readAmount, readCount } from '../money/read-amount'
import { roundDecimal } from '../money/rounding'
import { factsOf, type Frequency } from '../rates/frequency'
import { readRate } from '../rates/percent'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { MOST_PAYMENTS, type LoanInsurance } from './loan-terms'

export interface CheckedInsurance {
  readonly addedPercent: Decimal | undefined
  readonly yearlyPercent: Decimal | undefined
  readonly base: 'original' | 'balanceYearly'
  readonly value: Minor
  readonly untilLoanToValue: Decimal | undefined
  readonly untilPayment: number
}

/** What premiums are worked out from. */
interface Insured {
  readonly insurance: CheckedInsurance | undefined
  readonly principal: Minor
  readonly frequency: Frequency
}

/** The premium added to the loan, if any: percent of the amount borrowed, nearest minor unit. */
export function addedPremium({ insurance, principal }: Omit<Insured, 'frequency'>): Minor {
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
export function createPremiums({ insurance, principal, frequency }: Insured, borrowed: Minor): Premiums {
  const percent = insurance?.yearlyPercent
  if (!insurance || !percent || percent.isZero()) return NO_PREMIUMS
  const { perYear } = factsOf(frequency)
  const { untilLoanToValue, value, untilPayment, base } = insurance
  const limit = untilLoanToValue ? floorOf(untilLoanToValue.times(value).div(100)).toNumber() : -1
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

export function checkInsurance(
  insurance: LoanInsurance<number> | undefined,
): Checked<CheckedInsurance | undefined> {
  if (insurance === undefined) return accept(undefined)
  const percents: Record<string, Decimal | undefined> = {}
  for (const name of ['addedPercent', 'yearlyPercent', 'untilLoanToValue'] as const) {
    const given = insurance[name]
    const percent = given === undefined ? undefined : readRate(given, `insurance.${name}`)
    if (percent && !percent.ok) return percent
    percents[name] = percent?.value
  }
  const { base = 'original' } = insurance
  const value = insurance.value === undefined ? undefined : readAmount(insurance.value, 'insurance.value')
  if (value && !value.ok) return value
  if (percents.untilLoanToValue && !value) return refuse('NOT_A_NUMBER', 'insurance.value')
  const until = readCount(insurance.untilPayment ?? MOST_PAYMENTS, 'insurance.untilPayment', 0, MOST_PAYMENTS)
  if (!until.ok) return until
  return accept({
    addedPercent: percents.addedPercent,
    yearlyPercent: percents.yearlyPercent,
    untilLoanToValue: percents.untilLoanToValue,
    base,
    value: value?.value ?? ZERO,
    untilPayment: until.value,
  })
}
