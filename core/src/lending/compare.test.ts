import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { frequencies } from '../rates/frequency'
import { amortize } from '../loan/amortize'
import { amountToBorrow } from '../loan/amount-to-borrow'
import type { GivenTerms } from '../loan/loan-terms'
import { compareLoans, costUntil, untilLeaving } from './compare'

const loan: GivenTerms = { principal: 300_000_00, annualRate: '5', frequency: 'monthly', term: { years: 25 } }
const ledgerOf = (terms: GivenTerms) => {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(ledger.code)
  return ledger
}

test('loans stand side by side, each against the first', () => {
  const shorter: GivenTerms = { ...loan, term: { years: 20 } }
  const answer = compareLoans([loan, shorter, loan])
  if (!answer.ok) throw new Error(answer.code)
  const [a, b] = [ledgerOf(loan), ledgerOf(shorter)]
  expect(answer.loans[1]?.difference).toEqual({
    payment: b.payment - a.payment,
    count: -60,
    interest: b.totals.interest - a.totals.interest,
    paid: b.totals.paid - a.totals.paid,
  })
  expect(answer.loans[2]?.difference).toEqual({ payment: 0, count: 0, interest: 0, paid: 0 })
  expect(compareLoans([loan])).toMatchObject({ code: 'OUT_OF_RANGE', field: 'loans' })
  expect(compareLoans([loan, { ...loan, annualRate: '-1' }])).toMatchObject({
    code: 'RATE_NEGATIVE',
    field: 'loans.1.annualRate',
  })
})

test('of two programmes the dearer insurance can be the cheaper one for a short stay', () => {
  const lowRate: GivenTerms = { ...loan, annualRate: '4.6', insurance: { addedPercent: '3' } }
  const monthly: GivenTerms = {
    ...loan,
    annualRate: '5',
    insurance: { yearlyPercent: '0.5', value: 320_000_00, untilLoanToValue: '80' },
  }
  const cost = (terms: GivenTerms, months: number) => costUntil(ledgerOf(terms), terms, months)
  expect(cost(monthly, 12)).toBeLessThan(cost(lowRate, 12))
  expect(cost(monthly, 240)).toBeGreaterThan(cost(lowRate, 240))
  const whole = ledgerOf(monthly)
  expect(cost(monthly, 300)).toBe(whole.totals.interest + whole.totals.insurance)
})

describe('until the borrower leaves', () => {
  const offer = (more: Partial<GivenTerms>): GivenTerms => ({
    principal: 350_000_00,
    annualRate: '4.64',
    compounding: 2,
    frequency: 'monthly',
    term: { years: 25 },
    ...more,
  })
  // Worked out payment by payment, with 50 decimal digits.
  test.each([
    ['as agreed', offer({}), 165_017_16, 288_303_44, 103_320_60],
    ['a shorter one', offer({ annualRate: '4.89', term: { years: 20 } }), 191_452_80, 263_491_27, 104_944_07],
    ['a longer one', offer({ annualRate: '4.39', term: { years: 30 } }), 146_363_28, 303_597_00, 99_960_28],
    [
      'with an extra',
      offer({ extras: [{ amount: 200_00, every: 'payment' }] }),
      181_817_16,
      268_530_76,
      100_347_92,
    ],
  ])('%s, after seven years', (_, terms, paid, owed, cost) => {
    expect(untilLeaving(ledgerOf(terms), terms, 84)).toEqual({ paid, owed, cost })
  })

  test('costs what interest, premiums and fees come to by then, however the loan is made (200)', () => {
    const some = fc.record({
      annualRate: fc.integer({ min: 0, max: 150 }).map((n) => String(n / 10)),
      frequency: fc.constantFrom('monthly', 'biweekly', 'acceleratedWeekly', 'quarterly' as const),
      years: fc.integer({ min: 1, max: 30 }),
      months: fc.integer({ min: 0, max: 400 }),
      extra: fc.constantFrom(0, 50_00),
      insurance: fc.constantFrom<GivenTerms['insurance'][]>(
        undefined,
        { addedPercent: '3' },
        { yearlyPercent: '0.5', base: 'original' },
      ),
      fees: fc.constantFrom<GivenTerms['fees'][]>(undefined, { eachPayment: 2_50 }, { financed: 900_00 }),
    })
    fc.assert(
      fc.property(some, ({ years, months, extra, insurance, fees, annualRate, frequency }) => {
        const terms: GivenTerms = {
          principal: 200_000_00,
          annualRate,
          frequency,
          term: { years },
          ...(extra > 0 && { extras: [{ amount: extra, every: 'payment' }] }),
          ...(insurance && { insurance }),
          ...(fees && { fees }),
        }
        const ledger = ledgerOf(terms)
        const number = Math.floor((months * frequencies[frequency].perYear) / 12)
        const { paid, owed, cost } = untilLeaving(ledger, terms, months)
        expect(cost).toBe(costUntil(ledger, terms, number))
        expect(paid + owed).toBe(cost + terms.principal)
      }),
      { numRuns: 200 },
    )
  })

  test('who stays to the end has paid all, a balloon with it', () => {
    const terms = offer({ balloon: 50_000_00 })
    const ledger = ledgerOf(terms)
    expect(untilLeaving(ledger, terms, 299).owed).toBeGreaterThan(50_000_00)
    expect(untilLeaving(ledger, terms, 300)).toEqual({
      paid: ledger.totals.paidInAll,
      owed: 0,
      cost: ledger.totals.cost,
    })
  })
})

test('the amount to borrow is the price less what is paid, plus what is financed', () => {
  expect(
    amountToBorrow({
      price: 52_000_00,
      down: { percent: '12.5' },
      tradeIn: 8_000_00,
      owedOnTradeIn: 1_500_00,
      financedFees: 600_00,
      financedTaxes: 2_340_05,
    }),
  ).toMatchObject({ value: 41_940_05 })
  expect(amountToBorrow({ price: 1_000_00, down: { amount: 900_00 }, tradeIn: 200_00 })).toMatchObject({
    code: 'NO_ANSWER',
    details: { over: 100_00 },
  })
  expect(amountToBorrow({ price: 1_000_00, down: { amount: 1_000_00 } })).toMatchObject({ value: 0 })
})
