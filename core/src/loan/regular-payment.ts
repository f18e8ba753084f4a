import { Decimal } from '../money/decimal'
import { fractionToDecimal } from '../money/fraction'
import { minor, type Minor } from '../money/minor'
import { roundDecimal } from '../money/rounding'
import { factsOf } from '../rates/frequency'
import type { PeriodicRate } from '../rates/periodic-rate'
import type { Checked } from '../refusal'
import { accept, refuse } from '../refusal'
import { paymentsIn, type CheckedTerms } from './check-terms'
import { interestOf } from './interest'
import { levelPayment, levelPaymentExact, type LevelPaymentTerms } from './level-payment'
import { longestPeriodRate, nominalRate, ratesOf } from './period-rates'

/** What is paid regularly on a balance from some payment on. */
export interface Regular {
  readonly payment: Minor
  /** The payment that closes the loan; undefined where the loan runs until nothing is owed. */
  readonly lastNumber: number | undefined
}

/** The regular payment of the terms on a balance, where `before` payments lie behind it (a grace time). */
export function regularPayment(terms: CheckedTerms, balance: Minor, before: number): Checked<Regular> {
  const { payments, payment, settleAtTerm, frequency } = terms
  if (payment !== undefined) {
    const last = settleAtTerm && payments !== undefined ? before + payments : undefined
    return untilRepaid(terms, terms.annualRate, balance, payment, last)
  }
  const { monthlyPaymentOver } = factsOf(frequency)
  if (monthlyPaymentOver !== undefined) {
    return untilRepaid(
      terms,
      terms.annualRate,
      balance,
      acceleratedPayment(terms, balance, monthlyPaymentOver),
      undefined,
    )
  }
  return levelOver(terms, balance, payments ?? 0, before)
}

function levelOver(terms: CheckedTerms, balance: Minor, payments: number, before: number): Checked<Regular> {
  const { balloon, due, paymentRounding, annualRate } = terms
  const lastNumber = before + payments
  if (terms.paymentBasis === 'exactDays')
    return accept({ payment: paymentByDays(terms, balance, payments, before), lastNumber })
  const asked = { principal: balance, rate: nominalRate(annualRate, terms), payments, balloon, due }
  // A balloon worth as much today as the loan itself leaves nothing to pay.
  if (balloon > 0 && leavesNothingToPay(asked)) {
    return refuse('BALLOON_TOO_LARGE', 'balloon', { balloon })
  }
  return accept({ payment: levelPayment(asked, paymentRounding), lastNumber })
}

/** Whether the balloon's present value reaches the loan; the float decides unless it is close. */
function leavesNothingToPay(asked: LevelPaymentTerms): boolean {
  const { principal, rate, payments, balloon = 0 } = asked
  const present = balloon * Math.exp(-payments * Math.log1p(rate.asNumber))
  if (principal - present > principal * 1e-6) return false
  return levelPaymentExact(asked).lessThanOrEqualTo(0)
}

/** The level payment when each period has its own days: balance ÷ sum of discount factors. */
function paymentByDays(terms: CheckedTerms, balance: Minor, payments: number, before: number): Minor {
  const rateOf = ratesOf(terms.annualRate, terms)
  let [factor, sum] = [new Decimal(1), new Decimal(0)]
  for (let k = 1; k <= payments; k++) {
    factor = factor.div(fractionToDecimal(rateOf(before + k).exact).plus(1))
    sum = sum.plus(factor)
  }
  return roundDecimal(factor.times(-terms.balloon).plus(balance).div(sum), terms.paymentRounding)
}

/** Half or a quarter of the rounded monthly payment, itself rounded. */
function acceleratedPayment(terms: CheckedTerms, balance: Minor, over: number): Minor {
  const { balloon, due, paymentRounding, annualRate, payments, months, frequency, compounding } = terms
  const inMonths = months ?? Math.round(((payments ?? 0) * 12) / factsOf(frequency).perYear)
  const rate = nominalRate(annualRate, { compounding, frequency: 'monthly' })
  const asked = { principal: balance, rate, payments: paymentsIn(inMonths, 'monthly'), balloon, due }
  return minor(Math.round(levelPayment(asked, paymentRounding) / over))
}

/** A payment that goes on until nothing is owed; refused where the interest of a period is not below it. */
export function untilRepaid(
  terms: CheckedTerms,
  annualRate: Decimal,
  balance: Minor,
  payment: Minor,
  lastNumber: number | undefined,
  atPayment?: number,
): Checked<Regular> {
  const rate = longestPeriodRate(annualRate, terms)
  const firstAtOnce = terms.due === 'start' && atPayment === undefined
  const interest = interestOf(
    firstAtOnce ? Math.max(0, balance - payment) : balance,
    rate,
    terms.interestRounding,
  )
  if (payment > interest || lastNumber !== undefined) return accept({ payment, lastNumber })
  const least = firstAtOnce ? leastAtStart(balance, rate, terms) : interest + 1
  return refuse('PAYMENT_TOO_SMALL', 'payment', {
    least,
    interest,
    ...(atPayment === undefined ? {} : { atPayment }),
  })
}

/** The least payment that repays when the first is paid at once: above the interest on what it leaves. */
function leastAtStart(balance: Minor, rate: PeriodicRate, { interestRounding }: CheckedTerms): number {
  let [low, high] = [0, balance as number]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (middle > interestOf(balance - middle, rate, interestRounding)) high = middle
    else low = middle
  }
  return high
}
