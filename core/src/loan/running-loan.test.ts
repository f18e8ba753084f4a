import { describe, expect, test } from 'vitest'
import { amortize } from './amortize'
import type { Ledger } from './ledger'
import type { Extra, GivenTerms } from './loan-terms'

const ledgerOf = (terms: GivenTerms): Ledger => {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(`refused: ${ledger.code} ${ledger.field}`)
  return ledger
}
/** 67 of 300 payments made, the last of them on 27 November 2026. */
const running: GivenTerms = {
  principal: 350_710_00,
  annualRate: '4.64',
  frequency: 'monthly',
  term: { years: 25 },
  firstPayment: '2021-05-27',
  alreadyPaid: 67,
}
const whole = ledgerOf({ ...running, alreadyPaid: 0 })
const lump = (at: Extra['at']): GivenTerms => ({
  ...running,
  extras: [{ amount: 10_000_00, every: 'once', ...(at === undefined ? {} : { at }) }],
})

describe('a loan that runs stands at today', () => {
  const ledger = ledgerOf(running)
  test('what was paid so far and what is to come make the whole loan', () => {
    expect(ledger.soFar.payments).toBe(67)
    expect(ledger.soFar.interest + ledger.totals.interest).toBe(whole.totals.interest)
    expect(ledger.soFar.principal + ledger.totals.principal).toBe(running.principal)
    expect(ledger.soFar.paid + ledger.totals.paid).toBe(whole.totals.paid)
    expect([ledger.count, ledger.firstNumber, ledger.endsOn]).toEqual([233, 68, '2046-04-27'])
  })
  test('payments behind it can be looked at, and balances before and after', () => {
    for (const number of [0, 1, 60, 67, 68, 299, 300, 301])
      expect([number, ledger.balanceAfter(number)]).toEqual([number, whole.balanceAfter(number)])
    expect(ledger.at(60)).toEqual(whole.at(60))
    expect(ledger.interestTo(60)).toBe(0)
  })
  test.each([undefined, 0, 67, '2026-11-27'])('a lump sum today (at: %s) is paid today', (at) => {
    const paid = ledgerOf(lump(at))
    expect(paid.paidToday).toBe(10_000_00)
    expect(paid.balanceToday).toBe(ledger.balanceToday - 10_000_00)
    expect(paid.at(68).opening).toBe(paid.balanceToday)
    expect(paid.totals.extra).toBe(10_000_00)
    expect(paid.count).toBeLessThan(ledger.count)
  })
  test('with the end kept, a lump sum today lowers the next payment', () => {
    const paid = ledgerOf({ ...lump(0), onExtra: 'lower' })
    expect([paid.count, paid.payment]).toEqual([233, paid.at(68).payment])
    expect(paid.payment).toBeLessThan(ledger.payment)
  })
  test.each<[string, Partial<Extra>, string]>([
    ['at payment 66', { every: 'once', at: 66 }, 'at'],
    ['at a date that has passed', { every: 'once', at: '2026-11-26' }, 'at'],
    ['from payment 12 on', { every: 'payment', from: 12 }, 'from'],
    ['until payment 67', { every: 'payment', until: 67 }, 'until'],
    ['until a date that has passed', { every: 'year', until: '2026-11-30' }, 'until'],
  ])('an extra planned %s is refused by name', (_, extra, field) => {
    const terms = { ...running, extras: [{ amount: 1_00, every: 'payment', ...extra } as Extra] }
    expect(amortize(terms)).toMatchObject({
      ok: false,
      code: 'LIES_BEHIND',
      field: `extras.0.${field}`,
      details: { paymentsMade: 67, with: 'alreadyPaid' },
    })
  })
  test('a lump sum dated before a new loan begins is refused too', () => {
    const { alreadyPaid: _, ...fresh } = lump('2021-04-26')
    expect(amortize(fresh)).toMatchObject({ ok: false, code: 'LIES_BEHIND', field: 'extras.0.at' })
  })
  test('a lump sum of all that is owed ends the loan today', () => {
    const paid = ledgerOf({ ...running, extras: [{ amount: 1e10, every: 'once', at: 0 }] })
    expect([paid.count, paid.balanceToday, paid.lastPayment, paid.endsOn]).toEqual([0, 0, 0, '2026-11-27'])
    expect(paid.totals).toMatchObject({ paid: ledger.balanceToday, interest: 0, balloon: 0 })
    expect(paid.byYear()).toEqual([])
    expect(paid.balanceAfter(120)).toBe(0)
  })
  test('a change of rate that lies behind is in the payments made', () => {
    const changed = ledgerOf({
      ...running,
      rateChanges: [{ fromPayment: 61, annualRate: '6', keep: 'term' }],
    })
    expect(changed.payment).toBeGreaterThan(ledger.payment)
    expect(changed.payment).toBe(changed.at(68).payment)
    expect(changed.soFar.interest).toBeGreaterThan(ledger.soFar.interest)
  })
})

