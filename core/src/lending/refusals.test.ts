import { describe, expect, test } from 'vitest'
import type { GivenTerms } from '../loan/loan-terms'
import { LARGEST_AMOUNT, LARGEST_BALANCE } from '../money/minor'
import { affordablePrice, incomeNeeded, type Household } from './affordability'
import { compareLoans } from './compare'
import { equity } from './equity'
import { insuranceFor, minimumDownPayment, premiumsByCredit, type PremiumBand } from './insurance'
import { refinance, type RefinanceTerms } from './refinance'

/** What was wrong, where it stands, and what would be right. */
type Refused = readonly [code: string, field: string, details?: object]
const refused = ([code, field, details]: Refused) => ({
  ok: false,
  code,
  field,
  ...(details && { details }),
})
const loan: GivenTerms = { principal: 200_000_00, annualRate: '5', frequency: 'monthly', term: { years: 20 } }

describe('affordability', () => {
  const household: Household = {
    monthlyDebts: 0,
    housingLimit: '39',
    debtLimit: '44',
    annualRate: '5',
    compoundsPerYear: 2,
    payments: 300,
    propertyTaxPercent: '1',
    homeInsuranceYearly: 1_200_00,
    monthlyDues: 0,
    down: { percent: '20' },
  }
  const INCOME = 90_000_00
  const cases: [string, object, Refused][] = [
    ['debts', { monthlyDebts: -1 }, ['AMOUNT_NEGATIVE', 'monthlyDebts']],
    ['insurance of the home', { homeInsuranceYearly: 0.5 }, ['NOT_A_NUMBER', 'homeInsuranceYearly']],
    ['dues', { monthlyDues: NaN }, ['NOT_A_NUMBER', 'monthlyDues']],
    ['a tax that is no number', { propertyTaxPercent: 'one' }, ['RATE_UNREADABLE', 'propertyTaxPercent']],
    [
      'a limit that is none',
      { housingLimit: '0' },
      ['OUT_OF_RANGE', 'housingLimit', { least: 0, most: 100 }],
    ],
    [
      'a limit above all income',
      { debtLimit: '101' },
      ['OUT_OF_RANGE', 'debtLimit', { least: 0, most: 100 }],
    ],
    ['a limit that is no number', { debtLimit: '' }, ['RATE_UNREADABLE', 'debtLimit']],
    ['a rate that is no number', { annualRate: 'x', qualifyingRate: '5' }, ['RATE_UNREADABLE', 'annualRate']],
    ['a qualifying rate that is none', { qualifyingRate: 'x' }, ['RATE_UNREADABLE', 'qualifyingRate']],
    ['a length of nothing', { payments: 0 }, ['OUT_OF_RANGE', 'payments', { least: 1, most: 1200 }]],
    ['a length beyond all', { payments: 1201 }, ['OUT_OF_RANGE', 'payments', { least: 1, most: 1200 }]],
    ['no down payment', { down: undefined }, ['OPTION_UNKNOWN', 'down']],
    ['a negative one', { down: { amount: -1 } }, ['AMOUNT_NEGATIVE', 'down.amount']],
    ['one that is no number', { down: { percent: '20%' } }, ['RATE_UNREADABLE', 'down.percent']],
    [
      'one above the price',
      { down: { percent: '100.5' } },
      ['OUT_OF_RANGE', 'down.percent', { least: 0, most: 100 }],
    ],
    ['rounding to nothing', { roundTo: 0 }, ['AMOUNT_NOT_POSITIVE', 'roundTo']],
    ['insurance that is no rule', { mortgageInsurance: '4' }, ['OPTION_UNKNOWN', 'mortgageInsurance']],
    [
      'insurance without a percentage',
      { mortgageInsurance: { above: '80' } },
      ['RATE_UNREADABLE', 'mortgageInsurance.percent'],
    ],
    [
      'insurance without a limit',
      { mortgageInsurance: { percent: '1', above: '-3' } },
      ['RATE_NEGATIVE', 'mortgageInsurance.above'],
    ],
  ]
  test.each(cases)('%s is refused, whichever way it is asked', (_, fields, expected) => {
    const changed = { ...household, ...fields } as Household
    expect(affordablePrice(INCOME, changed)).toMatchObject(refused(expected))
    expect(incomeNeeded(300_000_00, changed)).toMatchObject(refused(expected))
  })
  test.each([
    [0, ['AMOUNT_NOT_POSITIVE', 'annualIncome']],
    [0.5, ['NOT_A_NUMBER', 'annualIncome']],
    [1, ['NO_ANSWER', 'annualIncome', { reason: 'NOTHING_AFFORDABLE' }]],
  ] satisfies [number, Refused][])('an income of %d', (income, expected) => {
    expect(affordablePrice(income, household)).toMatchObject(refused(expected))
  })
  test('an income for which no price is too high, a price that asks for nothing, and one beyond all', () => {
    const free = { ...household, propertyTaxPercent: '0', homeInsuranceYearly: 0, down: { percent: '100' } }
    expect(affordablePrice(INCOME, free)).toMatchObject(
      refused(['NO_ANSWER', 'annualIncome', { reason: 'NO_PRICE_TOO_HIGH' }]),
    )
    expect(incomeNeeded(300_000_00, free)).toMatchObject(
      refused(['NO_ANSWER', 'price', { reason: 'NOTHING_TO_PAY' }]),
    )
    expect(incomeNeeded(-1, household)).toMatchObject(refused(['AMOUNT_NOT_POSITIVE', 'price']))
    expect(incomeNeeded(LARGEST_AMOUNT, { ...household, housingLimit: '0.001' })).toMatchObject(
      refused(['AMOUNT_TOO_LARGE', 'price', { largest: LARGEST_BALANCE }]),
    )
  })
  test('a price that rounds down to nothing is none', () => {
    expect(affordablePrice(INCOME, { ...household, roundTo: 1_000_000_000_00 })).toMatchObject(
      refused(['NO_ANSWER', 'annualIncome', { reason: 'NOTHING_AFFORDABLE' }]),
    )
  })
})

