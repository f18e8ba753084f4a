import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { amortize } from '../loan/amortize'
import { payInOrder, payOff, payOffOrders, type OwedLoan, type PayOff, type PayOffTerms } from './pay-off'

function paidOff(terms: PayOffTerms): PayOff {
  const result = payOff(terms)
  if (!result.ok) throw new Error(`${result.code} ${result.field}`)
  return result
}

const card: OwedLoan = { owed: 4_200_00, annualRate: '18.9', payment: 120_00 }
const home: OwedLoan = { owed: 148_000_00, annualRate: '5.1', payment: 1_050_00 }
const boat: OwedLoan = { owed: 2_400_00, annualRate: '7.25', payment: 90_00 }

const hundredths = (rate: string) => Math.round(Number(rate) * 100)

/** Month by month with plain numbers, each month's money followed through the list: another way than the core's. */
function byHand(loans: readonly OwedLoan[], extra: number, order: readonly number[]) {
  const left = loans.map(({ owed }) => owed)
  const ends = loans.map(() => 0)
  let [interest, month] = [0, 0]
  while (left.some((owed) => owed > 0)) {
    month++
    let purse = extra
    loans.forEach(({ annualRate, payment }, at) => {
      const due = Math.floor(((left[at] ?? 0) * hundredths(annualRate) + 60_000) / 120_000)
      interest += due
      const owed = (left[at] ?? 0) + due
      left[at] = Math.max(0, owed - payment)
      purse += Math.max(0, payment - owed)
    })
    for (const at of order) {
      const to = Math.min(purse, left[at] ?? 0)
      left[at] = (left[at] ?? 0) - to
      purse -= to
    }
    left.forEach((owed, at) => {
      if (owed === 0 && ends[at] === 0) ends[at] = month
    })
  }
  return { interest, months: month, ends }
}

function* ordersOf(places: readonly number[]): Generator<number[]> {
  if (places.length === 0) yield []
  for (const at of places)
    for (const rest of ordersOf(places.filter((other) => other !== at))) yield [at, ...rest]
}

const undated = () => undefined

/** Loans that repay themselves: the payment is at least a little more than the first interest. */
const aLoan = fc
  .record({
    owed: fc.integer({ min: 1, max: 300_000_00 }),
    rate: fc.integer({ min: 0, max: 2999 }),
    share: fc.integer({ min: 4, max: 60 }),
  })
  .map(({ owed, rate, share }): OwedLoan => ({
    owed,
    annualRate: (rate / 100).toFixed(2),
    payment: Math.ceil((owed * rate) / 120_000) + Math.ceil(owed / (share * 6)) + 1,
  }))

