import { createHash } from 'node:crypto'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { LoanInput } from '../testing/known-answers'
import { knownAnswers, minorOf, rowsText, termsOf } from '../testing/known-answers'
import { frequencyNames } from '../rates/frequency'
import { amortize } from './amortize'
import type { Ledger } from './ledger'
import { slowLedger } from '../testing/slow-ledger'
import type { GivenTerms } from './loan-terms'

interface Input extends LoanInput {
  cumulative_at: number | null
}
interface Expected {
  error?: string
  least_payment?: string
  payment: string
  number_of_payments: number
  final_payment: string
  total_interest: string
  total_paid: string
  rows: { k: number; payment: string; interest: string; principal: string; closing: string }[]
  cumulative?: { through_payment: number; interest: string; principal: string }
  sha256: string
}

function ledgerOf(terms: GivenTerms): Ledger {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(`refused: ${ledger.code} ${ledger.field}`)
  return ledger
}

test.each(knownAnswers<Input, Expected>('schedule'))('known answer $id', ({ input, expected }) => {
  const terms = termsOf(input)
  const digits = terms.minorDigits
  if (expected.error) {
    const refusal = amortize(terms)
    expect(refusal.ok).toBe(false)
    if (expected.least_payment && !refusal.ok)
      expect(refusal.details.least).toBe(minorOf(expected.least_payment))
    return
  }
  const ledger = ledgerOf(terms)
  expect(ledger.payment).toBe(minorOf(expected.payment, digits))
  expect(ledger.count).toBe(expected.number_of_payments)
  expect(ledger.lastPayment).toBe(minorOf(expected.final_payment, digits))
  expect(ledger.totals.interest).toBe(minorOf(expected.total_interest, digits))
  expect(ledger.totals.paid).toBe(minorOf(expected.total_paid, digits))
  for (const row of expected.rows) {
    expect(ledger.at(row.k)).toMatchObject({
      payment: minorOf(row.payment, digits),
      interest: minorOf(row.interest, digits),
      principal: minorOf(row.principal, digits),
      closing: minorOf(row.closing, digits),
    })
  }
  if (expected.cumulative) {
    const { through_payment: k, interest, principal } = expected.cumulative
    expect(ledger.interestTo(k)).toBe(minorOf(interest, digits))
    expect(ledger.principalTo(k)).toBe(minorOf(principal, digits))
  }
  expect(createHash('sha256').update(rowsText(ledger, digits)).digest('hex')).toBe(expected.sha256)
})

const anyLoan: fc.Arbitrary<GivenTerms> = fc.record({
  principal: fc.integer({ min: 1, max: 5_000_000_00 }),
  annualRate: fc.integer({ min: 0, max: 29_999 }).map((thousandths) => (thousandths / 1000).toFixed(3)),
  frequency: fc.constantFrom(...frequencyNames),
  compounding: fc.constantFrom(
    'perPayment' as const,
    1 as const,
    2 as const,
    4 as const,
    12 as const,
    365 as const,
  ),
  term: fc.record({ years: fc.integer({ min: 1, max: 40 }), months: fc.integer({ min: 0, max: 11 }) }),
  due: fc.constantFrom('end' as const, 'start' as const),
  firstPayment: fc.constantFrom('2026-01-31', '2028-02-29', '2026-12-25'),
})

