import { beforeAll, describe, expect, test } from 'vitest'
import { minor, type ComparedColumn, type Value } from '@vivid/core'
import { createFigures } from './figures'
import { fetchAllLanguages } from './languages'
import { labelSaid, oftenSaid, sentenceText } from './readout-text'
import { lowestSaid } from './tables'

beforeAll(() => fetchAllLanguages())
const count = (n: number): Value => ({ unit: 'count', count: String(n) })

describe('words behind a number take its form', () => {
  test.each([
    ['en-CA', 'After ', ' payments.', 1, 'After 1 payment.'],
    ['en-CA', 'After ', ' payments.', 2, 'After 2 payments.'],
    ['en-CA', 'After ', ' payments.', 0, 'After 0 payments.'],
    ['en-CA', '', ' months', 1, '1 month'],
    ['en-CA', '', ' yearsold', 1, '1 yearsold'],
    ['fr-CA', 'Après ', ' versements.', 1, 'Après 1 versement.'],
    ['fr-CA', 'Après ', ' versements.', 0, 'Après 0 versement.'],
    ['de-DE', 'Nach ', ' Raten.', 1, 'Nach 1 Rate.'],
    ['es-ES', '', ' cuotas, la última', 1, '1 cuota, la última'],
    ['he-IL', '', ' תשלומים.', 1, '1 תשלום.'],
  ] as const)('%s: %s{n}%s with %i', (locale, before, after, n, said) => {
    const figures = createFigures(locale, 'CAD')
    expect(sentenceText({ [locale]: [before, count(n), after] }, figures, locale)).toBe(said)
  })
})

test.each([
  ['fr-CA', '2027-01-01', '1er janvier 2027'],
  ['fr-CA', '2027-01-11', '11 janvier 2027'],
  ['en-CA', '2027-01-01', 'January 1, 2027'],
  ['de-DE', '2027-01-01', '1. Januar 2027'],
  ['es-ES', '2027-01-01', '1 de enero de 2027'],
])('a day in %s: %s is %s', (locale, day, said) => expect(createFigures(locale, 'CAD').date(day)).toBe(said))

test('an amount is said with how often it recurs, and one that does not without', () => {
  const figures = createFigures('en-CA', 'CAD')
  expect(oftenSaid({ unit: 'money', money: minor(1), per: 'payment', every: 'biweekly' }, figures)).toBe(
    'every two weeks',
  )
  expect(oftenSaid({ unit: 'money', money: minor(1), per: 'month' }, figures)).toBe('a month')
  expect(oftenSaid({ unit: 'money', money: minor(1) }, figures)).toBe('')
  expect(oftenSaid(count(1), figures)).toBe('')
})

describe('of loans side by side', () => {
  const figures = createFigures('en-CA', 'CAD')
  const column = (payment: number, costOfBorrowing: number, costUntilLeaving?: number) =>
    ({
      payment: minor(0),
      paymentWithInsurance: minor(payment),
      costOfBorrowing: minor(costOfBorrowing),
      ...(costUntilLeaving !== undefined && { costUntilLeaving: minor(costUntilLeaving) }),
    }) as ComparedColumn
  const said = (...columns: ComparedColumn[]) => lowestSaid(columns, ['A', 'B', 'C'], figures)
  test('the lowest by payment and by cost are named, together where they are one', () => {
    expect(said(column(100, 900_00), column(200, 500_00))).toBe(
      'Each payment is lowest with A: $1.00. Borrowing costs least with B: $500.00.',
    )
    expect(said(column(100, 500_00), column(200, 900_00))).toBe(
      'Each payment is lowest, and borrowing costs least, with A.',
    )
    expect(said(column(100, 500_00), column(100, 400_00))).toBe('Borrowing costs least with B: $400.00.')
    expect(said(column(100, 500_00), column(100, 500_00), column(200, 600_00))).toContain('with A, B.')
  })
  test('for whom another loan costs least is said with it: who leaves sooner, or stays longer', () => {
    const columns = [column(100, 900_00, 300_00), column(100, 800_00, 400_00)]
    const until = (stay: number) =>
      lowestSaid(columns, ['A', 'B'], figures, { after: 52, before: 0, then: 1, stay })
    expect(until(24)).toBe(
      'Until you leave, borrowing costs least with A: $300.00. Whoever stays longer than 4 years 4 months pays least with B.',
    )
    expect(until(84)).toContain('Whoever leaves within 4 years 4 months pays least with A.')
    expect(until(52)).toContain('Whoever stays longer')
  })
  test('where all are the same, or there is one, nothing is named', () => {
    expect(said(column(100, 500_00), column(100, 500_00))).toBe('')
    expect(said(column(100, 500_00))).toBe('')
  })
})

test.each([
  ['New payment', 'New payment a month'],
  ['New payment a month', 'New payment a month'],
  ['What it would cost A MONTH', 'What it would cost A MONTH'],
  ['', 'a month'],
])('an amount a month called %j is %j: how often is said once', (label, said) => {
  const figures = createFigures('en-CA', 'CAD')
  expect(labelSaid(label, { unit: 'money', money: minor(1), per: 'month' }, figures)).toBe(said)
  expect(labelSaid(label, { unit: 'money', money: minor(1) }, figures)).toBe(label)
})