describe('equity', () => {
  const home = { value: 300_000_00, growthPercent: '2' }
  test.each([
    [{ value: 0 }, 12, ['AMOUNT_NOT_POSITIVE', 'value']],
    [{ growthPercent: 'two' }, 12, ['RATE_UNREADABLE', 'growthPercent']],
    [{ growthPercent: '-100' }, 12, ['OUT_OF_RANGE', 'growthPercent', { least: -100, most: 1000 }]],
    [{ growthPercent: '1000.5' }, 12, ['OUT_OF_RANGE', 'growthPercent', { least: -100, most: 1000 }]],
    [{ growthPercent: '1000' }, 1200, ['AMOUNT_TOO_LARGE', 'growthPercent', { largest: LARGEST_BALANCE }]],
    [{}, -1, ['OUT_OF_RANGE', 'afterMonths', { least: 0, most: 1200 }]],
    [{}, 1201, ['OUT_OF_RANGE', 'afterMonths', { least: 0, most: 1200 }]],
  ] satisfies [object, number, Refused][])('%j after %d months', (fields, months, expected) => {
    expect(equity(loan, { ...home, ...fields }, months)).toMatchObject(refused(expected))
  })
  test('a loan that is refused is refused here too; the most a home may grow is taken', () => {
    expect(equity({ ...loan, annualRate: 'x' }, home, 12)).toMatchObject(
      refused(['RATE_UNREADABLE', 'annualRate']),
    )
    expect(equity(loan, { ...home, growthPercent: '1000' }, 12)).toMatchObject({
      ok: true,
      value: 3_300_000_00,
    })
    expect(equity(loan, { ...home, growthPercent: '-99' }, 12)).toMatchObject({ ok: true, value: 3_000_00 })
  })
})

