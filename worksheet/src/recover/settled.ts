import { dequal as equal } from 'dequal/lite'
import type { StepOf } from '@vivid/core'
import { levelPaymentOf, levelPaymentText, paymentsOf, paymentsText, type Paid } from '../loans/annuity'
import type { Figure } from '../loans/figure'
import { frequencyText, inMoney, type CountReading, type RateReading } from '../loans/rate-of'
import type { Claim } from '../take/claims'
import type { TakenOver } from '../take/taking'
import { NOTHING, type Idea } from './find-ideas'

/** Where a loan was found. */
export interface Place {
  /** What a person calls it. */
  readonly label: string
  /** The figures among which its rate and length are read. */
  readonly figures: readonly Figure[]
  /** The cells it rests on. */
  readonly restsOn: ReadonlySet<string>
}
export type PlacedIdea = Idea & { readonly at: Place }

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
  /** What is paid each period, where a figure says it. */
  readonly paid: Figure | undefined
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
  { principal, rate, count, payment, left, isAtStart, at }: PlacedIdea,
  reading: Reading,
): Settled {
  const { perYear, annualRate, compounding } = reading.rate
  const text = { principal: principal.text, rate: rate.text, left: left.text }
  const value = { principal: principal.value, rate: rate.value, left: left.value }
  return {
    terms: {
      principal: inMoney(principal.text),
      annualRate,
      frequency: frequencyText(perYear),
      ...reading.count?.term,
      ...(!count && payment && { payment: inMoney(payment.text) }),
      ...(left.value !== 0 && { balloon: inMoney(left.text) }),
    },
    options: {
      ...(compounding && compounding !== perYear.value && { compounding }),
      ...(isAtStart && { due: 'start' as const }),
    },
    restsOn: at.restsOn,
    ...paidOf(),
    isAtStart,
    paid: payment,
    extras: null,
  }

  /** A payment that is worked out, or the number of payments that a given one makes. */
  function paidOf(): Pick<Settled, 'text' | 'value'> {
    if (count)
      return {
        text: {
          ...text,
          payment: levelPaymentText({ ...text, count: count.text, isAtStart }),
          count: count.text,
        },
        value: {
          ...value,
          payment: levelPaymentOf({ ...value, count: count.value, isAtStart }),
          count: count.value,
        },
      }
    const paid = payment ?? NOTHING
    return {
      text: {
        ...text,
        payment: paid.text,
        count: paymentsText(text.principal, text.rate, paid.text, text.left),
      },
      value: {
        ...value,
        payment: paid.value,
        count: paymentsOf(value.principal, value.rate, paid.value, value.left),
      },
    }
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
