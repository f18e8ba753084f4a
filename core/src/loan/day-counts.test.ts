import { describe, expect, test } from 'vitest'
import { dayCounts, type DayCount } from '../rates/day-count'
import { frequencies, frequencyNames } from '../rates/frequency'
import { rowsText } from '../testing/known-answers'
import { slowLedger } from '../testing/slow-ledger'
import { amortize } from './amortize'
import type { GivenTerms } from './loan-terms'

const counts = Object.keys(dayCounts) as DayCount[]
const compoundings = ['perPayment', 1, 2, 4, 12, 365] as const

describe('every frequency, day count, timing and compounding agrees with the slow ledger, or names what does not go together', () => {
  const mixes = frequencyNames.flatMap((frequency) =>
    counts.map((dayCount) => [frequency, dayCount] as const),
  )
  test.each(mixes)('%s, %s', (frequency, dayCount) => {
    for (const due of ['end', 'start'] as const)
      for (const compounding of compoundings) {
        const terms: GivenTerms = {
          principal: 90_000_00,
          annualRate: '7.31',
          frequency,
          term: { years: 3 },
          firstPayment: '2027-08-31',
          dayCount,
          due,
          compounding,
        }
        const ledger = amortize(terms)
        const hasDays = dayCount !== 'equal'
        const isFlat = dayCount === 'thirty360' || dayCount === 'thirtyOver365'
        const refused =
          hasDays &&
          (due === 'start' ||
            compounding !== 'perPayment' ||
            (isFlat && 'days' in frequencies[frequency].every))
        if (refused) {
          if (ledger.ok) throw new Error('was to be refused')
          expect(ledger.code).toBe('TERMS_DO_NOT_MIX')
          expect([ledger.field, ledger.details.with]).toContain('dayCount')
        } else if (ledger.ok) expect(rowsText(ledger, 0)).toBe(slowLedger(terms))
        else throw new Error(`refused: ${ledger.code} ${ledger.field}`)
      }
  })
})

test.each([
  // 250,000.00 at 4.8 %: 30 days of 360 a month are 1,000.00, a quarter 3,000.00, a half-month 500.00.
  ['semiMonthly', 'thirty360', 500_00],
  ['monthly', 'thirty360', 1_000_00],
  ['quarterly', 'thirty360', 3_000_00],
  ['halfYearly', 'thirty360', 6_000_00],
  ['yearly', 'thirty360', 12_000_00],
  // 90 days of 365: 250,000.00 × 0.048 × 90 / 365.
  ['quarterly', 'thirtyOver365', 2_958_90],
] as const)('%s by %s: the first interest is %i cents', (frequency, dayCount, interest) => {
  const ledger = amortize({
    principal: 250_000_00,
    annualRate: '4.8',
    frequency,
    dayCount,
    term: { years: 20 },
  })
  if (!ledger.ok) throw new Error(ledger.code)
  expect(ledger.at(1).interest).toBe(interest)
})