describe('several loans paid off together', () => {
  test('are as worked out by hand, whatever the order', () => {
    const loans = [home, card, boat]
    const { by, order } = paidOff({ loans, extra: 200_00 })
    expect(order).toEqual({ dearest: [1, 2, 0], smallest: [2, 1, 0], own: [0, 1, 2] })
    for (const name of payOffOrders) {
      const hand = byHand(loans, 200_00, order[name])
      expect([by[name].interest, by[name].months]).toEqual([hand.interest, hand.months])
      expect(by[name].loans.map(({ months }) => months)).toEqual(hand.ends)
    }
  })

  test('any loans are as worked out by hand, and add up', () => {
    fc.assert(
      fc.property(
        fc.array(aLoan, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 900_00 }),
        (loans, extra) => {
          const { by, order, asAgreed } = paidOff({ loans, extra })
          const owed = loans.reduce((sum, loan) => sum + loan.owed, 0)
          const budget = loans.reduce((sum, { payment }) => sum + payment, extra)
          for (const name of payOffOrders) {
            const { interest, months, paid, owed: balances, loans: each } = by[name]
            expect({ interest, months, ends: each.map((loan) => loan.months) }).toEqual(
              byHand(loans, extra, order[name]),
            )
            expect(paid).toBe(owed + interest)
            expect(each.reduce((sum, loan) => sum + loan.paid, 0)).toBe(paid)
            // The same is paid each month until the last, which takes the rest.
            expect(paid).toBeGreaterThan(budget * (months - 1))
            expect(paid).toBeLessThanOrEqual(budget * months)
            expect([balances[0], balances.at(-1), balances.length]).toEqual([owed, 0, months + 1])
            expect(months).toBeLessThanOrEqual(asAgreed.months)
          }
        },
      ),
      { numRuns: 60 },
    )
  })

  test('one loan by itself is the ledger with that extra, and without one', () => {
    fc.assert(
      fc.property(aLoan, fc.integer({ min: 0, max: 500_00 }), (loan, extra) => {
        const terms = { principal: loan.owed, annualRate: loan.annualRate, payment: loan.payment } as const
        const ledger = amortize({
          ...terms,
          frequency: 'monthly',
          firstPayment: '2027-01-31',
          ...(extra > 0 && { extras: [{ amount: extra, every: 'payment' as const }] }),
        })
        const plain = amortize({ ...terms, frequency: 'monthly' })
        if (!ledger.ok || !plain.ok) throw new Error('it repays itself')
        const { by, asAgreed } = paidOff({ loans: [loan], extra, firstPayment: '2027-01-31' })
        expect(by.own).toMatchObject({
          interest: ledger.totals.interest,
          months: ledger.count,
          endsOn: ledger.endsOn,
        })
        expect(asAgreed.interest).toBe(plain.totals.interest)
      }),
      { numRuns: 60 },
    )
  })

  test('no order of all there are saves more than the dearest first, but for the rounding of cents', () => {
    fc.assert(
      fc.property(
        fc.array(aLoan, { minLength: 2, maxLength: 5 }),
        fc.integer({ min: 0, max: 900_00 }),
        (loans, extra) => {
          const { by, best } = paidOff({ loans, extra })
          const terms = { loans, extra }
          const all = [...ordersOf(loans.map((_, at) => at))].map(
            (order) => payInOrder(terms, order, undated).interest,
          )
          // Each month's interest of each loan is rounded by half a cent at most.
          expect(by.dearest.interest - Math.min(...all)).toBeLessThanOrEqual(
            (by.dearest.months * loans.length) / 2,
          )
          expect(by[best].interest).toBe(Math.min(...payOffOrders.map((name) => by[name].interest)))
        },
      ),
      { numRuns: 60 },
    )
  })

  test('the dear card goes before the home loan, which an extra by itself would save more on', () => {
    const { best, by, asAgreed } = paidOff({ loans: [home, card], extra: 150_00 })
    expect(best).toBe('dearest')
    expect(by.dearest.interest).toBeLessThan(by.own.interest)
    expect(by.own.interest).toBeLessThan(asAgreed.interest)
    expect(by.dearest.loans[1]?.months).toBeLessThan(by.own.loans[1]?.months ?? 0)
  })

  test('what one does not need in its last month goes to the next in the same month', () => {
    const free = { owed: 100_00, annualRate: '0', payment: 60_00 }
    const { by } = paidOff({ loans: [free, { ...free, owed: 200_00 }], extra: 0 })
    // 60 and 60; 40 and 60 with 20 left free; 60 with the other 60 covers the last 60.
    expect(by.own.owed).toEqual([300_00, 180_00, 60_00, 0])
    expect(by.own.loans.map(({ months }) => months)).toEqual([2, 3])
  })

  test('equal rates and equal amounts stay as the list has them', () => {
    const { order } = paidOff({ loans: [boat, card, boat, { ...card, annualRate: '18.90' }], extra: 0 })
    expect(order.dearest).toEqual([1, 3, 0, 2])
    expect(order.smallest).toEqual([0, 2, 1, 3])
  })

  test('days are those of the ledger, at month ends too', () => {
    const { by, asAgreed } = paidOff({
      loans: [boat, card],
      extra: 0,
      firstPayment: '2027-02-28',
      anchorDay: 31,
    })
    expect(by.dearest.endsOn).toMatch(/-(28|29|30|31)$/)
    expect(asAgreed.loans[0]?.endsOn).toBe(asAgreed.loans[0] && dateAfter(asAgreed.loans[0].months))
  })
})

/** The last day of the month that many payments after January 2027. */
function dateAfter(months: number): string {
  return new Date(Date.UTC(2027, months + 1, 0)).toISOString().slice(0, 10)
}

test.each<[string, Partial<PayOffTerms>, object]>([
  ['no loan', { loans: [] }, { code: 'OUT_OF_RANGE', field: 'loans', details: { least: 1, most: 12 } }],
  ['thirteen', { loans: Array<OwedLoan>(13).fill(boat) }, { code: 'OUT_OF_RANGE', field: 'loans' }],
  ['a negative extra', { extra: -1 }, { code: 'AMOUNT_NEGATIVE', field: 'extra' }],
  [
    'nothing owed',
    { loans: [boat, { ...card, owed: 0 }] },
    { code: 'AMOUNT_NOT_POSITIVE', field: 'loans.1.owed' },
  ],
  ['half a cent', { loans: [{ ...card, owed: 0.5 }] }, { code: 'NOT_A_NUMBER', field: 'loans.0.owed' }],
  [
    'no rate',
    { loans: [{ ...card, annualRate: '' }] },
    { code: 'RATE_UNREADABLE', field: 'loans.0.annualRate' },
  ],
  [
    'a date that is none',
    { firstPayment: '2027-02-30' },
    { code: 'DATE_UNREADABLE', field: 'loans.0.firstPayment' },
  ],
  [
    'a payment that never repays',
    { loans: [boat, { ...card, payment: 66_15 }] },
    { code: 'PAYMENT_TOO_SMALL', field: 'loans.1.payment', details: { least: 66_16 } },
  ],
  ['what is no loan', { loans: [null as unknown as OwedLoan] }, { code: 'OPTION_UNKNOWN', field: 'loans.0' }],
  [
    'more than can be kept exactly',
    {
      loans: Array<OwedLoan>(12).fill({
        owed: 9_000_000_000_000,
        annualRate: '0',
        payment: 9_000_000_000_000,
      }),
    },
    { code: 'AMOUNT_TOO_LARGE', field: 'loans' },
  ],
])('%s is refused', (_, changed, refusal) => {
  expect(payOff({ loans: [boat, card], extra: 0, ...changed })).toMatchObject({ ok: false, ...refusal })
})
