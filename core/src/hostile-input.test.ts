import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import * as core from './index'
import type { GivenTerms } from './index'

/** What can arrive where something else is meant, by name: some of it cannot even be made a text or a number. */
const hostile: Readonly<Record<string, unknown>> = {
  'no primitive': { toString: '' },
  'no prototype': Object.create(null),
  symbol: Symbol('x'),
  bigint: 5n,
  function: () => 1,
  list: [5],
  'empty list': [],
  'list in a list': [[]],
  'list with a text': ['9'],
  'list of holes': Array(5),
  'like a list': { length: 5 },
  map: new Map(),
  'no date': new Date(NaN),
  object: {},
  null: null,
  undefined,
  true: true,
  false: false,
  NaN,
  Infinity,
  '-Infinity': -Infinity,
  '-0': -0,
  '0': 0,
  '-1': -1,
  '0.5': 0.5,
  '1e9': 1e9,
  '2^53': 2 ** 53,
  '1e308': 1e308,
  'empty text': '',
  space: ' ',
  text: 'x',
  'a number as a text': '9',
  'power as a text': '1e9',
  'no day': '2026-02-30',
  'built-in name': 'toString',
  prototype: '__proto__',
}
const anything = fc.oneof(
  fc.constantFrom(...Object.values(hostile)),
  fc.integer(),
  fc.double(),
  fc.string(),
  fc.jsonValue(),
)

const sound: GivenTerms = {
  principal: 250_000_00,
  annualRate: '4.64',
  frequency: 'monthly',
  term: { years: 25, months: 1 },
  firstPayment: '2026-12-25',
}
const { principal: _principal, ...withoutAmount } = sound
const { annualRate: _rate, ...withoutRate } = sound
const { term: _term, ...withoutTerm } = sound
const { term: _too, ...withoutBoth } = withoutRate
const full = {
  ...sound,
  compounding: 2,
  due: 'end',
  balloon: 100,
  minorDigits: 2,
  rounding: { payment: 'nearest', interest: 'halfUp' },
  anchorDay: 25,
  dayCount: 'equal',
  paymentBasis: 'nominal',
  extras: [
    { amount: 100_00, every: 'payment', from: 1, until: '2030-01-01' },
    { amount: 5_00, every: 'once', at: 5 },
  ],
  onExtra: 'shorten',
  yearlyExtraLimit: 1_000_00,
  grace: { payments: 3, interest: 'paid', payment: 0, rounding: 'once' },
  rateChanges: [{ fromPayment: 61, annualRate: '5', keep: 'term' }],
  insurance: {
    yearlyPercent: '0.5',
    value: 300_000_00,
    untilLoanToValue: '80',
    addedPercent: '1',
    untilPayment: 5,
    base: 'original',
  },
  fees: { financed: 100, eachPayment: 1 },
  alreadyPaid: 2,
} as const
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
  roundTo: 100,
} as const
const refinancing = {
  balance: 200_000_00,
  old: { annualRate: '6', payment: 1_500_00, extra: 5 },
  new: { annualRate: '5', payments: 240, extra: 7 },
  costs: 9,
  costsFinanced: true,
  compounding: 2,
  firstPayment: '2026-12-25',
  anchorDay: 25,
} as const
const quoted = { annualRate: '5', compoundsPerYear: 2, paymentsPerYear: 12 }
const band = { loanToValueUpTo: '95', percent: '2', credit: { from: 600, to: 700 } }
const timed = { amount: 100, count: 3, after: { whole: 1, rest: { numerator: 1, denominator: 2 } } }
const dated = { amount: 100, firstDate: '2026-01-31', count: 3, stepMonths: 1 }
const day = (year: number) => ({ year, month: 1, day: 31 })
const rate = core.periodicRate(quoted)
const level = { rate: rate.ok ? rate.value : undefined, payments: 120, balloon: 5, due: 'end' }