test('a lump sum today comes before the interest of a time in which nothing is paid', () => {
  const terms: GivenTerms = {
    principal: 20_000_00,
    annualRate: '6',
    frequency: 'monthly',
    term: { years: 5 },
    grace: { payments: 18, interest: 'addedSimple' },
    extras: [{ amount: 5_000_00, every: 'once', at: 0 }],
  }
  // 15,000 at 0.5 % a month for 18 months.
  expect(ledgerOf(terms).balanceToday).toBe(15_000_00 + 1_350_00)
})

test.each([
  ['simple', 'addedSimple', 10_000_00 + 6 * 100_00 - 6 * 40_00],
  // 1 % a month of what is owed with the interest that was not paid, to the cent: b → 1.01 b − 40.
  ['compound', 'addedCompound', 10_369_13],
] as const)('payments in a time whose %s interest is added', (_, interest, owed) => {
  const terms: GivenTerms = {
    principal: 10_000_00,
    annualRate: '12',
    frequency: 'monthly',
    term: { years: 2 },
    grace: { payments: 6, interest, payment: 40_00 },
  }
  const ledger = ledgerOf(terms)
  expect(ledger.count).toBe(30)
  expect(ledger.at(1).payment).toBe(40_00)
  expect(ledger.balanceAfter(6)).toBe(owed)
})

test('a rate changes with the first period that begins on or after its date', () => {
  const dated = (from: string) =>
    ledgerOf({
      principal: 100_000_00,
      annualRate: '4',
      frequency: 'monthly',
      term: { years: 10 },
      firstPayment: '2027-01-15',
      rateChanges: [{ fromPayment: from, annualRate: '6', keep: 'term' }],
    })
  const firstAt6 = (ledger: Ledger) =>
    ledger.columns.interest.findIndex(
      (interest, i) => interest === Math.round((ledger.columns.opening[i] ?? 0) * 0.005),
    ) + 1
  expect(firstAt6(dated('2028-01-15'))).toBe(14)
  expect(firstAt6(dated('2028-01-16'))).toBe(15)
  const refused = amortize({
    principal: 100_000_00,
    annualRate: '4',
    frequency: 'monthly',
    term: { years: 10 },
    firstPayment: '2027-01-15',
    rateChanges: [{ fromPayment: '2026-12-01', annualRate: '6', keep: 'term' }],
  })
  expect(refused).toMatchObject({ ok: false, field: 'rateChanges.0.fromPayment' })
})

test('what a yearly limit cuts off an extra is said', () => {
  const ledger = ledgerOf({ ...lump(0), yearlyExtraLimit: 2_700_00 })
  expect([ledger.paidToday, ledger.extrasCutByLimit]).toEqual([2_700_00, 7_300_00])
  expect(ledgerOf(lump(0)).extrasCutByLimit).toBe(0)
})
