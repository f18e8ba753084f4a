import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import * as core from './index'
import type { GivenTerms } from './index'

/** Whatever can arrive from outside: numbers of every kind, texts, lists, nothing. */
const anything = fc.oneof(
  fc.constantFrom<unknown>(
    NaN,
    Infinity,
    -Infinity,
    1e308,
    -0,
    0,
    -1,
    0.5,
    1e9,
    2 ** 53,
    1e13,
    '',
    ' ',
    'NaN',
    '1e9',
    '100000',
    '-5',
    '2026-02-30',
    'today',
    null,
    undefined,
    true,
    {},
    [],
    [[]],
  ),
  fc.integer(),
  fc.double(),
  fc.string(),
  fc.jsonValue(),
)

const sound: GivenTerms = {
  principal: 250_000_00,
  annualRate: '4.64',
  frequency: 'monthly',
  term: { years: 25 },
  firstPayment: '2026-12-25',
}

/** A soundness check: a typed refusal that says what and where, or an answer; never an exception. */
function answers(call: () => unknown): void {
  const answer = call() as { ok?: unknown; code?: unknown; field?: unknown }
  if (answer.ok === true) return
  expect(answer.ok).toBe(false)
  expect(typeof answer.code).toBe('string')
  expect(typeof answer.field).toBe('string')
}

const oneSpoilt = <T extends object>(good: T): fc.Arbitrary<T> =>
  fc
    .tuple(fc.constantFrom(...(Object.keys(good) as (keyof T)[])), anything)
    .map(([key, value]) => ({ ...good, [key]: value }))