describe('what holds for any loan', () => {
  test('principal repaid is the amount borrowed, totals are sums of rows, the balance ends at zero (1,000 loans)', () => {
    fc.assert(
      fc.property(anyLoan, (terms) => {
        const ledger = amortize(terms)
        if (!ledger.ok) {
          // Only an accelerated payment rounded down on a loan of a few cents can fail to repay.
          expect([ledger.code, terms.principal < 1000]).toEqual(['PAYMENT_TOO_SMALL', true])
          return
        }
        const { columns, totals, count } = ledger
        let balance = terms.principal
        let paid = 0
        for (let i = 0; i < count; i++) {
          const [interest = NaN, principal = NaN] = [columns.interest[i], columns.principal[i]]
          const opens = columns.opening[i] === balance
          balance -= principal
          paid += interest + principal
          const closes = columns.closing[i] === balance && columns.payment[i] === interest + principal
          if (!opens || !closes) throw new Error(`row ${i + 1} does not add up`)
        }
        expect(balance).toBe(0)
        expect(totals.principal).toBe(terms.principal)
        expect(totals.paid).toBe(paid)
        expect(totals.paid).toBe(totals.principal + totals.interest)
        const years = ledger.byYear()
        expect(years.reduce((sum, year) => sum + year.principal, 0)).toBe(terms.principal)
        expect(years.at(-1)?.closing).toBe(0)
      }),
      { numRuns: 1000 },
    )
  })

  test('equal to a slow ledger in decimals alone, row by row (300 loans)', () => {
    const shorter = anyLoan.map((terms): GivenTerms => ({
      ...terms,
      term: { years: 1 + (terms.principal % 5) },
    }))
    fc.assert(
      fc.property(shorter, (terms) => {
        const ledger = amortize(terms)
        if (ledger.ok) expect(rowsText(ledger, 0)).toBe(slowLedger(terms))
      }),
      { numRuns: 300 },
    )
  })

  // At a payment each its own, half a cent of rounding grows to hundreds over decades at a high rate.
  test('at a higher rate the payment is never less, nor at one payment the interest (300 loans)', () => {
    fc.assert(
      fc.property(anyLoan, fc.integer({ min: 1, max: 500 }), (terms, basisPoints) => {
        const higher = { ...terms, annualRate: (Number(terms.annualRate) + basisPoints / 100).toFixed(3) }
        const regular = { frequency: 'monthly', principal: terms.principal + 100_000_00 } as const
        const high = ledgerOf({ ...higher, ...regular })
        expect(high.payment).toBeGreaterThanOrEqual(ledgerOf({ ...terms, ...regular }).payment)
        const atOnePayment = { ...regular, payment: high.payment + 1 }
        const low = ledgerOf({ ...terms, ...atOnePayment })
        expect(ledgerOf({ ...higher, ...atOnePayment }).totals.interest).toBeGreaterThanOrEqual(
          low.totals.interest,
        )
      }),
      { numRuns: 300 },
    )
  })
})

test('a zero rate divides the amount and leaves the odd cents to the last payment', () => {
  const ledger = ledgerOf({ principal: 100_00, annualRate: '0', frequency: 'monthly', term: { payments: 3 } })
  expect([1, 2, 3].map((k) => ledger.at(k).payment)).toEqual([3333, 3333, 3334])
  expect(ledger.totals.interest).toBe(0)
})

test('a loan of one payment is repaid with one month of interest', () => {
  const ledger = ledgerOf({
    principal: 1000_00,
    annualRate: '12',
    frequency: 'monthly',
    term: { payments: 1 },
  })
  expect(ledger.at(1)).toMatchObject({ payment: 1010_00, interest: 10_00, principal: 1000_00, closing: 0 })
})

test('dates are reckoned from the first payment, so month ends do not drift', () => {
  const terms = { principal: 1200_00, annualRate: '5', frequency: 'monthly', term: { payments: 4 } } as const
  const ledger = ledgerOf({ ...terms, firstPayment: '2027-01-31' })
  expect([1, 2, 3, 4].map((k) => ledger.at(k).date)).toEqual([
    '2027-01-31',
    '2027-02-28',
    '2027-03-31',
    '2027-04-30',
  ])
  expect(ledger.endsOn).toBe('2027-04-30')
})

test('years of the ledger follow the calendar where there are dates, the loan where there are none', () => {
  const terms = { principal: 9000_00, annualRate: '6', frequency: 'monthly', term: { payments: 24 } } as const
  expect(
    ledgerOf({ ...terms, firstPayment: '2026-12-25' })
      .byYear()
      .map((y) => [y.year, y.from, y.to]),
  ).toEqual([
    [2026, 1, 1],
    [2027, 2, 13],
    [2028, 14, 24],
  ])
  expect(
    ledgerOf(terms)
      .byYear()
      .map((y) => [y.year, y.from, y.to]),
  ).toEqual([
    [1, 1, 12],
    [2, 13, 24],
  ])
})

const good: GivenTerms = {
  principal: 250_000_00,
  annualRate: '4.64',
  frequency: 'monthly',
  term: { years: 25 },
}

