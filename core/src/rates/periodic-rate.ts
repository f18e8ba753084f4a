import { Decimal, power } from '../money/decimal'
import type { Fraction } from '../money/fraction'
import { fractionOf } from '../money/fraction'
import { isObject } from '../guards/given'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { readRate } from './percent'

/**
 * The rate of one payment period as a fraction of 1: a float for the fast path, and the exact value (exact to
 * 60 digits where it is irrational) that decides ties.
 */
export interface PeriodicRate {
  readonly asNumber: number
  readonly exact: Fraction
}

/** How often a quoted yearly rate compounds: with every payment, or so many times a year (1 to 366). */
export type Compounding = 'perPayment' | number

export interface QuotedRate {
  /** Percent a year, 0 to 1,000. */
  readonly annualRate: string | Decimal
  /** m, a whole number from 1 to 366. */
  readonly compoundsPerYear: number
  /** p, a whole number from 1 to 366. */
  readonly paymentsPerYear: number
}

/** The rate per payment of a quoted rate from outside; refuses what is out of range. See `equivalentRate`. */
export function periodicRate(quoted: QuotedRate): Checked<PeriodicRate> {
  if (!isObject(quoted)) return refuse('OPTION_UNKNOWN', 'quoted')
  const { annualRate, compoundsPerYear, paymentsPerYear } = quoted
  const rate = readRate(annualRate, 'annualRate')
  if (!rate.ok) return rate
  if (!isTimesPerYear(compoundsPerYear))
    return refuse('COMPOUNDING_UNKNOWN', 'compoundsPerYear', { most: MOST_PER_YEAR })
  if (!isTimesPerYear(paymentsPerYear))
    return refuse('FREQUENCY_UNKNOWN', 'paymentsPerYear', { most: MOST_PER_YEAR })
  return accept(equivalentRate(rate.value, compoundsPerYear, paymentsPerYear))
}

const MOST_PER_YEAR = 366
export const isTimesPerYear = (n: number) => Number.isInteger(n) && n >= 1 && n <= MOST_PER_YEAR

/**
 * Rate per payment from a nominal yearly rate j percent, compounded m times a year, paid p times a year:
 * (1 + j/(100 m))^(m/p) − 1. With m = p it is exactly j/(100 p). Its arguments have been checked.
 *
 * Source: the equivalence of nominal rates, any textbook on the theory of interest; for m = 2 the Canadian
 * Interest Act, section 6 ("calculated yearly or half-yearly, not in advance").
 */
export function equivalentRate(
  annualRate: Decimal,
  compoundsPerYear: number,
  paymentsPerYear: number,
): PeriodicRate {
  const perCompounding = annualRate.toNumber() / (100 * compoundsPerYear)
  const periods = compoundsPerYear / paymentsPerYear
  let exact: Fraction | undefined
  return {
    asNumber: periods === 1 ? perCompounding : Math.expm1(periods * Math.log1p(perCompounding)),
    get exact() {
      exact ??= exactRate(annualRate, compoundsPerYear, paymentsPerYear)
      return exact
    },
  }
}

function exactRate(annualRate: Decimal, m: number, p: number): Fraction {
  const yearly = fractionOf(annualRate)
  const one = yearly.denominator * 100n * BigInt(m)
  if (m % p === 0) {
    const periods = BigInt(m / p)
    return { numerator: (one + yearly.numerator) ** periods - one ** periods, denominator: one ** periods }
  }
  const growth = new Decimal((one + yearly.numerator).toString()).div(one.toString())
  return fractionOf(power(growth, new Decimal(m).div(p)).minus(1))
}

/**
 * What a nominal yearly rate comes to in a year, percent: 100 ((1 + j/(100 m))^m − 1). Refuses a rate that is none
 * (0 to 1,000 %) and what is not a number of times a year (1 to 366).
 */
export function effectiveAnnualRate(
  annualRate: string | Decimal,
  compoundsPerYear: number,
): Checked<Decimal> {
  const rate = readRate(annualRate, 'annualRate')
  if (!rate.ok) return rate
  if (!isTimesPerYear(compoundsPerYear))
    return refuse('COMPOUNDING_UNKNOWN', 'compoundsPerYear', { most: MOST_PER_YEAR })
  const growth = rate.value.div(100 * compoundsPerYear).plus(1)
  return accept(power(growth, compoundsPerYear).minus(1).times(100))
}