describe('premiums', () => {
  const band = (loanToValueUpTo: string, percent: string, credit?: PremiumBand['credit']): PremiumBand => ({
    loanToValueUpTo,
    percent,
    ...(credit && { credit }),
  })
  const good = { from: 700, to: 900 }
  const fair = { from: 600, to: 699 }
  test.each([
    ['a loan of nothing', [0, 100_00, [band('95', '4')]], ['AMOUNT_NOT_POSITIVE', 'loan']],
    ['a value of nothing', [90_00, 0, [band('95', '4')]], ['AMOUNT_NOT_POSITIVE', 'value']],
    ['no table', [90_00, 100_00, undefined], ['TABLE_INVALID', 'bands', { reason: 'EMPTY' }]],
    ['an empty table', [90_00, 100_00, []], ['TABLE_INVALID', 'bands', { reason: 'EMPTY' }]],
    [
      'a table beyond all',
      [90_00, 100_00, Array(1001).fill(band('95', '4'))],
      ['TABLE_INVALID', 'bands', { reason: 'EMPTY' }],
    ],
    [
      'a row that is none',
      [90_00, 100_00, [band('80', '1'), null]],
      ['TABLE_INVALID', 'bands.1', { reason: 'UNREADABLE' }],
    ],
    [
      'a credit band that is none',
      [90_00, 100_00, [{ ...band('80', '1'), credit: 'good' }]],
      ['TABLE_INVALID', 'bands.0', { reason: 'UNREADABLE' }],
    ],
    [
      'half a credit band',
      [90_00, 100_00, [{ ...band('80', '1'), credit: { from: 1 } }]],
      ['TABLE_INVALID', 'bands.0', { reason: 'UNREADABLE' }],
    ],
    [
      'the other half',
      [90_00, 100_00, [{ ...band('80', '1'), credit: { to: 1 } }]],
      ['TABLE_INVALID', 'bands.0', { reason: 'UNREADABLE' }],
    ],
    [
      'a limit that is no number',
      [90_00, 100_00, [band('80', '1'), band('x', '1')]],
      ['RATE_UNREADABLE', 'bands.1.loanToValueUpTo'],
    ],
    [
      'a premium that is no number',
      [90_00, 100_00, [band('80', 'x')]],
      ['RATE_UNREADABLE', 'bands.0.percent'],
    ],
    [
      'limits that do not rise',
      [90_00, 100_00, [band('80', '1'), band('80', '2')]],
      ['TABLE_INVALID', 'bands.1', { reason: 'NOT_RISING' }],
    ],
    [
      'a loan above every band',
      [96_00, 100_00, [band('80', '1'), band('95', '4')]],
      ['NO_ANSWER', 'loan', { reason: 'ABOVE_ALL_BANDS', most: '95' }],
    ],
    [
      'a credit nobody insures',
      [90_00, 100_00, [band('95', '4', good)]],
      ['NO_ANSWER', 'loan', { reason: 'NO_BAND_FOR_CREDIT', most: '0' }],
    ],
  ] satisfies [string, unknown[], Refused][])('%s', (_, [of, value, bands], expected) => {
    expect(insuranceFor(of as number, value as number, bands as PremiumBand[])).toMatchObject(
      refused(expected),
    )
  })
  test('bands of credits that touch in one score are not in one order; those apart are', () => {
    const touching = [band('90', '2', good), band('80', '1', { from: 650, to: 700 })]
    expect(insuranceFor(70_00, 100_00, touching, 800)).toMatchObject(
      refused(['TABLE_INVALID', 'bands.1', { reason: 'NOT_RISING' }]),
    )
    const below = [band('90', '2', fair), band('80', '1', { from: 500, to: 600 })]
    expect(insuranceFor(70_00, 100_00, below, 650)).toMatchObject(refused(['TABLE_INVALID', 'bands.1']))
    const apart = [band('90', '2', good), band('80', '1', fair)]
    for (const [score, percent] of [
      [700, '2'],
      [900, '2'],
      [699, '1'],
      [600, '1'],
    ] as const) {
      const found = insuranceFor(70_00, 100_00, apart, score)
      expect([score, found.ok && found.value.percent.toFixed()]).toEqual([score, percent])
    }
    expect(insuranceFor(70_00, 100_00, apart, 901)).toMatchObject({ ok: false, code: 'NO_ANSWER' })
    expect(insuranceFor(70_00, 100_00, apart, 599)).toMatchObject({ ok: false, code: 'NO_ANSWER' })
  })
  test('side by side each credit band stands once, against the first that has a premium', () => {
    const bands = [band('80', '1', good), band('95', '3', good), band('80', '2', fair), band('85', '4', fair)]
    const found = premiumsByCredit(90_00, 100_00, bands)
    expect(
      found.ok &&
        found.value.map(({ credit, premium, difference }) => [credit, premium?.premium, difference]),
    ).toEqual([
      [good, 2_70, 0],
      [fair, undefined, undefined],
    ])
    const turned = premiumsByCredit(82_00, 100_00, [band('80', '1', good), band('85', '4', fair)])
    expect(
      turned.ok && turned.value.map(({ premium, difference }) => [premium?.premium, difference]),
    ).toEqual([
      [undefined, undefined],
      [3_28, 0],
    ])
    const open = premiumsByCredit(70_00, 100_00, [band('80', '2'), band('90', '3')])
    expect(open.ok && open.value).toMatchObject([{ credit: undefined, difference: 0 }])
    expect(premiumsByCredit(90_00, 100_00, [])).toMatchObject(refused(['TABLE_INVALID', 'bands']))
    expect(premiumsByCredit(0, 100_00, bands)).toMatchObject(refused(['AMOUNT_NOT_POSITIVE', 'loan']))
  })
})

