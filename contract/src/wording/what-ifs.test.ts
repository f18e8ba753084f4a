import { expect, test } from 'vitest'
import type { ComparedColumn, Frequency, LoanTerms, Minor, WhatIf } from '@vivid/core/evaluate'
import { createFigures } from './figures'
import { fetchAllLanguages } from './languages'
import { keptName, paymentAfter, whatIfName, whatIfSentence, whenOf } from './what-ifs'

await fetchAllLanguages()
const figures = createFigures('en-CA', 'CAD')
const terms = (frequency: Frequency): LoanTerms => ({
  principal: amount(1),
  annualRate: '5',
  frequency,
  term: { years: 1 },
})
const amount = (minor: number) => minor as Minor

test.each<[WhatIf, string]>([
  [{ extra: amount(250_00) }, '$250 extra each time'],
  [{ yearlyExtra: amount(3_000_00) }, '$3,000 extra each year'],
  [{ lumpSum: { amount: amount(20_000_00), withPayment: 0 } }, '$20,000 now'],
  [{ lumpSum: { amount: amount(20_000_00), withPayment: 130 } }, '$20,000 after 5 years'],
  [{ annualRate: '5.25' }, 'at 5.25%'],
  [{ payment: amount(1_500_00) }, 'paying $1,500'],
  [{ extra: amount(250_00), annualRate: '5.25' }, 'at 5.25%, $250 extra each time'],
])('%o stands under "%s"', (change, name) => {
  expect(whatIfName(change, terms('biweekly'), figures)).toBe(name)
  expect(keptName({ ...change, name: ' ' }, terms('biweekly'), figures)).toBe(name)
  expect(keptName({ ...change, name: 'the raise' }, terms('biweekly'), figures)).toBe('the raise')
})

test('a lump sum after years goes with the payment that falls then', () => {
  expect(paymentAfter(0, terms('monthly'))).toBe(0)
  expect(paymentAfter(5, terms('monthly'))).toBe(60)
  expect(paymentAfter(2, terms('acceleratedBiweekly'))).toBe(52)
  expect([whenOf(0, figures), whenOf(1, figures)]).toEqual(['now', 'after 1 year'])
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
  largeLastPayment: amount(0),
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
  [column(300, 0), column(301, 0), 'monthly', '1 month later, for the same interest.'],
  [column(300, 9_00), column(300, 9_00), 'monthly', 'That changes nothing.'],
  [
    column(300, 9_00),
    column(0, 0, 0),
    'monthly',
    'That pays everything off at once, and saves $9.00 of interest.',
  ],
  [
    column(1560, 9_00),
    { ...column(1560, 9_00, 110_58), extrasNotPaid: amount(5_00), largeLastPayment: amount(457_57) },
    'weekly',
    'Each payment would be $110.58. Paid off at the same time, for the same interest. $5.00 of the extra payments cannot be paid: the yearly limit on extras is reached. The last payment is $457.57: it pays what all the others leave.',
  ],
] as const)('%#: %s', (asItIs, changed, frequency, sentence) =>
  expect(whatIfSentence(asItIs, changed, terms(frequency), figures)).toBe(sentence),
)