type Taking<Args extends readonly unknown[]> = (...args: Args) => unknown
/** A function with arguments that are sound. They are spoilt afterwards, so their types are those of the calls below only. */
const call = <Args extends readonly unknown[]>(by: Taking<Args>, ...given: Args) => ({
  by: by as Taking<readonly never[]>,
  given: given as readonly unknown[],
})
const calls = {
  ledger: call(core.amortize, full),
  'ledger by payments': call(core.amortize, { ...sound, term: { payments: 12 } }),
  'ledger by payment': call(core.amortize, { ...sound, payment: 1_500_00, settleAtTerm: true }),
  'ledger by days': call(core.amortize, { ...sound, dayCount: 'actual365', start: '2026-11-25' }),
  payment: call(core.aim, { find: 'payment', terms: sound }),
  term: call(core.aim, { find: 'term', terms: { ...withoutTerm, payment: 1_500_00 } }),
  extra: call(core.aim, { find: 'extra', terms: sound, finishWithin: 200 }),
  amount: call(core.aim, { find: 'amount', terms: withoutAmount, payment: 1_000_00 }),
  price: call(core.aim, {
    find: 'price',
    terms: withoutAmount,
    payment: 1_000_00,
    down: { percent: '5' },
  }),
  'price less money': call(core.aim, {
    find: 'price',
    terms: withoutAmount,
    payment: 1_000_00,
    down: { amount: 5 },
  }),
  'down payment': call(core.aim, {
    find: 'downPayment',
    terms: withoutAmount,
    payment: 1_000_00,
    price: 400_000_00,
  }),
  rate: call(core.aim, { find: 'rate', terms: withoutRate, payment: 1_600_00 }),
  balloon: call(core.aim, { find: 'balloon', terms: sound, payment: 1_300_00 }),
  affordable: call(core.affordablePrice, 90_000_00, household),
  income: call(core.incomeNeeded, 400_000_00, household),
  refinance: call(core.refinance, refinancing),
  premium: call(core.insuranceFor, 90, 100, [band], 650),
  'premium by credit': call(core.premiumsByCredit, 90, 100, [band]),
  'least down payment': call(core.minimumDownPayment, 600, [{ upTo: 500, percent: '5' }, { percent: '10' }]),
  equity: call(core.equity, sound, { value: 300_000_00, growthPercent: '2', growth: 'fractional' }, 60),
  'annual percentage rate': call(core.annualPercentageRate, [timed], [timed], 12),
  'rate of charge': call(core.annualPercentageRateOfCharge, [dated], [dated], 'days365'),
  'rate per payment': call(core.periodicRate, quoted),
  'effective rate': call(core.effectiveAnnualRate, '5', 2),
  borrowed: call(core.amountToBorrow, {
    price: 100,
    down: { percent: '5' },
    tradeIn: 5,
    owedOnTradeIn: 1,
    financedFees: 1,
    financedTaxes: 1,
  }),
  'level payment': call(core.levelPayment, { ...level, principal: 100_000_00 } as never, 'halfUp'),
  'amount for a payment': call(core.amountFor, 5_00, level as never),
  'payments to repay': call(core.paymentsToRepay, 5_000_00, level.rate as never, 900_00),
  'repayment percent': call(core.initialRepaymentPayment, 5_000_00, '4', '2', 12),
  days: call(core.countDays, 'actual', day(2026), day(2027)),
  compared: call(core.compareLoans, [sound, sound]),
  ladder: call(
    core.ladder,
    { over: 'rates', terms: withoutRate, rates: ['4', '5'] },
    ({ payment }) => payment,
  ),
  'two ladders': call(
    core.ladder,
    {
      over: 'ratesByTerms',
      terms: withoutBoth,
      rates: ['4'],
      lengths: [{ years: 5 }],
    },
    ({ payment }) => payment,
  ),
  'pay off': call(core.payOff, {
    loans: [{ owed: 4_200_00, annualRate: '18.9', payment: 120_00 }],
    extra: 5,
    firstPayment: '2026-12-25',
    anchorDay: 25,
  }),
}

type Path = readonly (string | number)[]
const isBranch = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null
/** Every place within something, from the whole to its leaves; a function's own functions are not data. */
const placesIn = (value: unknown, path: Path = []): Path[] =>
  typeof value === 'function'
    ? []
    : [
        path,
        ...(isBranch(value)
          ? Object.entries(value).flatMap(([key, at]) => placesIn(at, [...path, key]))
          : []),
      ]