describe('the least down payment', () => {
  const steps = [{ upTo: 500_000_00, percent: '5' }, { percent: '10' }]
  test.each([
    [0, steps, ['AMOUNT_NOT_POSITIVE', 'price']],
    [1_00, undefined, ['TABLE_INVALID', 'steps', { reason: 'UNREADABLE' }]],
    [1_00, Array(101).fill(steps[1]), ['TABLE_INVALID', 'steps', { reason: 'UNREADABLE' }]],
    [1_00, [{ percent: 'x' }], ['RATE_UNREADABLE', 'steps.0.percent']],
    [1_00, [steps[0], steps[0]], ['TABLE_INVALID', 'steps.1', { reason: 'NOT_RISING' }]],
    [1_00, [steps[1], steps[0]], ['TABLE_INVALID', 'steps.1', { reason: 'NOT_RISING' }]],
    [500_000_01, [steps[0]], ['TABLE_INVALID', 'steps', { reason: 'GAP', from: 500_000_00 }]],
    [1_00, [], ['TABLE_INVALID', 'steps', { reason: 'GAP', from: 0 }]],
  ] satisfies [number, unknown, Refused][])('of %d by %j', (price, given, expected) => {
    expect(minimumDownPayment(price, given as typeof steps)).toMatchObject(refused(expected))
  })
  test('a price at the end of the last step is in it', () => {
    expect(minimumDownPayment(500_000_00, steps.slice(0, 1))).toMatchObject({ ok: true, value: 25_000_00 })
  })
})

describe('refinancing', () => {
  const terms: RefinanceTerms = {
    balance: 150_000_00,
    old: { annualRate: '6', payment: 1_200_00 },
    new: { annualRate: '4', payments: 180 },
    costs: 3_000_00,
    costsFinanced: false,
  }
  test.each([
    [{ old: undefined }, ['OPTION_UNKNOWN', 'old']],
    [{ new: 'x' }, ['OPTION_UNKNOWN', 'new']],
    [{ costs: -1 }, ['AMOUNT_NEGATIVE', 'costs']],
    [{ balance: 0 }, ['AMOUNT_NOT_POSITIVE', 'balance']],
    [{ old: { ...terms.old, extra: -1 } }, ['AMOUNT_NEGATIVE', 'old.extra']],
    [{ new: { ...terms.new, extra: -1 } }, ['AMOUNT_NEGATIVE', 'new.extra']],
    [{ old: { ...terms.old, annualRate: 'x' } }, ['RATE_UNREADABLE', 'old.annualRate']],
    [{ old: { ...terms.old, payment: 700_00 } }, ['PAYMENT_TOO_SMALL', 'old.payment']],
    [{ new: { ...terms.new, annualRate: 'x' } }, ['RATE_UNREADABLE', 'new.annualRate']],
    [{ new: { ...terms.new, payments: 0 } }, ['TERM_NOT_POSITIVE', 'new.term']],
  ] satisfies [object, Refused][])('%j', (fields, expected) => {
    expect(refinance({ ...terms, ...fields } as RefinanceTerms)).toMatchObject(refused(expected))
  })
})

describe('loans beside each other', () => {
  test.each([
    ['one alone', [loan], ['OUT_OF_RANGE', 'loans', { least: 2, most: 8 }]],
    ['more than eight', Array(9).fill(loan), ['OUT_OF_RANGE', 'loans', { least: 2, most: 8 }]],
    ['what is no list', 'loans', ['OUT_OF_RANGE', 'loans', { least: 2, most: 8 }]],
    [
      'one of which is refused',
      [loan, { ...loan, principal: 0 }],
      ['AMOUNT_NOT_POSITIVE', 'loans.1.principal'],
    ],
  ] satisfies [string, unknown, Refused][])('%s', (_, loans, expected) => {
    expect(compareLoans(loans as GivenTerms[])).toMatchObject(refused(expected))
  })
  test('eight can be compared', () => {
    expect(compareLoans(Array<GivenTerms>(8).fill(loan)).ok).toBe(true)
  })
})
