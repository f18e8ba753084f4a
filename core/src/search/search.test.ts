import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { amortize } from '../loan/amortize'
import { balanceAfterExact, partsOfPayment, paymentsToRepay } from '../loan/closed-forms'
import type { GivenTerms } from '../loan/loan-terms'
import { periodicRate } from '../rates/periodic-rate'
import {
  knownAnswers,
  majorOf,
  minorOf,
  summaryOf,
  termsOf,
  type LedgerSummary,
  type LoanInput,
} from '../testing/known-answers'
import { aim } from './aim'
import { ladder } from './ladder'

interface RepayExpected {
  error?: string
  least_payment?: string
  periods_exact: string
  periods_whole: number
  years_exact: string
}
const rateOf = (input: LoanInput) => {
  const rate = periodicRate({
    annualRate: input.annual_rate,
    compoundsPerYear: input.compounds_per_year ?? input.payments_per_year,
    paymentsPerYear: input.payments_per_year,
  })
  if (!rate.ok) throw new Error(rate.code)
  return rate.value
}

test.each(knownAnswers<LoanInput, RepayExpected>('months_to_repay'))(
  'known answer $id',
  ({ input, expected }) => {
    const answer = paymentsToRepay(minorOf(input.principal), rateOf(input), minorOf(input.payment ?? '0'))
    if (expected.error) {
      expect(answer.ok).toBe(false)
      if (!answer.ok && expected.least_payment)
        expect(answer.details.least).toBe(minorOf(expected.least_payment))
      return
    }
    if (!answer.ok) throw new Error(answer.code)
    expect(answer.value.exact.minus(expected.periods_exact).abs().lessThan('1e-9')).toBe(true)
    expect(answer.value.whole).toBe(expected.periods_whole)
  },
)

interface SolveInput extends LoanInput {
  solve_for: 'payment' | 'principal' | 'term' | 'annual_rate' | 'extra' | 'price'
  finish_within: number
  down_amount: string | null
  down_percent: string | null
}
interface SolveExpected extends LedgerSummary {
  error?: string
  payment: string
  principal_exact: string
  principal_rounded_down: string
  annual_rate: string
  extra: string
  price_exact: string
  price_rounded_down: string
  periods_whole: number
}

test.each(knownAnswers<SolveInput, SolveExpected>('solve'))('known answer $id', ({ input, expected }) => {
  const answer = solve(input)
  if (expected.error) return expect(answer.ok).toBe(false)
  if (!answer.ok) throw new Error(`${answer.code} ${answer.field}`)
  const { value, exact, ledger } = answer
  switch (input.solve_for) {
    case 'payment':
      return expect(majorOf(value)).toBe(expected.payment)
    case 'principal':
      return expect(exact?.div(100).minus(expected.principal_exact).abs().lessThan('1e-9')).toBe(true)
    case 'term':
      return expect(Math.abs(value - expected.periods_whole)).toBeLessThanOrEqual(1)
    case 'annual_rate':
      return expect(value).toBeCloseTo(Number(expected.annual_rate), 8)
    case 'extra':
      expect(majorOf(value)).toBe(expected.extra)
      return expect(ledger && expected).toMatchObject(ledger ? summaryOf(ledger) : {})
    case 'price':
      return expect(exact?.div(100).minus(expected.price_exact).abs().lessThan('1e-9')).toBe(true)
  }
})

function solve(input: SolveInput) {
  const { principal = '1', annual_rate = '0' } = input
  const {
    principal: amount,
    annualRate,
    payment: _payment,
    ...terms
  } = termsOf({ ...input, principal, annual_rate })
  const payment = minorOf(input.payment ?? '0')
  switch (input.solve_for) {
    case 'payment':
      return aim({ find: 'payment', terms: { ...terms, principal: amount, annualRate } })
    case 'principal':
      return aim({ find: 'amount', terms: { ...terms, annualRate }, payment })
    case 'term':
      return aim({ find: 'term', terms: { ...terms, principal: amount, annualRate, payment } })
    case 'annual_rate':
      return aim({ find: 'rate', terms: { ...terms, principal: amount }, payment })
    case 'extra':
      return aim({
        find: 'extra',
        terms: { ...terms, principal: amount, annualRate },
        finishWithin: input.finish_within,
      })
    case 'price':
      return aim({
        find: 'price',
        terms: { ...terms, annualRate },
        payment,
        down:
          input.down_percent === null
            ? { amount: minorOf(input.down_amount ?? '0') }
            : { percent: input.down_percent },
      })
  }
}

