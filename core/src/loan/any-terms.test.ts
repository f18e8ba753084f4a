import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { frequencies, frequencyNames } from '../rates/frequency'
import { rowsText } from '../testing/known-answers'
import { slowLedger } from '../testing/slow-ledger'
import { amortize } from './amortize'
import type { Extra, GivenTerms } from './loan-terms'

/** How many random terms are tried: more in the long run (`LEDGER_RUNS=10000`). */
const RUNS = Number(process.env.LEDGER_RUNS ?? 600)

const rate = fc.integer({ min: 0, max: 19_999 }).map((thousandths) => (thousandths / 1000).toFixed(3))
const times = fc.record({ from: fc.integer({ min: 1, max: 40 }), length: fc.integer({ min: 0, max: 60 }) })
const extra = (p: number): fc.Arbitrary<Extra<number>> =>
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
      .record({ amount: fc.integer({ min: 0, max: 300_000_00 }), at: fc.integer({ min: 0, max: 60 }) })
      .map((x) => ({ ...x, every: 'once' as const })),
  )
const graces = fc.record({
  payments: fc.integer({ min: 1, max: 8 }),
  interest: fc.constantFrom(
    'none' as const,
    'paid' as const,
    'addedSimple' as const,
    'addedCompound' as const,
  ),
  payment: fc.constantFrom(0, 1, 90_00, 2_000_00),
  rounding: fc.constantFrom('once' as const, 'eachPeriod' as const),
})
const sometimes = <T>(arbitrary: fc.Arbitrary<T>, freq = 3) => fc.option(arbitrary, { nil: undefined, freq })

/**
 * Any mix of terms that the slow ledger takes too, balloons with extras, lump sums, given payments, changes of rate and
 * payments made among them. What does not go together is left out here, or refused by the ledger.
 */
