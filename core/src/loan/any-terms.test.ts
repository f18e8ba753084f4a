import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { frequencies, frequencyNames } from '../rates/frequency'
import { rowsText } from '../testing/known-answers'
import { slowLedger } from '../testing/slow-ledger'
import { amortize } from './amortize'
import type { Extra, LoanTerms } from './terms'

/** How many random terms are tried: more in the long run (`LEDGER_RUNS=10000`). */
const RUNS = Number(process.env.LEDGER_RUNS ?? 1000)

const rate = fc.integer({ min: 0, max: 19_999 }).map((thousandths) => (thousandths / 1000).toFixed(3))
const times = fc.record({ from: fc.integer({ min: 1, max: 40 }), length: fc.integer({ min: 0, max: 60 }) })
const extra = (p: number): fc.Arbitrary<Extra> =>
  fc.oneof(
    fc
      .record({ amount: fc.integer({ min: 0, max: 900_00 }), times })
      .map(({ amount, times: { from, length } }) => ({
        amount,
        every: 'payment' as const,
        from,
        until: from + length,
      })),
    fc
      .record({ amount: fc.integer({ min: 0, max: 9_000_00 }), at: fc.integer({ min: 1, max: p }) })
      .map((x) => ({ ...x, every: 'year' as const })),
    fc
      .record({ amount: fc.integer({ min: 0, max: 300_000_00 }), at: fc.integer({ min: 1, max: 60 }) })
      .map((x) => ({ ...x, every: 'once' as const })),
  )

/** Any sensible mix of terms that the slow ledger takes too; numbers beyond the loan's end are kept out by `within`. */
const anyTerms: fc.Arbitrary<LoanTerms> = fc
  .record({
    frequency: fc.constantFrom(...frequencyNames),
    years: fc.integer({ min: 1, max: 4 }),
    principal: fc.integer({ min: 5_000_00, max: 900_000_00 }),
    annualRate: rate,
    compounding: fc.constantFrom('perPayment' as const, 1 as const, 2 as const, 12 as const, 365 as const),
    due: fc.constantFrom('end' as const, 'end' as const, 'start' as const),
    balloonPercent: fc.constantFrom(0, 0, 20, 60),
    onExtra: fc.constantFrom('shorten' as const, 'lower' as const),
    limit: fc.option(fc.integer({ min: 0, max: 5_000_00 }), { nil: undefined }),
    grace: fc.option(
      fc.record({
        payments: fc.integer({ min: 1, max: 8 }),
        interest: fc.constantFrom(
          'none' as const,
          'paid' as const,
          'addedSimple' as const,
          'addedCompound' as const,
        ),
        payment: fc.integer({ min: 0, max: 200_00 }),
        rounding: fc.constantFrom('once' as const, 'eachPeriod' as const),
      }),
      { nil: undefined, freq: 3 },
    ),
    changes: fc.array(
      fc.record({
        step: fc.integer({ min: 1, max: 20 }),
        annualRate: rate,
        keep: fc.constantFrom('term' as const, 'payment' as const),
      }),
      { maxLength: 2 },
    ),
  })
  .chain((made) =>
    fc
      .array(extra(frequencies[made.frequency].perYear), { maxLength: 3 })
      .map((extras) => ({ ...made, extras })),
  )
  .map(
    ({
      frequency,
      years,
      balloonPercent,
      limit,
      grace,
      changes,
      extras,
      due,
      onExtra,
      ...rest
    }): LoanTerms => {
      const open = 'monthlyPaymentOver' in frequencies[frequency]
      const atStart = due === 'start'
      const graceRows = grace && !atStart && !grace.interest.startsWith('added') ? grace.payments : 0
      const last = graceRows + years * frequencies[frequency].perYear
      let from = graceRows + 1
      let opened = open
      const rateChanges = changes.flatMap(({ step, annualRate, keep }) => {
        from += step
        if (from > last || (open && keep === 'term')) return []
        opened ||= keep === 'payment'
        return [{ fromPayment: from, annualRate, keep }]
      })
      const kept = extras.filter(
        ({ at, from: first }) => Number(at ?? 1) <= last && Number(first ?? 1) <= last,
      )
      return {
        ...rest,
        frequency,
        due,
        term: { years },
        balloon: atStart || open ? 0 : Math.floor((rest.principal * balloonPercent) / 100),
        // An extra that lowers the payment needs an end to lower it towards.
        onExtra: opened ? 'shorten' : onExtra,
        ...(limit === undefined ? {} : { yearlyExtraLimit: limit }),
        ...(grace && !atStart
          ? { grace: { ...grace, payment: grace.interest === 'none' ? grace.payment : 0 } }
          : {}),
        rateChanges,
        extras: kept.map((x) =>
          x.until === undefined ? x : { ...x, until: Math.min(Number(x.until), last) },
        ),
      }
    },
  )

describe('any sensible mix of terms', () => {
  test(`equals a slow ledger in decimals alone, row by row (${RUNS} terms, seed 42)`, () => {
    let refused = 0
    fc.assert(
      fc.property(anyTerms, (terms) => {
        const ledger = amortize(terms)
        if (!ledger.ok) {
          // A payment that no longer repays after a change of rate; a grace time that leaves no more than the balloon.
          expect(['PAYMENT_TOO_SMALL', 'TERM_TOO_LONG', 'BALLOON_TOO_LARGE']).toContain(ledger.code)
          refused++
          return
        }
        if (rowsText(ledger, 0) !== slowLedger(terms)) expect(rowsText(ledger, 0)).toBe(slowLedger(terms))
      }),
      { numRuns: RUNS, seed: 42 },
    )
    expect(refused).toBeLessThan(RUNS / 5)
  }, 600_000)

  test('repays what was borrowed, and totals are sums of rows (2,000 terms, seed 43)', () => {
    fc.assert(
      fc.property(anyTerms, (terms) => {
        const ledger = amortize(terms)
        if (!ledger.ok) return
        const { columns, totals } = ledger
        const sum = (column: Float64Array) => column.reduce((total, amount) => total + amount, 0)
        const accrued = totals.interest - sum(columns.interest)
        expect(totals.principal + (columns.closing.at(-1) ?? 0)).toBe(terms.principal)
        expect(columns.opening[0]).toBe(terms.principal + accrued)
        expect(totals.paid).toBe(sum(columns.payment))
        expect(totals.paid).toBe(totals.principal + totals.interest)
        expect(totals.extra).toBe(sum(columns.extra))
        expect(columns.closing.every((closing) => closing >= 0)).toBe(true)
      }),
      { numRuns: 2000, seed: 43 },
    )
  }, 60_000)

  test('an extra of nothing changes nothing, and more extra never costs more interest (500 terms, seed 44)', () => {
    fc.assert(
      fc.property(anyTerms, fc.integer({ min: 1, max: 500_00 }), (terms, amount) => {
        const plain = { ...terms, extras: [], onExtra: 'shorten' as const, yearlyExtraLimit: 1e12 }
        const [none, zero] = [
          amortize(plain),
          amortize({ ...plain, extras: [{ amount: 0, every: 'payment' }] }),
        ]
        const some = amortize({ ...plain, extras: [{ amount, every: 'payment' }] })
        if (!none.ok || !zero.ok || !some.ok) return
        expect(rowsText(zero)).toBe(rowsText(none))
        expect(some.totals.interest).toBeLessThanOrEqual(none.totals.interest)
        expect(some.count).toBeLessThanOrEqual(none.count)
      }),
      { numRuns: 500, seed: 44 },
    )
  }, 60_000)
})
