import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { amortize } from './amortize'
import { brokenPair } from './pair-rules'
import { termPairs } from './term-pairs'
import type { GivenTerms } from './loan-terms'

const base: GivenTerms = { principal: 300_000_00, annualRate: '5', frequency: 'monthly', term: { years: 20 } }
const first = { firstPayment: '2027-01-31' }
const extra = (fields: object) => [{ amount: 3_000_00, every: 'payment', ...fields }] as GivenTerms['extras']

/** Every setting of a loan in one or two of its ways, by the name it has in the table. */
const settings: Readonly<Record<string, Partial<GivenTerms>>> = {
  'frequency weekly': { frequency: 'weekly' },
  'frequency half-monthly': { frequency: 'semiMonthly' },
  'frequency accelerated': { frequency: 'acceleratedBiweekly' },
  compounding: { compounding: 2 },
  payment: { payment: 2_500_00 },
  'payment settled': { payment: 2_500_00, settleAtTerm: true },
  due: { due: 'start' },
  balloon: { balloon: 100_000_00 },
  'dayCount actual': { ...first, dayCount: 'actual360' },
  'dayCount thirty': { dayCount: 'thirtyOver365' },
  'dayCount by dates': { ...first, dayCount: 'thirtyE360' },
  paymentBasis: { ...first, dayCount: 'actual365', paymentBasis: 'exactDays' },
  start: { ...first, dayCount: 'actual365', start: '2026-11-10' },
  anchorDay: { firstPayment: '2027-02-28', anchorDay: 31 },
  'extras every': { extras: extra({}) },
  'extras once': { extras: extra({ every: 'once', at: 7 }) },
  'extras today': { extras: extra({ every: 'once' }) },
  'extras yearly': { extras: extra({ every: 'year', at: 2, from: 3, until: 90 }) },
  'onExtra lower': { extras: extra({ until: 60 }), onExtra: 'lower' },
  yearlyExtraLimit: { extras: extra({ amount: 9_000_00 }), yearlyExtraLimit: 5_000_00 },
  'grace none': { grace: { payments: 4, interest: 'none', payment: 100_00 } },
  'grace paid': { grace: { payments: 4, interest: 'paid' } },
  'grace simple': { grace: { payments: 4, interest: 'addedSimple' } },
  'grace compound with payments': { grace: { payments: 4, interest: 'addedCompound', payment: 300_00 } },
  'rateChanges term': { rateChanges: [{ fromPayment: 9, annualRate: '7', keep: 'term' }] },
  'rateChanges payment': { rateChanges: [{ fromPayment: 9, annualRate: '4', keep: 'payment' }] },
  'rateChanges in the grace time': { rateChanges: [{ fromPayment: 3, annualRate: '7', keep: 'term' }] },
  'insurance added': { insurance: { addedPercent: '3' } },
  'insurance yearly': { insurance: { yearlyPercent: '0.6', base: 'balanceYearly' } },
  'insurance until': { insurance: { yearlyPercent: '0.6', value: 350_000_00, untilLoanToValue: '80' } },
  'fees financed': { fees: { financed: 1_000_00 } },
  'fees each': { fees: { eachPayment: 2_00 } },
  alreadyPaid: { alreadyPaid: 5 },
}

/** All that a ledger says: rows, totals, what governs and what was cut. */
function saidBy(terms: GivenTerms): string {
  const ledger = amortize(terms)
  if (!ledger.ok) return `refused ${ledger.code} ${ledger.field} ${JSON.stringify(ledger.details)}`
  const rows = Array.from({ length: ledger.count }, (_, i) => ledger.at(ledger.firstNumber + i))
  const { totals, soFar, governedBy, extrasCutByLimit, payment } = ledger
  return JSON.stringify({ rows, totals, soFar, governedBy, extrasCutByLimit, payment })
}