const anyTerms: fc.Arbitrary<GivenTerms> = fc
  .record({
    frequency: fc.constantFrom(...frequencyNames),
    years: fc.integer({ min: 1, max: 4 }),
    principal: fc.oneof(fc.integer({ min: 5_000_00, max: 900_000_00 }), fc.integer({ min: 1, max: 200 })),
    annualRate: rate,
    compounding: fc.constantFrom('perPayment' as const, 1 as const, 2 as const, 12 as const, 365 as const),
    due: fc.constantFrom('end' as const, 'end' as const, 'start' as const),
    balloonPercent: fc.constantFrom(0, 0, 20, 60, 95, 100, 103),
    /** Of what repays without interest, percent: from too little to far too much. */
    paymentPercent: sometimes(fc.integer({ min: 40, max: 400 })),
    settleAtTerm: fc.boolean(),
    onExtra: fc.constantFrom('shorten' as const, 'lower' as const),
    limit: fc.option(fc.integer({ min: 0, max: 5_000_00 }), { nil: undefined }),
    alreadyPaid: sometimes(fc.integer({ min: 1, max: 14 })),
    dayCount: fc.constantFrom(
      'equal' as const,
      'equal' as const,
      'actual365' as const,
      'actual360' as const,
      'thirty360' as const,
      'thirtyOver365' as const,
      'thirtyE360' as const,
      'thirty360US' as const,
    ),
    grace: sometimes(graces),
    rounding: fc.record({
      payment: fc.constantFrom('nearest' as const, 'nearest' as const, 'up' as const, 'down' as const),
      interest: fc.constantFrom('halfUp' as const, 'halfEven' as const),
    }),
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
  .map((made): GivenTerms => {
    const { frequency, years, principal, annualRate, paymentPercent, grace, extras } = made
    const { perYear, every } = frequencies[frequency]
    const byWeek = 'days' in every
    const isOpen =
      paymentPercent === undefined ? 'monthlyPaymentOver' in frequencies[frequency] : !made.settleAtTerm
    const isFlat = made.dayCount === 'thirty360' || made.dayCount === 'thirtyOver365'
    const dayCount = byWeek && isFlat ? 'equal' : made.dayCount
    // The slow ledger looks far ahead only where there are few rows.
    const hasDays = dayCount !== 'equal'
    const due = grace || hasDays ? 'end' : made.due
    const isLong = perYear > 12
    const balloonPercent =
      isLong && (due === 'start' || made.balloonPercent > 100)
        ? 0
        : paymentPercent === undefined
          ? made.balloonPercent
          : Math.min(95, made.balloonPercent)
    const graceRows = grace && (!grace.interest.startsWith('added') || grace.payment > 0) ? grace.payments : 0
    const last = graceRows + years * perYear
    const alreadyPaid = Math.min(made.alreadyPaid ?? 0, last - 1)
    let from = 1
    let opened = isOpen
    const rateChanges = made.changes.flatMap(({ step, ...change }) => {
      from += step
      if (from > last || (isOpen && change.keep === 'term')) return []
      opened ||= change.keep === 'payment'
      return [{ fromPayment: from, ...change }]
    })
    const isAhead = ({ at, every: how }: Extra<number>) =>
      how !== 'once' || Number(at) === 0 || (Number(at) > alreadyPaid && Number(at) <= last)
    const kept = extras.filter(isAhead).flatMap((x): Extra<number>[] => {
      if (x.from === undefined) return [x]
      const [first, until] = [Math.max(Number(x.from), alreadyPaid + 1), Math.min(Number(x.until), last)]
      return first <= until ? [{ ...x, from: first, until }] : []
    })
    return {
      principal,
      annualRate,
      frequency,
      due,
      term: { years },
      rounding: made.rounding,
      ...(hasDays ? { dayCount, firstPayment: '2027-01-31' } : { compounding: made.compounding }),
      balloon: Math.floor((principal * balloonPercent) / 100),
      ...(paymentPercent === undefined
        ? {}
        : {
            payment: Math.ceil((principal * paymentPercent) / (100 * years * perYear)),
            settleAtTerm: made.settleAtTerm,
          }),
      // An extra that lowers the payment needs an end to lower it towards.
      onExtra: opened ? 'shorten' : made.onExtra,
      ...(made.limit === undefined ? {} : { yearlyExtraLimit: made.limit }),
      ...(grace ? { grace: { ...grace, payment: grace.interest === 'paid' ? 0 : grace.payment } } : {}),
      rateChanges,
      extras: kept,
      ...(alreadyPaid > 0 ? { alreadyPaid } : {}),
    }
  })

describe('any sensible mix of terms', () => {
  test(`equals a slow ledger in decimals alone, row by row (${RUNS} terms)`, () => {
    let refused = 0
    fc.assert(
      fc.property(anyTerms, (terms) => {
        const ledger = amortize(terms)
        if (!ledger.ok) {
          // A payment that does not repay, or no longer after a change of rate; a balloon as large as what is owed; more
          // payments made than there are.
          expect([
            'PAYMENT_TOO_SMALL',
            'TERM_TOO_LONG',
            'BALLOON_TOO_LARGE',
            'OUT_OF_RANGE',
            'AMOUNT_TOO_LARGE',
          ]).toContain(ledger.code)
          refused++
          return
        }
        if (rowsText(ledger, 0) !== slowLedger(terms)) expect(rowsText(ledger, 0)).toBe(slowLedger(terms))
      }),
      { numRuns: RUNS },
    )
    expect(refused).toBeLessThan(RUNS / 3)
  }, 600_000)

  test('no payment is less than nothing or more than is due, the balloon stays owed, totals are sums of rows (3,000 terms)', () => {
    fc.assert(
      fc.property(anyTerms, (terms) => {
        const ledger = amortize(terms)
        if (!ledger.ok) return
        const { columns, totals } = ledger
        const { balloon = 0, due, alreadyPaid = 0 } = terms
        const sum = (column: Float64Array) => column.reduce((total, amount) => total + amount, 0)
        const start = ledger.balanceToday
        let owed: number = start
        for (let i = 0; i < ledger.count; i++) {
          const row = ledger.at(ledger.firstNumber + i)
          const { opening, payment, interest, principal, extra, closing } = row
          const holds =
            opening === owed &&
            payment >= 0 &&
            interest >= 0 &&
            extra >= 0 &&
            extra <= payment &&
            payment <= opening + interest &&
            closing === opening + interest - payment &&
            principal === payment - interest &&
            (due === 'start' || ledger.borrowed < balloon || closing >= balloon)
          if (!holds) expect({ terms, row }).toBe('a row that holds')
          owed = row.closing
        }
        expect(totals.balloon).toBe(owed)
        expect(totals.balloon).toBeLessThanOrEqual(Math.max(balloon, 0))
        const accrued = totals.interest - sum(columns.interest)
        const before = alreadyPaid === 0 ? terms.principal : start + ledger.paidToday
        expect(totals.principal + totals.balloon).toBe(before)
        expect(totals.paid).toBe(sum(columns.payment) + ledger.paidToday)
        expect(totals.paid).toBe(totals.principal + totals.interest)
        expect(totals.paidInAll).toBe(totals.paid + totals.balloon)
        expect(totals.extra).toBe(sum(columns.extra) + ledger.paidToday)
        expect(accrued).toBeGreaterThanOrEqual(0)
        expect(ledger.soFar.principal + before).toBe(terms.principal)
        expect(ledger.balanceAfter(ledger.firstNumber - 1)).toBe(start)
      }),
      { numRuns: 3000 },
    )
  })

  test('an extra of nothing changes nothing, and more extra never costs more interest (500 terms)', () => {
    fc.assert(
      fc.property(anyTerms, fc.integer({ min: 1, max: 500_00 }), (terms, amount) => {
        const plain = {
          ...terms,
          extras: [],
          onExtra: 'shorten' as const,
          yearlyExtraLimit: 1e12,
          balloon: 0,
        }
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
      { numRuns: 500 },
    )
  })
})