const at = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((inner, key) => (isBranch(inner) ? inner[key] : undefined), value)
function spoilt(value: unknown, [key, ...rest]: Path, by: unknown): unknown {
  if (key === undefined) return by
  const copy: unknown = Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }
  return Object.assign(copy as object, { [key]: spoilt(at(value, [key]), rest, by) })
}
/** All places of a call's arguments, without the list of arguments itself. */
const places = (name: keyof typeof calls) => placesIn(calls[name].given).slice(1)
const answerWith = (name: keyof typeof calls, path: Path, by: unknown) =>
  calls[name].by(...(spoilt(calls[name].given, path, by) as never[])) as {
    ok?: unknown
    code?: unknown
    field?: unknown
  }

/** A typed refusal that says what and where, or an answer; never an exception. */
function isTyped(answer: ReturnType<typeof answerWith>): boolean {
  return (
    answer?.ok === true ||
    (answer?.ok === false && typeof answer.code === 'string' && typeof answer.field === 'string')
  )
}
const kindOf = (value: unknown) => (Array.isArray(value) ? 'list' : value === null ? 'null' : typeof value)

describe.each(Object.keys(calls) as (keyof typeof calls)[])('%s', (name) => {
  test('is answered as it is given', () => {
    expect(calls[name].by(...(calls[name].given as never[]))).toMatchObject({ ok: true })
  })

  test('with anything anywhere in it is answered or refused, and refused where the kind is another', () => {
    const faults: string[] = []
    for (const path of places(name))
      for (const [what, by] of Object.entries(hostile)) {
        const place = `${what} as ${path.join('.')}`
        try {
          const answer = answerWith(name, path, by)
          if (!isTyped(answer)) faults.push(`${place}: no typed answer`)
          // Nothing given is nothing asked for.
          const isGiven = by !== undefined && by !== null
          if (isGiven && answer.ok === true && kindOf(by) !== kindOf(at(calls[name].given, path)))
            faults.push(`${place}: taken`)
        } catch (error) {
          faults.push(`${place}: ${String(error)}`)
        }
      }
    expect(faults).toEqual([])
  })
})

test('anything anywhere in any call gets a typed answer in bounded time (3,000)', () => {
  const spoiling = fc
    .constantFrom(...(Object.keys(calls) as (keyof typeof calls)[]))
    .chain((name) => fc.tuple(fc.constant(name), fc.constantFrom(...places(name)), anything))
  fc.assert(
    fc.property(spoiling, ([name, path, by]) => isTyped(answerWith(name, path, by))),
    { numRuns: 3000 },
  )
})

/** Arithmetic that takes what it needs from more: the quote of a rate, a level loan and its rate, a day. */
const takesFromMore = [
  'rate per payment',
  'level payment',
  'amount for a payment',
  'payments to repay',
  'days',
]

test('a name nobody knows is refused where it stands, never passed over', () => {
  const faults: string[] = []
  for (const name of Object.keys(calls) as (keyof typeof calls)[])
    for (const path of places(name)) {
      const known = at(calls[name].given, path)
      if (takesFromMore.includes(name) || !isBranch(known) || Array.isArray(known)) continue
      const { code, field } = answerWith(name, path, { ...known, surprise: 5 })
      const isTold = code === 'OPTION_UNKNOWN' && String(field).split('.').at(-1) === 'surprise'
      if (!isTold) faults.push(`${name}, ${path.join('.')}: ${String(code)} at ${String(field)}`)
    }
  expect(faults).toEqual([])
})

test('and its place is said from the whole on', () => {
  for (const path of ['', 'term', 'rounding', 'extras.0', 'grace', 'rateChanges.0', 'insurance', 'fees']) {
    const within = ['0', ...path.split('.').filter(Boolean)]
    const known = at(calls.ledger.given, within) as object
    expect([path, answerWith('ledger', within, { ...known, surprise: 5 })]).toEqual([
      path,
      expect.objectContaining({ code: 'OPTION_UNKNOWN', field: path ? `${path}.surprise` : 'surprise' }),
    ])
  }
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
