import { expect, test } from 'vitest'
import { amortize } from '../loan/amortize'
import { amountToBorrow } from '../loan/amount-to-borrow'
import type { LoanTerms } from '../loan/terms'
import { compareLoans, costUntil, loansTogether } from './compare'

const loan: LoanTerms = { principal: 300_000_00, annualRate: '5', frequency: 'monthly', term: { years: 25 } }
const ledgerOf = (terms: LoanTerms) => {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(ledger.code)
  return ledger
}

test('loans stand side by side, each against the first', () => {
  const shorter: LoanTerms = { ...loan, term: { years: 20 } }
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
  const lowRate: LoanTerms = { ...loan, annualRate: '4.6', insurance: { addedPercent: '3' } }
  const monthly: LoanTerms = {
    ...loan,
    annualRate: '5',
    insurance: { yearlyPercent: '0.5', value: 320_000_00, untilLoanToValue: '80' },
  }
  const cost = (terms: LoanTerms, months: number) => costUntil(ledgerOf(terms), terms, months)
  expect(cost(monthly, 12)).toBeLessThan(cost(lowRate, 12))
  expect(cost(monthly, 240)).toBeGreaterThan(cost(lowRate, 240))
  const whole = ledgerOf(monthly)
  expect(cost(monthly, 300)).toBe(whole.totals.interest + whole.totals.insurance)
})

test('an extra goes to the loan where it saves the most', () => {
  const boat: LoanTerms = { principal: 40_000_00, annualRate: '9', frequency: 'monthly', term: { years: 8 } }
  const answer = loansTogether([loan, boat], 100_00)
  if (!answer.ok) throw new Error(answer.code)
  expect(answer.totals.interest).toBe(ledgerOf(loan).totals.interest + ledgerOf(boat).totals.interest)
  const alone =
    ledgerOf(boat).totals.interest -
    ledgerOf({ ...boat, extras: [{ amount: 100_00, every: 'payment' }] }).totals.interest
  expect(answer.saved[1]).toBe(alone)
  // Twenty-five years of compounding outweigh the boat's higher rate; over five years they do not.
  expect(answer.best).toBe(0)
  const shorter = loansTogether([{ ...loan, term: { years: 5 } }, boat], 100_00)
  expect(shorter).toMatchObject({ ok: true, best: 1 })
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
