import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { amortize } from '../loan/amortize'
import type { GivenTerms } from '../loan/loan-terms'
import { frequencies, frequencyNames } from '../rates/frequency'
import { acceptedValue } from '../testing/known-answers'
import {
  annualPercentageRateOfChargeOfLoan,
  annualPercentageRateOfLoan,
  type CostedLoan,
} from './annual-cost'

const home: GivenTerms = {
  principal: 350_710_00,
  annualRate: '4.64',
  frequency: 'monthly',
  term: { years: 25 },
}
function loanOf(terms: GivenTerms, fees = 0, agreedOn = ''): CostedLoan {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(`refused: ${ledger.code} ${ledger.field}`)
  return { ledger, terms, fees, agreedOn }
}
const rateOf = (...given: Parameters<typeof loanOf>) =>
  acceptedValue(annualPercentageRateOfLoan(loanOf(...given)))
const chargeOf = (...given: Parameters<typeof loanOf>) =>
  acceptedValue(annualPercentageRateOfChargeOfLoan(loanOf(...given)))

/** Without fees a loan's annual percentage rate is its own rate, whatever is agreed on. */
const mixes: readonly (readonly [string, Partial<GivenTerms>])[] = [
  ['as it is', {}],
  ['payments at the start', { due: 'start' }],
  ['payments at the start and a balloon', { due: 'start', balloon: 90_000_00 }],
  ['a balloon', { balloon: 90_000_00 }],
  ['a balloon above the loan', { balloon: 400_000_00 }],
  ['a time that adds interest', { grace: { payments: 18, interest: 'addedCompound' } }],
  [
    'a time that adds interest, something paid',
    { grace: { payments: 18, interest: 'addedCompound', payment: 500_00 } },
  ],
  ['a time of interest alone', { grace: { payments: 18, interest: 'paid' } }],
  ['a lump sum today', { extras: [{ amount: 40_000_00, every: 'once' }] }],
  ['a lump sum later', { extras: [{ amount: 40_000_00, every: 'once', at: 31 }] }],
  ['extras and the payment lowered', { extras: [{ amount: 3_000_00, every: 'year' }], onExtra: 'lower' }],
  ['payments made', { alreadyPaid: 67 }],
  ['payments made and a lump sum today', { alreadyPaid: 67, extras: [{ amount: 40_000_00, every: 'once' }] }],
  ['a lump sum today of all that is owed', { extras: [{ amount: 1e10, every: 'once' }], alreadyPaid: 12 }],
  ['a given payment', { payment: 2_500_00 }],
]
describe('without fees it is the loan’s own rate, with', () => {
  test.each(mixes)('%s', (_, mix) => {
    expect(rateOf({ ...home, ...mix })).toBeCloseTo(4.64, 3)
    // A nominal 4.64 % monthly comes to (1 + 0.0464/12)^12 − 1 in a year.
    expect(chargeOf({ ...home, ...mix })).toBeCloseTo(100 * ((1 + 0.0464 / 12) ** 12 - 1), 3)
  })
  test('any frequency and rate, agreed on one period before its first payment (300 loans)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...frequencyNames),
        fc.integer({ min: 1, max: 1500 }),
        fc.constantFrom(...mixes.slice(0, 13)),
        fc.constantFrom('2027-01-31', '2026-02-28', '2028-02-29', '2026-11-15'),
        (frequency, hundredths, [, mix], firstPayment) => {
          const annualRate = (hundredths / 100).toFixed(2)
          const terms: GivenTerms = { ...home, frequency, annualRate, ...mix, firstPayment }
          const ledger = amortize(terms)
          if (!ledger.ok) return
          const { perYear } = frequencies[frequency]
          expect(rateOf(terms, 0, ledger.beginsOn)).toBeCloseTo(hundredths / 100, 2)
          const year = 100 * ((1 + hundredths / 10_000 / perYear) ** perYear - 1)
          expect(chargeOf(terms, 0, ledger.beginsOn)).toBeCloseTo(year, 2)
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('everything that is paid for the loan is in it', () => {
  const plain = rateOf(home)
  test.each<[string, Partial<GivenTerms>, number]>([
    ['fees paid at once', {}, 4_000_00],
    ['fees added to the loan', { fees: { financed: 4_000_00 } }, 0],
    ['a fee with each payment', { fees: { eachPayment: 5_00 } }, 0],
    ['a premium added', { insurance: { addedPercent: '2.8' } }, 0],
    ['premiums with payments', { insurance: { yearlyPercent: '0.6' } }, 0],
    ['fees of a loan that runs', { alreadyPaid: 67 }, 4_000_00],
  ])('%s', (_, mix, fees) => expect(rateOf({ ...home, ...mix }, fees)).toBeGreaterThan(plain + 0.01))
  test('347,000.00 in hand for 300 payments of 1,968.47 (the closed case of the handbook)', () => {
    // Half-yearly compounding gives the payment of the handbook.
    const terms: GivenTerms = { ...home, compounding: 2 }
    expect(rateOf(terms, 3_710_00)).toBeCloseTo(4.7006, 3)
    expect(chargeOf(terms, 3_710_00)).toBeCloseTo(4.8033, 3)
  })
  test('fees of all that is lent leave nothing to compare', () => {
    expect(annualPercentageRateOfLoan(loanOf(home, home.principal))).toMatchObject({
      ok: false,
      code: 'NO_ANSWER',
    })
  })
})

test('a first period that is longer than the others lowers the rate, a shorter one raises it', () => {
  const terms: GivenTerms = { ...home, firstPayment: '2027-01-25' }
  const from = (agreedOn: string) => rateOf(terms, 0, agreedOn)
  expect(from('2026-12-25')).toBeCloseTo(4.64, 3)
  expect(from('2026-12-10')).toBeLessThan(4.635)
  expect(from('2027-01-10')).toBeGreaterThan(4.645)
  expect(chargeOf(terms, 0, '2026-12-10')).toBeLessThan(chargeOf(terms, 0, '2026-12-25'))
})
