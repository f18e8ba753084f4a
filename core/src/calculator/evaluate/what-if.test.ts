import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { amortize } from '../../loan/amortize'
import type { LoanTerms } from '../../loan/loan-terms'
import { minor } from '../../money/minor'
import { TODAY } from '../../testing/test-document'
import { compile } from '../compile/compile'
import { mortgagePayment } from '../starters/mortgage-payment'
import type { ComparedColumn } from '../program/evaluated'
import { evaluate } from './evaluate'
import { changedTerms, hasPaymentIn, whatIf, type WhatIf } from './what-if'

const terms: LoanTerms = {
  principal: minor(350_710_00),
  annualRate: '4.64',
  compounding: 2,
  frequency: 'monthly',
  term: { years: 25 },
  firstPayment: '2026-12-25',
}
const ledgerOf = (changed: LoanTerms) => {
  const ledger = amortize(changed)
  if (!ledger.ok) throw new Error(ledger.code)
  return ledger
}
const columnOf = (change: WhatIf, of: LoanTerms = terms): ComparedColumn => {
  const answer = whatIf(of, [change])
  const column = 'ok' in answer ? undefined : answer.changed[0]
  if (!column || 'ok' in column) throw new Error('no column')
  return column
}

describe('what if', () => {
  test('an extra, a lump sum, a rate and a payment are each what the ledger says of such a loan', () => {
    const cases: [WhatIf, LoanTerms][] = [
      [{ extra: minor(250_00) }, { ...terms, extras: [{ amount: minor(250_00), every: 'payment' }] }],
      [
        { lumpSum: { amount: minor(20_000_00), withPayment: 24 } },
        { ...terms, extras: [{ amount: minor(20_000_00), every: 'once', at: 24 }] },
      ],
      [
        { yearlyExtra: minor(3_000_00) },
        { ...terms, extras: [{ amount: minor(3_000_00), every: 'year', at: 12 }] },
      ],
      [{ annualRate: '5.2' }, { ...terms, annualRate: '5.2' }],
      [{ payment: minor(2_500_00) }, { ...terms, term: undefined as never, payment: minor(2_500_00) }],
    ]
    for (const [change, changed] of cases) {
      const { term, ...rest } = changed
      const ledger = ledgerOf(term === undefined ? rest : changed)
      expect(columnOf(change)).toMatchObject({
        payment: ledger.payment,
        payments: ledger.count,
        totalInterest: ledger.totals.interest,
        totalPaid: ledger.totals.paid,
        endDate: ledger.endsOn,
      })
    }
  })

  test('once a year is once in each year of the loan, however often it is paid', () => {
    for (const [frequency, perYear] of [
      ['biweekly', 26],
      ['quarterly', 4],
      ['yearly', 1],
    ] as const) {
      const of: LoanTerms = { ...terms, frequency }
      const ledger = ledgerOf(changedTerms(of, { yearlyExtra: minor(1_000_00) }))
      const paid = Array.from({ length: ledger.count }, (_, i) => ledger.at(i + 1)).filter(
        ({ extra }) => extra > 0,
      )
      const wholeYears = Math.floor(ledger.count / perYear)
      expect(paid.map(({ number }) => number).slice(0, wholeYears - 1)).toEqual(
        Array.from({ length: wholeYears - 1 }, (_, year) => (year + 1) * perYear),
      )
    }
  })

  test('each is against the loan as it is, and numbered as it was asked', () => {
    const answer = whatIf(terms, [{ annualRate: '5.2' }, { payment: minor(1_00) }, { extra: minor(250_00) }])
    if ('ok' in answer) throw new Error(answer.code)
    const [rate, tooSmall, extra] = answer.changed
    const asItIs = ledgerOf(terms)
    expect(answer.asItIs).toMatchObject({ at: 0, payment: asItIs.payment, difference: 0 })
    expect(tooSmall).toMatchObject({ ok: false, code: 'PAYMENT_TOO_SMALL' })
    expect(rate).toMatchObject({
      at: 1,
      difference: ledgerOf({ ...terms, annualRate: '5.2' }).totals.interest - asItIs.totals.interest,
    })
    expect(extra).toMatchObject({ at: 3 })
  })

  test('an extra joins those agreed on already', () => {
    const agreed: LoanTerms = { ...terms, extras: [{ amount: minor(100_00), every: 'payment' }] }
    const together = ledgerOf({ ...terms, extras: [{ amount: minor(350_00), every: 'payment' }] })
    expect(columnOf({ extra: minor(250_00) }, agreed).totalInterest).toBe(together.totals.interest)
  })

  test('an extra never costs more, and a lump sum earlier never costs more than later', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 2_000_00 }), fc.integer({ min: 1, max: 20 }), (amount, years) => {
        const { totalInterest } = columnOf({ extra: minor(amount) })
        expect(totalInterest).toBeLessThanOrEqual(ledgerOf(terms).totals.interest)
        const lump = (withPayment: number) =>
          columnOf({ lumpSum: { amount: minor(amount), withPayment } }).totalInterest
        expect(lump(12 * (years - 1))).toBeLessThanOrEqual(lump(12 * years) + 2)
      }),
      { numRuns: 60 },
    )
  })

  test('several changes at once are what the ledger says of a loan with all of them', () => {
    const together = ledgerOf({
      ...terms,
      annualRate: '5.2',
      extras: [
        { amount: minor(250_00), every: 'payment' },
        { amount: minor(20_000_00), every: 'once', at: 24 },
      ],
    })
    expect(
      columnOf({
        extra: minor(250_00),
        lumpSum: { amount: minor(20_000_00), withPayment: 24 },
        annualRate: '5.2',
      }),
    ).toMatchObject({ payments: together.count, totalInterest: together.totals.interest })
  })

  test('whatever is tried is worked out or refused, and repays the loan to the cent where it is worked out', () => {
    const amount = fc.option(fc.oneof(fc.integer({ min: 1, max: 5e7 }), fc.constantFrom(35_071_000, 1e13)), {
      nil: undefined,
    })
    const tried = fc.record({
      extra: amount,
      sum: amount,
      withPayment: fc.oneof(fc.constantFrom(0, 1), fc.integer({ min: 0, max: 400 })),
      annualRate: fc.option(fc.constantFrom('0', '0.01', '4.64', '30', '5000'), { nil: undefined }),
      payment: amount,
    })
    fc.assert(
      fc.property(tried, ({ extra, sum, withPayment, annualRate, payment }) => {
        const lumpSum = sum === undefined ? undefined : { amount: minor(sum), withPayment }
        const [change] = [{ extra, lumpSum, annualRate, payment } as WhatIf]
        const answer = whatIf(terms, [change])
        if ('ok' in answer) throw new Error(answer.code)
        const [column] = answer.changed
        if (!column) throw new Error('no column')
        if ('ok' in column) expect(column.code).not.toBe('')
        else expect(column.totalPaid - column.totalInterest).toBe(terms.principal)
      }),
      { numRuns: 300 },
    )
  })

  test('a lump sum after years is paid so long from today, also where nothing is paid at first', () => {
    const study: LoanTerms = {
      principal: minor(18_400_00),
      annualRate: '5.5',
      frequency: 'monthly',
      term: { years: 10 },
      firstPayment: '2028-06-25',
      grace: { payments: 18, interest: 'addedSimple' },
    }
    const ledger = ledgerOf(study)
    // 24 months from 25 November 2026 are 25 November 2028: the sixth payment.
    const changed = changedTerms(study, { lumpSum: { amount: minor(1_000_00), withPayment: 24 } })
    const row = ledgerOf(changed).at(6)
    expect([row.date, row.extra]).toEqual(['2028-11-25', 1_000_00])
    expect(hasPaymentIn(0, study, ledger)).toBe(true)
    expect(hasPaymentIn(12, study, ledger)).toBe(false)
    expect(hasPaymentIn(24, study, ledger)).toBe(true)
    expect(hasPaymentIn(19, study, ledger)).toBe(true)
    expect([hasPaymentIn(138, study, ledger), hasPaymentIn(139, study, ledger)]).toEqual([true, false])
    const paid: LoanTerms = { ...study, grace: { payments: 18, interest: 'paid' } }
    expect(hasPaymentIn(12, paid, ledgerOf(paid))).toBe(true)
  })

  test('a payment that would go on for more than a hundred years is refused', () => {
    const interest = ledgerOf(terms).at(1).interest
    const found = whatIf(terms, [{ payment: minor(interest + 1) }])
    expect('ok' in found ? found : found.changed[0]).toMatchObject({ ok: false, code: 'TERM_TOO_LONG' })
  })

  test('terms that make no loan are refused as a whole', () => {
    expect(whatIf({ ...terms, principal: minor(-1) }, [])).toMatchObject({ ok: false })
  })
})

test('a program tells the terms its what-if is about, and has none where nothing is borrowed', () => {
  const { program } = compile(mortgagePayment(), [])
  const around = { today: TODAY, sheets: [] }
  const { readouts, terms: of, ledgers } = evaluate(program, {}, around)
  const readout = readouts.find(({ shows }) => shows === 'whatIf')
  expect(readout).toMatchObject({ loan: 'loan', offers: ['extra', 'lumpSum', 'rate', 'payment'] })
  expect(ledgerOf(of.get('loan') as LoanTerms).totals).toEqual(ledgers.get('loan')?.totals)
  const nothing = evaluate(program, { downPayment: { percent: '100' } }, around)
  expect(nothing.terms.size).toBe(0)
  expect(nothing.readouts.some(({ shows }) => shows === 'whatIf')).toBe(false)
})
