import equal from 'fast-deep-equal'
import type { StepOf } from '@vivid/core'
import { levelPaymentOf, levelPaymentText, paymentsOf, paymentsText, type Paid } from '../loans/annuity'
import type { Figure } from '../loans/figure'
import { frequencyText, inMoney, type CountReading, type RateReading } from '../loans/rate-of'
import type { Claim } from '../take/claims'
import type { TakenOver } from '../take/taking'
import type { FormulaCell } from '../understand/understand'
import { positive, type Idea } from './find-ideas'

/** Where a loan was found, and among which figures. */
export interface Target {
  readonly cell: string
  /** The name its step has. */
  readonly name: string
  readonly one: FormulaCell
  readonly figure: Figure
  /** What the cell rests on, and everything that stands in their formulas. */
  readonly figures: readonly Figure[]
  readonly cells: readonly string[]
}

/** How the rate and the number of payments of an idea are read. */
export interface Reading {
  readonly rate: RateReading
  readonly count: CountReading | undefined
}

/** What a loan is agreed on, with its figures as formulas have them. */
export interface Settled {
  readonly terms: StepOf<'loan'>['terms']
  readonly options: StepOf<'loan'>['options']
  readonly restsOn: ReadonlySet<string>
  readonly text: Paid<string>
  readonly value: Paid<number>
  readonly isAtStart: boolean
  /** What is paid each period. */
  readonly paid: Figure
  readonly extras: StepOf<'loan'>['extras']
}

/** What has to hold for other answers too, for an idea to be a loan. */
export function claimsOf(
  { principal, rate, count, payment, left, isAtStart }: Idea,
  reading: Reading,
): Claim[] {
  const claims: Claim[] = [{ is: rate.text, as: reading.rate.text }]
  if (count && reading.count) claims.push({ is: count.text, as: reading.count.text })
  if (count && payment)
    claims.push({
      is: payment.text,
      as: levelPaymentText({
        principal: principal.text,
        rate: rate.text,
        count: count.text,
        left: left.text,
        isAtStart,
      }),
    })
  return claims
}

export function settledOf(
  { principal, rate, count, payment, left, isAtStart, at }: Idea & { at: Target },
  reading: Reading,
): Settled {
  const { perYear, annualRate, compounding } = reading.rate
  const paid = payment ?? positive(at.figure)
  const own = {
    principal: principal.text,
    rate: rate.text,
    left: left.text,
  }
  const value = { principal: principal.value, rate: rate.value, left: left.value }
  const levelText = count && levelPaymentText({ ...own, count: count.text, isAtStart })
  const isFollowing = !count
  return {
    terms: {
      principal: inMoney(principal.text),
      annualRate,
      frequency: frequencyText(perYear),
      ...reading.count?.term,
      ...(isFollowing && { payment: inMoney(paid.text) }),
      ...(left.value !== 0 && { balloon: inMoney(left.text) }),
    },
    options: {
      ...(compounding && compounding !== perYear.value && { compounding }),
      ...(isAtStart && { due: 'start' as const }),
    },
    restsOn: new Set(at.cells.filter((name) => name !== at.cell || principal.text === at.name)),
    text: {
      ...own,
      payment: levelText ?? paid.text,
      count: count?.text ?? paymentsText(own.principal, own.rate, paid.text, own.left),
    },
    value: {
      ...value,
      payment: count ? levelPaymentOf({ ...value, count: count.value, isAtStart }) : paid.value,
      count: count?.value ?? paymentsOf(value.principal, value.rate, paid.value, value.left),
    },
    isAtStart,
    paid,
    extras: null,
  }
}

export const isSameLoan = (a: Agreed, b: Agreed): boolean =>
  (['terms', 'options', 'extras'] as const).every((part) => equal(a[part], b[part]))
type Agreed = Pick<StepOf<'loan'>, 'terms' | 'options' | 'extras'>

export const stepOf = (
  { terms, options, extras }: Agreed,
  at: number,
  naming: TakenOver['naming'],
): StepOf<'loan'> => ({
  kind: 'loan',
  id: `loan${at + 1}`,
  name: naming(at === 0 ? 'the loan' : `loan ${at + 1}`, 'loan'),
  as: null,
  terms,
  options,
  extras,
  rateChanges: null,
})
