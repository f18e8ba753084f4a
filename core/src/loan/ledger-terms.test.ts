import { createHash } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import type { DayCount } from '../rates/day-count'
import { countDays } from '../rates/day-count'
import { readIsoDate, type PlainDate } from '../dates/plain-date'
import {
  acceptedValue,
  knownAnswers,
  majorOf,
  minorOf,
  rowsText,
  summaryOf,
  termsOf,
  type LedgerSummary,
  type LoanInput,
} from '../testing/known-answers'
import { amortize } from './amortize'
import type { Ledger } from './ledger'
import type { Extra, GivenTerms } from './loan-terms'

function ledgerOf(terms: GivenTerms): Ledger {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(`refused: ${ledger.code} ${ledger.field} ${JSON.stringify(ledger.details)}`)
  return ledger
}
const hashOf = (ledger: Ledger, digits?: number) =>
  createHash('sha256').update(rowsText(ledger, digits)).digest('hex')

interface ExtrasInput extends LoanInput {
  effect: 'shorten' | 'keep_term'
  recurring: { amount: string; from_payment: number; to_payment: number | null } | null
  yearly: { amount: string; payment_index: number } | null
  lump_sums: { amount: string; after_payment: number }[]
}
interface ExtrasExpected {
  error?: string
  payment: string
  with: LedgerSummary & { final_extra_part: string; total_extra: string }
  without: LedgerSummary
  interest_saved: string
  sha256: string
}

function extrasOf({ recurring, yearly, lump_sums, currency_digits: digits }: ExtrasInput): Extra<number>[] {
  return [
    ...(recurring
      ? [
          {
            amount: minorOf(recurring.amount, digits),
            every: 'payment' as const,
            from: recurring.from_payment,
            ...(recurring.to_payment === null ? {} : { until: recurring.to_payment }),
          },
        ]
      : []),
    ...(yearly
      ? [{ amount: minorOf(yearly.amount, digits), every: 'year' as const, at: yearly.payment_index }]
      : []),
    ...lump_sums.map(({ amount, after_payment: at }) => ({
      amount: minorOf(amount, digits),
      every: 'once' as const,
      at,
    })),
  ]
}

describe('extras', () => {
  test.each(knownAnswers<ExtrasInput, ExtrasExpected>('extras'))(
    'known answer $id',
    ({ input, expected }) => {
      const agreed = termsOf(input)
      const terms: GivenTerms = {
        ...agreed,
        extras: extrasOf(input),
        onExtra: input.effect === 'shorten' ? 'shorten' : 'lower',
      }
      if (expected.error) return expect(amortize(terms).ok).toBe(false)
      const digits = input.currency_digits
      const [without, ledger] = [ledgerOf(agreed), ledgerOf(terms)]
      expect(summaryOf(without, digits)).toEqual(expected.without)
      expect(expected.with).toMatchObject(summaryOf(ledger, digits))
      expect(majorOf(ledger.totals.extra, digits)).toBe(expected.with.total_extra)
      expect(majorOf(ledger.at(ledger.count).extra, digits)).toBe(expected.with.final_extra_part)
      expect(majorOf(without.totals.interest - ledger.totals.interest, digits)).toBe(expected.interest_saved)
      expect(hashOf(ledger, digits)).toBe(expected.sha256)
    },
  )

  const loan: GivenTerms = {
    principal: 200_000_00,
    annualRate: '5',
    frequency: 'monthly',
    term: { years: 20 },
    firstPayment: '2027-01-15',
  }

  test('dates name the first payment on or after them, and the last before an end', () => {
    const byDate = ledgerOf({
      ...loan,
      extras: [{ amount: 100_00, every: 'payment', from: '2028-01-16', until: '2029-06-14' }],
    })
    const byNumber = ledgerOf({
      ...loan,
      extras: [{ amount: 100_00, every: 'payment', from: 14, until: 29 }],
    })
    expect(rowsText(byDate)).toBe(rowsText(byNumber))
    expect(byDate.at(13).extra).toBe(0)
    expect(byDate.at(14)).toMatchObject({ date: '2028-02-15', extra: 100_00 })
    expect(byDate.at(30).extra).toBe(0)
  })

  test('a yearly limit caps what is paid on top in each loan year', () => {
    const ledger = ledgerOf({
      ...loan,
      extras: [{ amount: 1_000_00, every: 'payment' }],
      yearlyExtraLimit: 2_500_00,
    })
    expect([1, 2, 3, 4, 12, 13].map((k) => ledger.at(k).extra)).toEqual([
      1000_00, 1000_00, 500_00, 0, 0, 1000_00,
    ])
  })

  test('a lump sum today lowers what the ledger opens with, and counts as repaid', () => {
    const ledger = ledgerOf({ ...loan, extras: [{ amount: 20_000_00, every: 'once', at: 0 }] })
    expect(ledger.at(1).opening).toBe(180_000_00)
    expect(ledger.totals).toMatchObject({ extra: 20_000_00, principal: 200_000_00 })
    const lowered = ledgerOf({
      ...loan,
      onExtra: 'lower',
      extras: [{ amount: 20_000_00, every: 'once', at: 0 }],
    })
    expect(rowsText(lowered)).toBe(rowsText(ledgerOf({ ...loan, principal: 180_000_00 })))
  })

  test('of a loan already running the rest is shown, with the numbers it has', () => {
    const [whole, rest] = [ledgerOf(loan), ledgerOf({ ...loan, alreadyPaid: 60 })]
    expect(rest.firstNumber).toBe(61)
    expect(rest.count).toBe(180)
    expect(rest.balanceAfter(60)).toBe(whole.balanceAfter(60))
    expect(rest.at(61)).toEqual(whole.at(61))
    expect(rest.totals.interest).toBe(whole.totals.interest - whole.interestTo(60))
    const faster = ledgerOf({ ...loan, alreadyPaid: 60, extras: [{ amount: 200_00, every: 'payment' }] })
    expect(faster.at(61).opening).toBe(whole.at(61).opening)
    expect(faster.count).toBeLessThan(180)
  })
})

