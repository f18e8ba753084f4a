import fc from 'fast-check'
import { expect, test } from 'vitest'
import { firstPaymentFrom } from '../calculator/evaluate/terms-of-loan'
import { amortize } from './amortize'
import { dueDate } from './due-dates'
import { addDays, addMonths, daysBetween, isoDate, readIsoDate, type PlainDate } from '../dates/plain-date'

const day = (text: string): PlainDate => {
  const date = readIsoDate(text)
  if (!date) throw new Error(text)
  return date
}
const dates = (first: string, frequency: Parameters<typeof dueDate>[1], count: number) =>
  Array.from({ length: count }, (_, i) => isoDate(dueDate(day(first), frequency, i + 1)))

test('month ends do not drift, in leap years either', () => {
  expect(dates('2027-12-31', 'monthly', 4)).toEqual(['2027-12-31', '2028-01-31', '2028-02-29', '2028-03-31'])
  expect(dates('2026-11-30', 'quarterly', 3)).toEqual(['2026-11-30', '2027-02-28', '2027-05-30'])
  expect(dates('2028-02-29', 'yearly', 3)).toEqual(['2028-02-29', '2029-02-28', '2030-02-28'])
})

test('twice a month falls on two days fifteen apart', () => {
  expect(dates('2026-01-01', 'semiMonthly', 4)).toEqual([
    '2026-01-01',
    '2026-01-16',
    '2026-02-01',
    '2026-02-16',
  ])
  expect(dates('2026-01-31', 'semiMonthly', 5)).toEqual([
    '2026-01-31',
    '2026-02-16',
    '2026-02-28',
    '2026-03-16',
    '2026-03-31',
  ])
  expect(dates('2026-02-15', 'semiMonthly', 3)).toEqual(['2026-02-15', '2026-02-28', '2026-03-15'])
})

test('weeks are counted in days', () => {
  expect(dates('2026-12-25', 'biweekly', 3)).toEqual(['2026-12-25', '2027-01-08', '2027-01-22'])
  expect(dates('2026-12-25', 'acceleratedWeekly', 2)).toEqual(['2026-12-25', '2027-01-01'])
})

test.each(['2026-02-30', '2026-13-01', '2026-00-10', '2026-1-1', '2100-02-29', '', 'today', '2026-04-31'])(
  '"%s" is no day',
  (text) => expect(readIsoDate(text)).toBeUndefined(),
)

test('days are counted as the platform’s own calendar counts them (5,000 dates)', () => {
  const anyDay = fc.integer({ min: -200_000, max: 400_000 })
  fc.assert(
    fc.property(anyDay, anyDay, (from, distance) => {
      const iso = (days: number) => new Date(days * 86_400_000).toISOString().slice(0, 10)
      const start = day(iso(from % 100_000))
      const there = iso((from % 100_000) + (distance % 90_000))
      expect(isoDate(addDays(start, distance % 90_000))).toBe(there)
      expect(daysBetween(start, day(there))).toBe(distance % 90_000)
    }),
    { numRuns: 5000 },
  )
})

test('months back and forth end on the same day where the month is long enough', () => {
  expect(isoDate(addMonths(day('2026-03-15'), -15))).toBe('2024-12-15')
  expect(isoDate(addMonths(day('2026-03-31'), -1))).toBe('2026-02-28')
})

test('a schedule keeps today’s day of the month for good, whatever month it begins in', () => {
  for (const frequency of ['monthly', 'semiMonthly', 'quarterly', 'halfYearly', 'yearly'] as const)
    for (let i = 0; i < 800; i++) {
      const today = addDays(day('2026-11-25'), i)
      const first = firstPaymentFrom(today, frequency, 1)
      const { firstPayment, anchorDay } = first
      const terms = { principal: 1e6, annualRate: '5', frequency, term: { years: 2 }, ...first }
      const early = today.day > 15 ? today.day - 15 : today.day
      const meant = frequency === 'semiMonthly' ? [early, early + 15] : [today.day]
      const strays = Array.from({ length: 30 }, (_, n) => n + 1).filter((n) => {
        const due = dueDate(day(firstPayment ?? ''), frequency, n, anchorDay)
        const last = addDays(addMonths({ ...due, day: 1 }, 1), -1).day
        const isMeant = meant.map((one) => Math.min(one, last)).includes(due.day)
        return !isMeant || isoDate(due) !== isoDate(dueDate(today, frequency, n + 1))
      })
      expect({ today: isoDate(today), frequency, isLoan: amortize(terms).ok, strays }).toEqual({
        today: isoDate(today),
        frequency,
        isLoan: true,
        strays: [],
      })
    }
})
