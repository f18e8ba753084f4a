import { expect, test } from 'vitest'
import { amortize } from './amortize'
import type { Ledger } from './ledger'
import type { GivenTerms } from './loan-terms'

const ledgerOf = (terms: GivenTerms): Ledger => {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(`refused: ${ledger.code} ${ledger.field}`)
  return ledger
}
const vessel: GivenTerms = {
  principal: 20_000_00,
  annualRate: '6',
  frequency: 'monthly',
  term: { years: 5 },
  balloon: 15_000_00,
}
/** 6 % a year of the balloon alone. */
const INTEREST_ONLY = 75_00

test.each<[string, GivenTerms, number]>([
  ['10 extra a month', { ...vessel, extras: [{ amount: 10_00, every: 'payment' }] }, INTEREST_ONLY],
  [
    'a lump sum of 10,000 after payment 3',
    { ...vessel, extras: [{ amount: 10_000_00, every: 'once', at: 3 }] },
    INTEREST_ONLY,
  ],
  ['a given payment of 300 to the end', { ...vessel, payment: 300_00, settleAtTerm: true }, INTEREST_ONLY],
  [
    'an extra of more than all',
    { ...vessel, extras: [{ amount: 1e9, every: 'once', at: 0 }] },
    INTEREST_ONLY,
  ],
])('with %s the balloon is owed to the end and its interest is paid', (_, terms, last) => {
  const ledger = ledgerOf(terms)
  expect(ledger.count).toBe(60)
  expect(ledger.lastPayment).toBe(last)
  expect(ledger.balanceAfter(60)).toBe(15_000_00)
  expect(Math.min(...ledger.columns.closing)).toBe(15_000_00)
})

test('with payments at the start the balloon grows to itself in its last period, also after a time without an end', () => {
  const atStart: GivenTerms = { ...vessel, due: 'start' }
  const kept = { fromPayment: 7, annualRate: '6', keep: 'payment' } as const
  const { columns } = ledgerOf({
    ...atStart,
    rateChanges: [kept, { ...kept, fromPayment: 13, keep: 'term' }],
  })
  expect([...columns.payment.slice(-2)]).toEqual([...ledgerOf(atStart).columns.payment.slice(-2)])
  expect(columns.payment.at(-1)).toBe(0)
})

test('0.12 at 0 % in 4 payments with a balloon of 0.10: no payment is less than nothing', () => {
  const ledger = ledgerOf({
    principal: 12,
    annualRate: '0',
    frequency: 'monthly',
    term: { payments: 4 },
    balloon: 10,
  })
  expect([...ledger.columns.payment]).toEqual([1, 1, 0, 0])
  expect(ledger.totals).toMatchObject({ balloon: 10, principal: 2, paid: 2, paidInAll: 12 })
})

test('a loan that grows up to its balloon owes just that, and its last payments are smaller where the payment was rounded up', () => {
  const ledger = ledgerOf({
    principal: 98_00,
    annualRate: '20.141',
    frequency: 'monthly',
    compounding: 365,
    term: { payments: 88 },
    balloon: 122_00,
  })
  expect(ledger.balanceAfter(88)).toBe(122_00)
  expect(Math.min(...ledger.columns.payment)).toBeGreaterThanOrEqual(0)
})

test('with payments at the start the balloon falls due a period after the last of them', () => {
  // 1 % a month: what is left after payment 3 grows to the balloon. (P − B v³) r / ((1 − v³)(1 + r)) = 203.30.
  const ledger = ledgerOf({
    principal: 1_000_00,
    annualRate: '12',
    frequency: 'monthly',
    term: { payments: 3 },
    due: 'start',
    balloon: 420_00,
    firstPayment: '2027-01-15',
  })
  expect(ledger.payment).toBe(Math.round((1_000_00 - 420_00 / 1.01 ** 3) * (0.01 / (1 - 1.01 ** -3) / 1.01)))
  expect(ledger.count).toBe(4)
  const { payment, interest, closing, date } = ledger.columns
  expect(closing[2]).toBe(Math.round(420_00 / 1.01))
  expect([payment[3], interest[3], closing[3], date[3]]).toEqual([0, 4_16, 420_00, '2027-04-15'])
})

test('"paid in all" has the balloon, the premiums and the fees with each payment in it', () => {
  const { totals } = ledgerOf({
    ...vessel,
    fees: { eachPayment: 2_00, financed: 100_00 },
    insurance: { yearlyPercent: '0.6' },
  })
  expect(totals.insurance).toBe(60 * 10_00)
  expect(totals.fees).toBe(60 * 2_00 + 100_00)
  expect(totals.balloon).toBe(15_000_00)
  expect(totals.paidInAll).toBe(totals.paid + totals.insurance + 60 * 2_00 + 15_000_00)
})

const million: GivenTerms = { principal: 250_000_00, annualRate: '4.64', frequency: 'monthly' }
test.each<[string, GivenTerms, string, string]>([
  [
    'one accelerated payment of 1 cent with a balloon of 2',
    { principal: 1, annualRate: '0', frequency: 'acceleratedBiweekly', term: { payments: 1 }, balloon: 2 },
    'BALLOON_TOO_LARGE',
    'balloon',
  ],
  [
    'an accelerated loan whose balloon is the principal',
    { ...million, frequency: 'acceleratedWeekly', term: { years: 20 }, balloon: 250_000_00 },
    'BALLOON_TOO_LARGE',
    'balloon',
  ],
  [
    '100 % over 40 years with a payment of 0.01',
    { ...million, annualRate: '100', term: { years: 40 }, payment: 1, settleAtTerm: true },
    'AMOUNT_TOO_LARGE',
    'principal',
  ],
  [
    '1,000 % compounding 12 times, payment rounded down',
    {
      ...million,
      annualRate: '1000',
      frequency: 'quarterly',
      compounding: 12,
      term: { years: 20 },
      rounding: { payment: 'down' },
    },
    'AMOUNT_TOO_LARGE',
    'principal',
  ],
  [
    'a change to a rate at which the balance can no longer grow up to the balloon',
    {
      principal: 98_00,
      annualRate: '20',
      frequency: 'monthly',
      term: { payments: 88 },
      balloon: 150_00,
      rateChanges: [{ fromPayment: 3, annualRate: '0', keep: 'term' }],
    },
    'BALLOON_TOO_LARGE',
    'balloon',
  ],
])('%s is refused, not thrown', (_, terms, code, field) => {
  expect(amortize(terms)).toMatchObject({ ok: false, code, field })
})