interface ChangeInput extends LoanInput {
  changes: { from_payment: number; annual_rate: string; effect: 'keep_term' | 'keep_payment' }[]
}
interface ChangeExpected {
  error?: string
  least_payment?: string
  at_payment?: number
  changes: { from_payment: number; balance_before: string }[]
  with: LedgerSummary
  sha256?: string
}

test.each(knownAnswers<ChangeInput, ChangeExpected>('rate_change'))(
  'known answer $id',
  ({ input, expected }) => {
    const terms: GivenTerms = {
      ...termsOf(input),
      rateChanges: input.changes.map(({ from_payment: fromPayment, annual_rate: annualRate, effect }) => ({
        fromPayment,
        annualRate,
        keep: effect === 'keep_term' ? ('term' as const) : ('payment' as const),
      })),
    }
    const digits = input.currency_digits
    if (expected.error) {
      const refusal = amortize(terms)
      expect(refusal.ok).toBe(false)
      if (!refusal.ok && expected.least_payment) {
        expect(refusal).toMatchObject({
          code: 'PAYMENT_TOO_SMALL',
          details: { least: minorOf(expected.least_payment, digits), atPayment: expected.at_payment },
        })
      }
      return
    }
    const ledger = ledgerOf(terms)
    expect(summaryOf(ledger, digits)).toEqual(expected.with)
    for (const { from_payment: k, balance_before } of expected.changes) {
      expect(majorOf(ledger.balanceAfter(k - 1), digits)).toBe(balance_before)
    }
    if (expected.sha256) expect(hashOf(ledger, digits)).toBe(expected.sha256)
  },
)

interface GraceInput extends LoanInput {
  grace_periods: number
  payments_after_grace: number
  mode: 'interest_free' | 'interest_only' | 'capitalise_simple' | 'capitalise_compound'
  grace_payment: string
  accrual_rounding: 'once' | 'each_period' | null
}
interface GraceExpected extends LedgerSummary {
  error?: string
  accrued_interest: string
  payment_after_grace: string
  sha256?: string
}
const graceInterest = {
  interest_free: 'none',
  interest_only: 'paid',
  capitalise_simple: 'addedSimple',
  capitalise_compound: 'addedCompound',
} as const

test.each(knownAnswers<GraceInput, GraceExpected>('grace'))('known answer $id', ({ input, expected }) => {
  const digits = input.currency_digits ?? 2
  const terms: GivenTerms = {
    ...termsOf({ ...input, number_of_payments: input.payments_after_grace }),
    grace: {
      payments: input.grace_periods,
      interest: graceInterest[input.mode],
      payment: minorOf(input.grace_payment, digits),
      rounding: input.accrual_rounding === 'each_period' ? 'eachPeriod' : 'once',
    },
  }
  if (expected.error) return expect(amortize(terms).ok).toBe(false)
  const ledger = ledgerOf(terms)
  expect(expected).toMatchObject(summaryOf(ledger, digits))
  expect(majorOf(ledger.payment, digits)).toBe(expected.payment_after_grace)
  if (expected.sha256) expect(hashOf(ledger, digits)).toBe(expected.sha256)
})

type DayInput =
  | { kind: 'days'; start: string; end: string }
  | (LoanInput & {
      kind: 'ledger'
      convention: string
      start_date: string
      first_payment_date: string
      anchor_day: number
      payment_basis: string
    })
type DayExpected = (LedgerSummary & { error?: string; payment: string; sha256?: string }) &
  Record<string, number>

const dayCountOf: Record<string, DayCount> = {
  '30/365': 'thirtyOver365',
  'actual/365': 'actual365',
  'actual/360': 'actual360',
  '30/360': 'thirty360',
  '30E/360': 'thirtyE360',
  '30/360-bond': 'thirty360Bond',
  '30U/360': 'thirty360US',
}

test.each(knownAnswers<DayInput, DayExpected>('day_count'))('known answer $id', ({ input, expected }) => {
  if (input.kind === 'days') {
    const [from, to] = [readIsoDate(input.start), readIsoDate(input.end)] as [PlainDate, PlainDate]
    const rules = { actual: 'actual', '30E/360': '30E', '30/360-bond': 'bond', '30U/360': '30U' } as const
    for (const [name, rule] of Object.entries(rules))
      expect([name, acceptedValue(countDays(rule, from, to))]).toEqual([name, expected[name]])
    return
  }
  const terms: GivenTerms = {
    ...termsOf({ ...input, compounds_per_year: 12, payments_per_year: 12 }),
    dayCount: dayCountOf[input.convention] ?? 'equal',
    firstPayment: input.first_payment_date,
    start: input.start_date,
    anchorDay: input.anchor_day,
    ...(input.payment_basis === 'exact_days' ? { paymentBasis: 'exactDays' as const } : {}),
  }
  if (expected.error) return expect(amortize(terms)).toMatchObject({ ok: false, code: 'PAYMENT_TOO_SMALL' })
  const ledger = ledgerOf(terms)
  expect(majorOf(ledger.payment)).toBe(expected.payment)
  expect(expected).toMatchObject(summaryOf(ledger))
  if (expected.sha256) expect(hashOf(ledger)).toBe(expected.sha256)
})