describe('any input at all gets a typed answer in bounded time', () => {
  const full = {
    ...sound,
    compounding: 2,
    payment: 1_500_00,
    settleAtTerm: true,
    due: 'end',
    balloon: 100,
    minorDigits: 2,
    rounding: { payment: 'nearest', interest: 'halfUp' },
    start: '2026-11-25',
    anchorDay: 25,
    dayCount: 'equal',
    paymentBasis: 'nominal',
    extras: [{ amount: 100_00, every: 'payment' }],
    onExtra: 'shorten',
    yearlyExtraLimit: 1_000_00,
    grace: { payments: 3, interest: 'paid' },
    rateChanges: [{ fromPayment: 61, annualRate: '5', keep: 'term' }],
    insurance: { yearlyPercent: '0.5', value: 300_000_00, untilLoanToValue: '80' },
    fees: { financed: 100, eachPayment: 1 },
    alreadyPaid: 2,
  } as const

  test('a ledger with one term spoilt (5,000)', () => {
    answers(() => core.amortize(full))
    fc.assert(
      fc.property(oneSpoilt(full as unknown as GivenTerms), (terms) => answers(() => core.amortize(terms))),
      { numRuns: 5000 },
    )
  })

  test('a ledger with something spoilt inside a term (5,000)', () => {
    const inner = fc.oneof(
      oneSpoilt(full.extras[0] as object).map((x) => ({ extras: [x] })),
      oneSpoilt({ ...full.extras[0], every: 'once', at: 5, from: 1, until: 9 }).map((x) => ({ extras: [x] })),
      oneSpoilt(full.grace as object).map((grace) => ({ grace })),
      oneSpoilt(full.rateChanges[0] as object).map((x) => ({ rateChanges: [x] })),
      oneSpoilt({ ...full.insurance, addedPercent: '1', untilPayment: 5, base: 'original' }).map(
        (insurance) => ({ insurance }),
      ),
      oneSpoilt(full.fees as object).map((fees) => ({ fees })),
      oneSpoilt({ years: 25, months: 1 }).map((term) => ({ term })),
      oneSpoilt({ payments: 12 }).map((term) => ({ term })),
    )
    fc.assert(
      fc.property(inner, (part) =>
        answers(() => core.amortize({ ...sound, ...part } as unknown as GivenTerms)),
      ),
      { numRuns: 5000 },
    )
  })

  test('anything whatever as terms (2,000)', () => {
    fc.assert(
      fc.property(anything, (terms) => answers(() => core.amortize(terms as GivenTerms))),
      { numRuns: 2000 },
    )
  })

  test('aims, affordability, refinance, insurance, equity and rates with one thing spoilt (4,000)', () => {
    const { principal: _p, ...unknownAmount } = sound
    const { annualRate: _r, ...unknownRate } = sound
    const household = {
      monthlyDebts: 100_00,
      housingLimit: '28',
      debtLimit: '36',
      annualRate: '5',
      qualifyingRate: '7',
      compoundsPerYear: 2,
      payments: 300,
      propertyTaxPercent: '1',
      homeInsuranceYearly: 1_000_00,
      monthlyDues: 0,
      down: { percent: '10' },
      mortgageInsurance: { percent: '0.6', above: '80' },
    }
    const refinancing = {
      balance: 200_000_00,
      old: { annualRate: '6', payment: 1_500_00 },
      new: { annualRate: '5', payments: 240 },
      costs: 0,
      costsFinanced: true,
    }
    const band = { loanToValueUpTo: '95', percent: '2' }
    const group = { amount: 100, count: 3, after: { whole: 1, rest: { numerator: 0, denominator: 1 } } }
    const calls = fc.oneof(
      oneSpoilt(sound).map((terms) => () => core.aim({ find: 'extra', terms, finishWithin: 200 })),
      anything.map(
        (finishWithin) => () =>
          core.aim({ find: 'extra', terms: sound, finishWithin: finishWithin as number }),
      ),
      oneSpoilt({ ...unknownAmount, payment: 1 }).map(
        ({ payment, ...terms }) =>
          () =>
            core.aim({ find: 'amount', terms, payment }),
      ),
      anything.map(
        (payment) => () =>
          core.aim({
            find: 'price',
            terms: unknownAmount,
            payment: payment as number,
            down: { percent: '5' },
          }),
      ),
      anything.map(
        (percent) => () =>
          core.aim({
            find: 'price',
            terms: unknownAmount,
            payment: 1_000_00,
            down: { percent: percent as string },
          }),
      ),
      anything.map(
        (payment) => () => core.aim({ find: 'rate', terms: unknownRate, payment: payment as number }),
      ),
      anything.map(
        (payment) => () => core.aim({ find: 'balloon', terms: sound, payment: payment as number }),
      ),
      oneSpoilt(household).map((h) => () => core.affordablePrice(90_000_00, h)),
      oneSpoilt(household).map((h) => () => core.incomeNeeded(400_000_00, h)),
      anything.map((income) => () => core.affordablePrice(income as number, household)),
      oneSpoilt(refinancing).map((terms) => () => core.refinance(terms)),
      oneSpoilt(band).map((bad) => () => core.insuranceFor(90, 100, [bad, band])),
      anything.map((bands) => () => core.insuranceFor(90, 100, bands as [])),
      anything.map(
        (months) => () => core.equity(sound, { value: 300_000_00, growthPercent: '2' }, months as number),
      ),
      anything.map(
        (growthPercent) => () =>
          core.equity(sound, { value: 300_000_00, growthPercent: growthPercent as string }, 60),
      ),
      oneSpoilt({ ...group }).map((bad) => () => core.annualPercentageRate([group], [bad], 12)),
      oneSpoilt({ amount: 100, firstDate: '2026-01-31', count: 3, stepMonths: 1 }).map(
        (bad) => () => core.annualPercentageRateOfCharge([bad], [bad], 'days365'),
      ),
      oneSpoilt({ annualRate: '5', compoundsPerYear: 2, paymentsPerYear: 12 }).map(
        (rate) => () => core.periodicRate(rate),
      ),
      oneSpoilt({ price: 100, tradeIn: 5, financedFees: 1 }).map(
        (purchase) => () => core.amountToBorrow(purchase),
      ),
      oneSpoilt({ upTo: 500, percent: '5' }).map((step) => () => core.minimumDownPayment(400, [step])),
    )
    fc.assert(
      fc.property(calls, (call) => answers(call)),
      { numRuns: 4000 },
    )
  })

  test('the largest of everything is worked out, or refused, without hanging', () => {
    const largest = core.amortize({
      ...sound,
      principal: 1e13,
      frequency: 'weekly',
      term: { years: 100 },
      annualRate: '1000',
    })
    expect(largest).toMatchObject({ ok: false, code: 'AMOUNT_TOO_LARGE' })
    expect(core.amortize({ ...sound, principal: 1e13, frequency: 'weekly', term: { years: 100 } }).ok).toBe(
      true,
    )
    const grows = { payments: 600, interest: 'addedCompound' } as const
    expect(core.amortize({ ...sound, annualRate: '900', grace: grows })).toMatchObject({
      code: 'AMOUNT_TOO_LARGE',
      field: 'grace',
    })
    expect(
      core.amortize({
        ...sound,
        annualRate: '1000',
        principal: 1e13,
        grace: { ...grows, interest: 'addedSimple' },
      }),
    ).toMatchObject({ code: 'AMOUNT_TOO_LARGE' })
    const down = { percent: '99.999999999999' }
    expect(core.aim({ find: 'price', terms: sound, payment: 1_000_00, down })).toMatchObject({ ok: false })
    expect(core.equity(sound, { value: 1e13, growthPercent: '1000' }, 1200)).toMatchObject({
      code: 'AMOUNT_TOO_LARGE',
    })
    expect(core.amortize({ ...sound, term: { payments: 1e9 } })).toMatchObject({ code: 'TERM_TOO_LONG' })
    const never = core.amortize({ principal: 1e13, annualRate: '0', frequency: 'weekly', payment: 1 })
    expect(never).toMatchObject({ ok: false, code: 'TERM_TOO_LONG' })
  })
})
