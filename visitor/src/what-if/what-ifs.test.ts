import { expect, test } from 'vitest'
import { createFigures, fetchAllLanguages } from '@vivid/contract/wording'
import type { ComparedColumn, Frequency, LoanTerms, Minor, WhatIf } from '@vivid/core/evaluate'
import { nameOf, paymentAfter, sentenceOf, whenOf } from './what-ifs'

await fetchAllLanguages()
const figures = createFigures('en-CA', 'CAD')
const { page: words } = figures.words
const terms = (frequency: Frequency): LoanTerms => ({
  principal: 1,
  annualRate: '5',
  frequency,
  term: { years: 1 },
})
const amount = (minor: number) => minor as Minor

test.each<[WhatIf, string]>([
  [{ kind: 'extra', amount: amount(250_00) }, '$250 extra each time'],
  [{ kind: 'lumpSum', amount: amount(20_000_00), withPayment: 0 }, '$20,000 now'],
  [{ kind: 'lumpSum', amount: amount(20_000_00), withPayment: 130 }, '$20,000 after 5 years'],
  [{ kind: 'rate', annualRate: '5.25' }, 'at 5.25%'],
  [{ kind: 'payment', payment: amount(1_500_00) }, 'paying $1,500'],
])('%o stands under "%s"', (change, name) =>
  expect(nameOf(change, terms('biweekly'), figures, words)).toBe(name),
)

test('a lump sum after years goes with the payment that falls then', () => {
  expect(paymentAfter(0, terms('monthly'))).toBe(0)
  expect(paymentAfter(5, terms('monthly'))).toBe(60)
  expect(paymentAfter(2, terms('acceleratedBiweekly'))).toBe(52)
  expect([whenOf(0, figures, words), whenOf(1, figures, words)]).toEqual(['now', 'after 1 year'])
})

const column = (payments: number, totalInterest: number, payment = 900_00): ComparedColumn => ({
  at: 0,
  payment: amount(payment),
  paymentWithInsurance: amount(payment),
  payments,
  endDate: undefined,
  totalInterest: amount(totalInterest),
  totalInsurance: amount(0),
  totalFees: amount(0),
  balloon: amount(0),
  extrasNotPaid: amount(0),
  totalPaid: amount(0),
  costOfBorrowing: amount(0),
  difference: 0,
})
test.each([
  [
    column(300, 100_000_00),
    column(268, 70_323_45),
    'monthly',
    '2 years 8 months sooner, $29,676.55 less interest.',
  ],
  [column(300, 100_000_00), column(312, 104_000_00), 'monthly', '1 year later, $4,000.00 more interest.'],
  [
    column(300, 100_000_00),
    column(300, 104_000_00, 950_00),
    'monthly',
    'Each payment would be $950.00. Paid off at the same time, $4,000.00 more interest.',
  ],
  [column(1300, 100_00), column(1298, 99_00), 'weekly', '2 payments sooner, $1.00 less interest.'],
  [column(650, 100_00), column(624, 99_00), 'biweekly', '1 year sooner, $1.00 less interest.'],
] as const)('%#: %s', (asItIs, changed, frequency, sentence) =>
  expect(sentenceOf(asItIs, changed, terms(frequency), figures, words)).toBe(sentence),
)