describe('aims hold on the ledger, one step to either side', () => {
  const anyTerms = fc.record({
    annualRate: fc.integer({ min: 0, max: 15_000 }).map((thousandths) => (thousandths / 1000).toFixed(3)),
    frequency: fc.constantFrom('monthly' as const, 'biweekly' as const, 'quarterly' as const),
    compounding: fc.constantFrom('perPayment' as const, 2 as const),
    term: fc.record({ years: fc.integer({ min: 1, max: 30 }) }),
  })
  const paymentOf = (terms: GivenTerms) => {
    const ledger = amortize(terms)
    return ledger.ok ? ledger.payment : NaN
  }

  test('the greatest amount keeps the payment, and a cent more does not (300 aims)', () => {
    fc.assert(
      fc.property(anyTerms, fc.integer({ min: 100_00, max: 9_000_00 }), (terms, payment) => {
        const answer = aim({ find: 'amount', terms, payment })
        if (!answer.ok) throw new Error(answer.code)
        expect(paymentOf({ ...terms, principal: answer.value })).toBeLessThanOrEqual(payment)
        expect(paymentOf({ ...terms, principal: answer.value + 1 })).toBeGreaterThan(payment)
      }),
      { numRuns: 300 },
    )
  })

  test('the rate found gives the payment back (200 aims)', () => {
    fc.assert(
      fc.property(
        anyTerms,
        fc.integer({ min: 50_000_00, max: 900_000_00 }),
        ({ annualRate, ...terms }, principal) => {
          const payment = paymentOf({ ...terms, annualRate, principal })
          const answer = aim({ find: 'rate', terms: { ...terms, principal }, payment })
          // A payment rounded down at a zero rate repays a little too little.
          if (!answer.ok) {
            expect([answer.code, Number(annualRate) < 0.01]).toEqual(['NO_ANSWER', true])
            return
          }
          expect(answer.value).toBeCloseTo(Number(annualRate), 2)
        },
      ),
      { numRuns: 200 },
    )
  })

  test('the least extra finishes in time, and a cent less does not (100 aims)', () => {
    fc.assert(
      fc.property(anyTerms, fc.integer({ min: 20, max: 95 }), (terms, percent) => {
        const loan: GivenTerms = { ...terms, principal: 250_000_00 }
        const agreed = amortize(loan)
        if (!agreed.ok) throw new Error(agreed.code)
        const finishWithin = Math.max(1, Math.floor((agreed.count * percent) / 100))
        const answer = aim({ find: 'extra', terms: loan, finishWithin })
        if (!answer.ok) throw new Error(answer.code)
        const less = amortize({ ...loan, extras: [{ amount: answer.value - 1, every: 'payment' }] })
        expect(answer.ledger?.count).toBeLessThanOrEqual(finishWithin)
        if (!less.ok) throw new Error(less.code)
        expect(less.count > finishWithin || less.lastPayment > less.payment + answer.value - 1).toBe(true)
      }),
      { numRuns: 100 },
    )
  })

  test('the least balloon keeps the payment, and a cent less does not (60 aims)', () => {
    fc.assert(
      fc.property(anyTerms, fc.integer({ min: 60, max: 99 }), (terms, percent) => {
        const loan: GivenTerms = { ...terms, principal: 80_000_00 }
        const wanted = Math.floor((paymentOf(loan) * percent) / 100)
        const answer = aim({ find: 'balloon', terms: loan, payment: wanted })
        if (!answer.ok) {
          expect(answer).toMatchObject({ code: 'NO_ANSWER', details: { reason: 'TOO_SMALL' } })
          return
        }
        expect(answer.ledger?.payment).toBeLessThanOrEqual(wanted)
        expect(paymentOf({ ...loan, balloon: answer.value - 1 })).toBeGreaterThan(wanted)
      }),
      { numRuns: 60 },
    )
  })

  test('with fees, an added premium or a grace time the ledger alone decides', () => {
    const terms: Omit<GivenTerms, 'principal'> = {
      annualRate: '5',
      frequency: 'monthly',
      term: { years: 10 },
      fees: { financed: 1_000_00 },
      insurance: { addedPercent: '2.5' },
      grace: { payments: 6, interest: 'addedCompound' },
    }
    const answer = aim({ find: 'amount', terms, payment: 1_000_00 })
    if (!answer.ok) throw new Error(answer.code)
    expect(paymentOf({ ...terms, principal: answer.value })).toBeLessThanOrEqual(1_000_00)
    expect(paymentOf({ ...terms, principal: answer.value + 1 })).toBeGreaterThan(1_000_00)
    expect(aim({ find: 'balloon', terms: { ...terms, principal: 1_000_00 }, payment: 1 })).toMatchObject({
      code: 'TERMS_DO_NOT_MIX',
    })
  })

  test('a down payment reaches the payment for a price, or none is needed', () => {
    const terms = { annualRate: '5', frequency: 'monthly', term: { years: 25 } } as const
    const answer = aim({ find: 'downPayment', terms, payment: 1_500_00, price: 400_000_00 })
    if (!answer.ok) throw new Error(answer.code)
    expect(paymentOf({ ...terms, principal: 400_000_00 - answer.value })).toBeLessThanOrEqual(1_500_00)
    expect(paymentOf({ ...terms, principal: 400_000_00 - answer.value + 1 })).toBeGreaterThan(1_500_00)
    expect(aim({ find: 'downPayment', terms, payment: 9_000_00, price: 400_000_00 })).toMatchObject({
      value: 0,
    })
  })
})