test.each<[string, Partial<Record<keyof GivenTerms | 'colour', unknown>>, string, string]>([
  ['NaN borrowed', { principal: NaN }, 'NOT_A_NUMBER', 'principal'],
  ['infinity borrowed', { principal: Infinity }, 'NOT_A_NUMBER', 'principal'],
  ['1e308 borrowed', { principal: 1e308 }, 'AMOUNT_TOO_LARGE', 'principal'],
  ['nothing borrowed', { principal: -0 }, 'AMOUNT_NOT_POSITIVE', 'principal'],
  ['half a cent', { principal: 0.5 }, 'NOT_A_NUMBER', 'principal'],
  ['text for an amount', { principal: '250000' }, 'NOT_A_NUMBER', 'principal'],
  ['a negative rate', { annualRate: '-1' }, 'RATE_NEGATIVE', 'annualRate'],
  ['a rate of 100,000 %', { annualRate: '100000' }, 'RATE_TOO_HIGH', 'annualRate'],
  ['a rate in words', { annualRate: 'four' }, 'RATE_UNREADABLE', 'annualRate'],
  ['an unknown frequency', { frequency: 'hourly' }, 'FREQUENCY_UNKNOWN', 'frequency'],
  ['a frequency from the prototype', { frequency: 'toString' }, 'FREQUENCY_UNKNOWN', 'frequency'],
  ['an unknown compounding', { compounding: 367 }, 'COMPOUNDING_UNKNOWN', 'compounding'],
  ['10^9 payments', { term: { payments: 1e9 } }, 'TERM_TOO_LONG', 'term'],
  ['no payments', { term: { payments: 0 } }, 'TERM_NOT_POSITIVE', 'term'],
  ['part of a payment', { term: { payments: 1.5 } }, 'NOT_A_NUMBER', 'term'],
  ['101 years', { term: { years: 101 } }, 'TERM_TOO_LONG', 'term'],
  ['neither term nor payment', { term: undefined }, 'TERM_OR_PAYMENT_NEEDED', 'term'],
  ['30 February', { firstPayment: '2026-02-30' }, 'DATE_UNREADABLE', 'firstPayment'],
  ['a balloon of the whole loan and more', { balloon: 900_000_00 }, 'BALLOON_TOO_LARGE', 'balloon'],
  ['a term nobody knows', { colour: 'red' }, 'OPTION_UNKNOWN', 'colour'],
])('%s is refused by code and field', (_, change, code, field) => {
  expect(amortize({ ...good, ...change } as GivenTerms)).toMatchObject({ ok: false, code, field })
})

test('with a term and a payment it is said which of the two governs', () => {
  const both: GivenTerms = { ...good, payment: 2_000_00 }
  expect(amortize(good)).toMatchObject({ governedBy: 'term', count: 300 })
  expect(amortize(both)).toMatchObject({ governedBy: 'payment', payment: 2_000_00 })
  const settled = amortize({ ...both, settleAtTerm: true, term: { years: 5 } })
  if (!settled.ok) throw new Error(settled.code)
  expect(settled).toMatchObject({ governedBy: 'term', count: 60 })
  expect(settled.lastPayment).toBeGreaterThan(100_000_00)
})

test.each<[string, GivenTerms, number]>([
  // 24 % of 3,000.00 is 13.85 a week, to the cent: all of it is left.
  [
    '13.85 a week, which is its interest',
    { principal: 3_000_00, annualRate: '24', frequency: 'weekly', term: { years: 40 } },
    3_013_85,
  ],
  ['0.00 and then all', { principal: 3, annualRate: '0', frequency: 'monthly', term: { payments: 8 } }, 3],
  [
    'a given payment that leaves a tenth',
    {
      principal: 1_000_00,
      annualRate: '0',
      frequency: 'monthly',
      term: { payments: 9 },
      payment: 100_00,
      settleAtTerm: true,
    },
    0,
  ],
  ['one payment', { ...good, term: { payments: 1 } }, 0],
  [
    'one payment after a time of interest',
    { ...good, term: { payments: 1 }, grace: { payments: 3, interest: 'paid' } },
    0,
  ],
  ['a common loan', good, 0],
])('the last payment is large where it pays what the others leave: %s', (_, terms, large) => {
  expect(ledgerOf(terms).largeLastPayment).toBe(large)
})

test('a payment that never repays is refused with the least that does, and that one repays', () => {
  const terms: GivenTerms = {
    principal: 55_440_00,
    annualRate: '4.64',
    frequency: 'monthly',
    payment: 180_00,
  }
  const refusal = amortize(terms)
  expect(refusal).toMatchObject({ code: 'PAYMENT_TOO_SMALL', details: { least: 214_38, interest: 214_37 } })
  expect(amortize({ ...terms, payment: 214_38 }).ok).toBe(true)
  expect(amortize({ ...terms, payment: 214_37 }).ok).toBe(false)
})