const names = Object.keys(settings)
/** Two settings of the same field take each other's place. */
const share = (a: string, b: string) =>
  Object.keys(settings[a] ?? {}).some(
    (key) => key !== 'firstPayment' && key !== 'dayCount' && key in (settings[b] ?? {}),
  ) ||
  (a.startsWith('dayCount') && b.startsWith('dayCount')) ||
  ('dayCount' in (settings[a] ?? {}) && 'dayCount' in (settings[b] ?? {}))

describe('no setting of a loan is ever ignored beside another', () => {
  const pairs = names.flatMap((a, i) => names.slice(i + 1).map((b) => [a, b] as const))
  test.each(pairs.filter(([a, b]) => !share(a, b)))('%s with %s', (a, b) => {
    const [one, other] = [
      { ...base, ...settings[a] },
      { ...base, ...settings[b] },
    ]
    const both = { ...base, ...settings[a], ...settings[b] }
    const result = saidBy(both)
    const refusal = amortize(both)
    if (!refusal.ok) {
      // Refused by what one of them is worth, or naming both sides.
      if (refusal.code === 'TERMS_DO_NOT_MIX') {
        expect(brokenPair(both)).toEqual([refusal.field, refusal.details.with])
        expect(String(refusal.details.with)).not.toBe('')
      } else expect(['LIES_BEHIND', 'OUT_OF_RANGE', 'PAYMENT_TOO_SMALL']).toContain(refusal.code)
      return
    }
    expect(result).not.toBe(saidBy(one))
    expect(result).not.toBe(saidBy(other))
  })
  test.each(names)('how payments are rounded, with %s', (name) => {
    const rounded = (payment: 'up' | 'down') => saidBy({ ...base, ...settings[name], rounding: { payment } })
    const isGiven = settings[name]?.payment !== undefined
    if (isGiven || rounded('up').startsWith('refused')) expect(rounded('up')).toBe(rounded('down'))
    else expect(rounded('up')).not.toBe(rounded('down'))
  })
  test('each alone changes what the ledger says', () => {
    for (const name of names) {
      expect([name, saidBy({ ...base, ...settings[name] })]).not.toEqual([name, saidBy(base)])
    }
  })
})

test('a refused mix names both of its settings, each by where it stands', () => {
  const mixes: GivenTerms[] = [
    { ...base, extras: extra({ at: 3 }) },
    { ...base, extras: extra({ every: 'once', from: 3 }) },
    { ...base, extras: extra({ every: 'once', until: 3 }) },
    { ...base, insurance: { untilPayment: 3 } },
    { ...base, insurance: { base: 'balanceYearly' } },
    { ...base, insurance: { untilLoanToValue: '80', value: 1 } },
    { ...base, settleAtTerm: true },
    { ...base, start: '2027-01-01' },
    { ...base, anchorDay: 12 },
    { ...base, anchorDay: 12, firstPayment: '2027-01-31' },
    { ...base, paymentBasis: 'exactDays' },
    { ...base, grace: { payments: 3, interest: 'paid', payment: 1 } },
    { ...base, payment: 2_500_00, onExtra: 'lower', extras: extra({}) },
    { ...base, payment: 2_500_00, rateChanges: [{ fromPayment: 9, annualRate: '7', keep: 'term' }] },
  ]
  for (const mix of mixes) {
    const pair = brokenPair(mix)
    expect(amortize(mix)).toMatchObject({
      ok: false,
      code: 'TERMS_DO_NOT_MIX',
      field: pair?.[0],
      details: { with: pair?.[1] },
    })
  }
})

test('docs/methods.md has the table of all pairs, as it is', () => {
  const methods = readFileSync(new URL('../../../docs/methods.md', import.meta.url), 'utf8')
  const rows = [...methods.matchAll(/^\| `([^`]+)` +\| `([^`]+)` +\| (\w+) +\| (.+?) +\|$/gm)].map((found) =>
    found.slice(1),
  )
  expect(rows).toEqual(termPairs.map(({ settings: [a, b], holds, says }) => [a, b, holds, says]))
})