test('the closed forms agree with a ledger to within its rounding', () => {
  const rate = rateOf({
    principal: '0',
    annual_rate: '4.64',
    compounds_per_year: 12,
    payments_per_year: 12,
    number_of_payments: 300,
  })
  const terms = { principal: 350_710_00, rate, payments: 300 }
  const ledger = amortize({
    principal: 350_710_00,
    annualRate: '4.64',
    frequency: 'monthly',
    term: { payments: 300 },
  })
  if (!ledger.ok) throw new Error(ledger.code)
  for (const k of [1, 60, 120, 299]) {
    expect(balanceAfterExact(terms, k).toNumber()).toBeCloseTo(ledger.balanceAfter(k), -3)
    expect(Math.abs(partsOfPayment(terms, k).interest.toNumber() - ledger.at(k).interest)).toBeLessThan(5)
  }
  expect(balanceAfterExact(terms, 300).abs().lessThan('1e-20')).toBe(true)
})

interface LadderInput extends LoanInput {
  kind: 'extras' | 'rates_by_terms'
  extras: string[]
  annual_rates: string[]
  terms: number[]
}
test.each(knownAnswers<LadderInput, { error?: string; rows: LedgerSummary[] }>('ladder'))(
  'known answer $id',
  ({ input, expected }) => {
    const { annualRate, term, ...terms } = termsOf({
      ...input,
      annual_rate: input.annual_rate ?? '0',
      number_of_payments: input.number_of_payments ?? 1,
    })
    const answer =
      input.kind === 'extras'
        ? ladder(
            {
              over: 'extras',
              terms: { ...terms, annualRate, ...(term ? { term } : {}) },
              extras: input.extras.map((extra) => minorOf(extra, input.currency_digits)),
            },
            (ledger) => ledger,
          )
        : ladder(
            {
              over: 'ratesByTerms',
              terms,
              rates: input.annual_rates,
              lengths: input.terms.map((payments) => ({ payments })),
            },
            (ledger) => ledger,
          )
    if (expected.error) return expect(answer.ok).toBe(false)
    if (!answer.ok) throw new Error(`${answer.code} ${answer.field}`)
    expect(expected.rows).toMatchObject(
      answer.rungs.map((ledger) => summaryOf(ledger, input.currency_digits)),
    )
  },
)
