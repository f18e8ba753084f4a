import { assert } from '../guards/assert'
import { dueDate } from './due-dates'
import { addMonths, type PlainDate } from '../dates/plain-date'
import type { Decimal } from '../money/decimal'
import { dayCounts, daysBetweenDates, rateForDays } from '../rates/day-count'
import { factsOf, type Frequency } from '../rates/frequency'
import { equivalentRate, type PeriodicRate } from '../rates/periodic-rate'
import type { CheckedTerms } from './check-terms'

/** The rate of the period that ends with a payment. */
export type RateOfPeriod = (number: number) => PeriodicRate

type RateTerms = Pick<
  CheckedTerms,
  'compounding' | 'frequency' | 'dayCount' | 'firstPayment' | 'start' | 'anchorDay'
>

/** The rate of every period at a yearly rate, by the loan's compounding and day count. */
export function ratesOf(annualRate: Decimal, terms: RateTerms): RateOfPeriod {
  const { counts, year } = dayCounts[terms.dayCount]
  if (counts === 'none') {
    const rate = nominalRate(annualRate, terms)
    return () => rate
  }
  const byDays = new Map<number, PeriodicRate>()
  return (number) => {
    const days =
      counts === 'thirty'
        ? thirtyDayMonthsIn(terms.frequency)
        : daysBetweenDates(counts, dateBefore(number, terms), dateOf(number, terms))
    const rate = byDays.get(days) ?? rateForDays(annualRate, days, year)
    byDays.set(days, rate)
    return rate
  }
}

/** Days of a period in months of 30 days; payments by the week have none. */
function thirtyDayMonthsIn(frequency: Frequency): number {
  const { every } = factsOf(frequency)
  assert(!('days' in every), 'payments by the week are not counted in months of 30 days')
  return 'months' in every ? 30 * every.months : 15
}

/** The rate of one period where all are equal. */
export function nominalRate(
  annualRate: Decimal,
  { compounding, frequency }: { compounding: CheckedTerms['compounding']; frequency: Frequency },
): PeriodicRate {
  const { perYear } = factsOf(frequency)
  return equivalentRate(annualRate, compounding === 'perPayment' ? perYear : compounding, perYear)
}

/**
 * The rate of the longest period a day count of actual days can have: a payment that does not exceed it never repays. In
 * months of 30 days a long period follows a short one, so that the usual one decides.
 */
export function longestPeriodRate(annualRate: Decimal, terms: RateTerms): PeriodicRate {
  const { counts, year } = dayCounts[terms.dayCount]
  if (counts === 'none') return nominalRate(annualRate, terms)
  const { every } = factsOf(terms.frequency)
  if ('days' in every) return rateForDays(annualRate, every.days, year)
  if (counts !== 'actual') return rateForDays(annualRate, thirtyDayMonthsIn(terms.frequency), year)
  return rateForDays(annualRate, 'months' in every ? Math.ceil(every.months * 30.5) : 16, year)
}

const dateOf = (number: number, { firstPayment, frequency, anchorDay }: RateTerms): PlainDate =>
  dueDate(firstPayment as PlainDate, frequency, number, anchorDay)

function dateBefore(number: number, terms: RateTerms): PlainDate {
  if (number > 1) return dateOf(number - 1, terms)
  if (terms.start) return terms.start
  const { firstPayment, anchorDay } = terms
  const { every } = factsOf(terms.frequency)
  if ('months' in every && firstPayment) {
    return addMonths({ ...firstPayment, day: anchorDay ?? firstPayment.day }, -every.months)
  }
  return dateOf(0, terms)
}
