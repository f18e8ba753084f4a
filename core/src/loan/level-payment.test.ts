import { createHash } from 'node:crypto'
import { expect, test } from 'vitest'
import { Decimal } from '../money/decimal'
import { equivalentRate } from '../rates/periodic-rate'
import type { LoanInput } from '../testing/known-answers'
import { acceptedValue, knownAnswers, minorOf, rowsText, termsOf } from '../testing/known-answers'
import { amortize } from './amortize'
import { levelPayment } from './closed-forms'
import { levelPaymentExact } from './level-payment'

interface Input extends LoanInput {
  kind: 'regular' | 'accelerated_biweekly' | 'accelerated_weekly'
  number_of_monthly_payments: number
}
interface Expected {
  error?: string
  payment: string
  payment_exact: string
  number_of_payments: number
  final_payment: string
  total_interest: string
  total_paid: string
  sha256: string
}
const cases = knownAnswers<Input, Expected>('level_payment')

test.each(cases.filter((c) => c.input.kind === 'regular'))('known answer $id', ({ input, expected }) => {
  const terms = termsOf(input)
  if (expected.error) return expect(amortize(terms)).toMatchObject({ ok: false })
  const { principal, balloon = 0, due = 'end' } = terms
  const rate = equivalentRate(
    new Decimal(input.annual_rate),
    input.compounds_per_year ?? 0,
    input.payments_per_year,
  )
  const asked = { principal, rate, payments: input.number_of_payments ?? 0, balloon, due }
  expect(acceptedValue(levelPayment(asked))).toBe(minorOf(expected.payment, terms.minorDigits))
  const inMajor = levelPaymentExact(asked).div(10 ** (terms.minorDigits ?? 2))
  expect(inMajor.minus(expected.payment_exact).abs().lessThan('1e-10')).toBe(true)
})

test.each(cases.filter((c) => c.input.kind !== 'regular'))('known answer $id', ({ input, expected }) => {
  const biweekly = input.kind === 'accelerated_biweekly'
  const ledger = amortize({
    principal: minorOf(input.principal),
    annualRate: input.annual_rate,
    frequency: biweekly ? 'acceleratedBiweekly' : 'acceleratedWeekly',
    compounding: (input.compounds_per_year as 12 | null) ?? 'perPayment',
    term: { years: 0, months: input.number_of_monthly_payments },
  })
  if (!ledger.ok) throw new Error(ledger.code)
  expect(ledger.payment).toBe(minorOf(expected.payment))
  expect(ledger.count).toBe(expected.number_of_payments)
  expect(ledger.lastPayment).toBe(minorOf(expected.final_payment))
  expect(ledger.totals.interest).toBe(minorOf(expected.total_interest))
  expect(createHash('sha256').update(rowsText(ledger, 2)).digest('hex')).toBe(expected.sha256)
})

test('a payment that falls exactly on half a cent goes up', () => {
  const zero = equivalentRate(new Decimal(0), 12, 12)
  expect(acceptedValue(levelPayment({ principal: 100, rate: zero, payments: 8 }))).toBe(13)
  const half = equivalentRate(new Decimal('6'), 12, 12)
  expect(acceptedValue(levelPayment({ principal: 100, rate: half, payments: 1 }))).toBe(101)
  expect(acceptedValue(levelPayment({ principal: 100, rate: half, payments: 1 }, 'down'))).toBe(100)
})
