import { expect, test } from 'vitest'
import { amortize } from '../loan/amortize'
import type { GivenTerms } from '../loan/loan-terms'
import { equity } from './equity'
import { refinance } from './refinance'

function ledgerOf(terms: GivenTerms) {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(`${ledger.code} ${ledger.field}`)
  return ledger
}

test('of a running loan what was paid before counts: interest and its share are those of the whole schedule', () => {
  const whole: GivenTerms = {
    principal: 300_000_00,
    annualRate: '5.2',
    frequency: 'monthly',
    term: { years: 25 },
  }
  const all = ledgerOf(whole)
  const [made, months] = [48, 31]
  const found = equity({ ...whole, alreadyPaid: made }, { value: 400_000_00, growthPercent: '0' }, months)
  if (!found.ok) throw new Error(found.code)
  const rows = Array.from({ length: made + months }, (_, at) => all.at(at + 1))
  const interest = rows.reduce((sum, row) => sum + row.interest, 0)
  const paid = rows.reduce((sum, row) => sum + row.payment, 0)
  expect(found.interestPaid).toBe(interest)
  expect(found.interestShare.toFixed(10)).toBe(((interest / paid) * 100).toFixed(10))
  expect(found).toMatchObject({ value: 400_000_00, balance: rows.at(-1)?.closing })
  expect(found.loanToValue.toFixed(10)).toBe(((Number(rows.at(-1)?.closing) / 400_000_00) * 100).toFixed(10))
  // A loan of which nothing is paid yet has no share.
  const begun = equity(whole, { value: 400_000_00, growthPercent: '0' }, 0)
  expect(begun.ok && [begun.interestPaid, begun.interestShare.toNumber()]).toEqual([0, 0])
})

test('what a refinance saves to a month is interest of both to then, less the costs; it breaks even with the first that is none', () => {
  const terms = {
    balance: 150_000_00,
    old: { annualRate: '6', payment: 1_200_00, extra: 50_00 },
    new: { annualRate: '4', payments: 180, extra: 'sameOutlay' },
    costs: 3_000_00,
    costsFinanced: true,
  } as const
  const found = refinance(terms)
  if (!found.ok) throw new Error(found.code)
  // Month by month by hand: interest at a twelfth of the rate, to the cent, then the payment with its extra.
  const paidOff = (balance: number, rate: number, outlay: number) => {
    const interest: number[] = []
    for (let owed = balance; owed > 0;) {
      const due = Math.round((owed * rate) / 12)
      interest.push(due)
      owed = owed + due > outlay ? owed + due - outlay : 0
    }
    return interest
  }
  const [kept, made] = [paidOff(150_000_00, 0.06, 1_250_00), paidOff(153_000_00, 0.04, 1_250_00)]
  const to = (interest: readonly number[], month: number) =>
    interest.slice(0, month).reduce((sum, one) => sum + one, 0)
  expect([found.newPayment + found.newExtra, found.outlayMatched]).toEqual([1_250_00, true])
  for (const month of [1, 12, 60, 500])
    expect(found.netSavedAfter(month)).toBe(to(kept, month) - to(made, month) - 3_000_00)
  const first = kept.findIndex((_, at) => to(kept, at + 1) - to(made, at + 1) >= 3_000_00) + 1
  expect(found.breakEvenMonth).toBe(first)
  expect(found.netSaved).toBe(to(kept, 1e9) - to(made, 1e9) - 3_000_00)
  expect(found.simpleBreakEvenMonths?.toNumber()).toBe(3_000_00 / (1_200_00 - found.newPayment))
})

test('an outlay is matched as long as the new payment is not above it; a payment that is no lower never pays costs back', () => {
  const terms = (payment: number, costs = 1_00) => ({
    balance: 100_000_00,
    old: { annualRate: '6', payment },
    new: { annualRate: '6', payments: 120, extra: 'sameOutlay' as const },
    costs,
    costsFinanced: false,
  })
  const plain = refinance(terms(2_000_00))
  if (!plain.ok) throw new Error(plain.code)
  const [same, below] = [refinance(terms(plain.newPayment)), refinance(terms(plain.newPayment - 1))]
  expect(same).toMatchObject({ outlayMatched: true, newExtra: 0, simpleBreakEvenMonths: undefined })
  expect(below).toMatchObject({ outlayMatched: false, newExtra: 0, simpleBreakEvenMonths: undefined })
  expect(same.ok && same.newTerms.extras).toBeUndefined()
  expect(plain.newTerms.extras).toEqual([{ amount: 2_000_00 - plain.newPayment, every: 'payment' }])
})

test('a day of the month that is kept, and the day of the first payment, are those of both ledgers', () => {
  const terms = {
    balance: 10_000_00,
    old: { annualRate: '6', payment: 500_00 },
    new: { annualRate: '4', payments: 12 },
    costs: 0,
    costsFinanced: false,
    firstPayment: '2027-02-28',
    anchorDay: 31,
  }
  const found = refinance(terms)
  if (!found.ok) throw new Error(found.code)
  for (const ledger of [found.oldLedger, found.newLedger])
    expect([1, 2, 3].map((number) => ledger.at(number).date)).toEqual([
      '2027-02-28',
      '2027-03-31',
      '2027-04-30',
    ])
})
