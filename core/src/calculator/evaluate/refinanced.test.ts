import { describe, expect, test } from 'vitest'
import { amortize } from '../../loan/amortize'
import type { LoanTerms } from '../../loan/loan-terms'
import { minor } from '../../money/minor'
import { changed, TODAY } from '../../testing/test-document'
import { compile } from '../compile/compile'
import type { CalculatorDocument } from '../document/document'
import { CalculatorDocument as Schema } from '../document/document'
import { duplicateStep, removeStep, usersOf } from '../editing/edit'
import { refinanceStarter } from '../starters/refinance'
import { readout, t } from '../starters/build'
import { evaluate } from './evaluate'

const run = (answers: Record<string, unknown>, document: CalculatorDocument = refinanceStarter()) =>
  evaluate(compile(document, []).program, answers, { today: TODAY, sheets: [] })
const answers = {
  balance: 238_000_00,
  oldPayment: 1_712_00,
  costs: 3_400_00,
  costsAdded: true,
  stay: { years: 7, months: 0 },
}

const ledgerOf = (terms: Omit<LoanTerms, 'frequency' | 'firstPayment'>) => {
  const ledger = amortize({ ...terms, frequency: 'monthly', firstPayment: '2026-12-25' })
  if (!ledger.ok) throw new Error(ledger.code)
  return ledger
}
const kept = ledgerOf({ principal: minor(238_000_00), annualRate: '6.35', payment: minor(1_712_00) })
const inPlace = ledgerOf({ principal: minor(241_400_00), annualRate: '4.79', term: { years: 20 } })

describe('both loans of a refinancing', () => {
  test('have a schedule, stand side by side, and are what any loan is', () => {
    const { readouts, ledgers, terms, problems } = run(answers)
    expect(problems).toEqual([])
    expect(ledgers.get('change.old')?.endsOn).toBe(kept.endsOn)
    expect(ledgers.get('change.new')?.totals.interest).toBe(inPlace.totals.interest)
    expect(terms.get('change.new')).toMatchObject({ principal: 238_000_00, fees: { financed: 3_400_00 } })
    const compared = readouts.find((one) => one.shows === 'comparison')
    expect(compared?.columns.map(({ payments, endDate }) => [payments, endDate])).toEqual([
      [kept.count, kept.endsOn],
      [240, inPlace.endsOn],
    ])
    // 84 payments of each, and what is still owed then.
    expect(
      compared?.columns.map(({ paidUntilLeaving, owedAtLeaving }) => [paidUntilLeaving, owedAtLeaving]),
    ).toEqual([
      [84 * 1_712_00, kept.balanceAfter(84)],
      [84 * inPlace.payment, inPlace.balanceAfter(84)],
    ])
    const schedule = readouts.find((one) => one.shows === 'schedule')
    expect(schedule).toMatchObject({ loan: 'change.new' })
    expect(schedule?.years).toHaveLength(inPlace.byYear().length)
  })

  test.each([true, false])(
    'cost what changing costs once, added to the loan (%s) or paid in hand',
    (costsAdded) => {
      const { readouts, values } = run({ ...answers, costsAdded })
      const compared = readouts.find((one) => one.shows === 'comparison')
      const change = values.change
      if (change?.unit !== 'figures') throw new Error('no figures')
      const money = (name: string) => {
        const value = change.figures[name]
        return value?.unit === 'money' ? value.money : undefined
      }
      expect(compared?.columns.map(({ costUntilLeaving }) => costUntilLeaving)).toEqual([
        money('cost over the stay now'),
        money('cost over the stay new'),
      ])
      const [old, next] = compared?.columns ?? []
      expect((old?.costUntilLeaving ?? 0) - (next?.costUntilLeaving ?? 0)).toBe(money('saving over the stay'))
      expect((old?.costOfBorrowing ?? 0) - (next?.costOfBorrowing ?? 0)).toBe(money('net saving'))
      expect(next?.totalFees).toBe(3_400_00)
      expect((next?.paidUntilLeaving ?? 0) + (next?.owedAtLeaving ?? 0)).toBe(
        238_000_00 + (next?.costUntilLeaving ?? 0),
      )
    },
  )

  test('take every readout and step a loan takes', () => {
    const document = refinanceStarter()
    const steps: CalculatorDocument['steps'] = [
      ...document.steps.filter(({ id }) => id !== 'whatIf'),
      {
        kind: 'equity',
        id: 'stake',
        name: 'stake',
        loan: 'change.old',
        terms: { value: '400000', growth: '2', after: '5' },
      },
      {
        kind: 'aim',
        id: 'aim',
        name: 'the aim',
        find: 'extra',
        loan: 'change.new',
        terms: { within: 'years(10)' },
      },
      {
        kind: 'ladder',
        id: 'steps',
        name: 'rates',
        over: 'rates',
        loan: 'change.new',
        terms: { rates: '[4, 5]' },
      },
      {
        ...readout('tried', 'tried', t('What if', 'Et si')),
        shows: 'whatIf',
        loan: 'change.old',
        offers: ['extra'],
      },
      { ...readout('one', 'one', t('One', 'Un')), shows: 'payment', loan: 'change.new', number: '12' },
    ]
    const more = { ...document, steps }
    expect(Schema.safeParse(more).success).toBe(true)
    const { values, readouts, problems } = run(answers, more)
    expect(problems).toEqual([])
    expect(values.stake).toMatchObject({ figures: { balance: { money: kept.balanceAfter(60) } } })
    expect(values.aim).toMatchObject({ figures: { payments: { count: '120' } } })
    expect(readouts.find(({ id }) => id === 'one')).toMatchObject({ row: { number: 12 } })
    expect(readouts.some(({ id }) => id === 'tried')).toBe(true)
  })

  test('are there as long as their step is: who uses it is known, and one that is none is told', () => {
    const document = refinanceStarter()
    expect(usersOf(document, 'change').steps.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['both', 'schedule', 'whatIf']),
    )
    const faults = (steps: CalculatorDocument) =>
      compile(steps, []).problems.map(({ code, step }) => `${code} ${step}`)
    expect(faults(removeStep(document, 'change'))).toContain('REFERENCE_UNKNOWN schedule')
    expect(faults(changed('schedule', { loan: 'change' }, document))).toContain(
      'REFERENCE_OF_WRONG_KIND schedule',
    )
    expect(faults(changed('schedule', { loan: 'balance.new' }, document))).toContain(
      'REFERENCE_OF_WRONG_KIND schedule',
    )
    expect(Schema.safeParse(changed('schedule', { loan: 'change.other' }, document)).success).toBe(false)
    const copy = duplicateStep(document, 'schedule')
    expect(copy.document.steps.find(({ id }) => id === copy.id)).toMatchObject({ loan: 'change.new' })
  })
})

/** Interest of each month, paid as it comes. */
function interestOf(balance: number, rate: number, payment: number): number[] {
  const months: number[] = []
  for (let owed = balance; owed > 0;) {
    const due = Math.round((owed * rate) / 1200)
    months.push(due)
    owed = Math.max(0, owed + due - payment)
  }
  return months
}

describe('a verdict says what holds for the stay', () => {
  // At 6 % done in four years; at 5.4 % over twenty: cheaper at first, dearer in the end.
  const longer = {
    balance: 60_000_00,
    oldRate: '6',
    oldPayment: 1_500_00,
    newRate: '5.4',
    newTerm: { years: 20, months: 0 },
    costs: 50_00,
  }
  const old = interestOf(60_000_00, 6, 1_500_00)
  const next = interestOf(60_000_00, 5.4, 409_35)
  const to = (months: readonly number[], end: number) =>
    months.slice(0, end).reduce((sum, one) => sum + one, 0)
  const saved = (month: number) => to(old, month) - to(next, month) - 50_00
  const wins = Array.from({ length: 240 }, (_, i) => i + 1).filter((month) => saved(month) >= 0)
  const [first = 0, last = 0] = [wins[0], wins.at(-1)]
  const verdictAfter = (months: number) => {
    const { values, readouts } = run({
      ...longer,
      stay: { years: Math.floor(months / 12), months: months % 12 },
    })
    const value = values.change
    if (value?.unit !== 'figures') throw new Error('no figures')
    const {
      verdict,
      'saves until': until,
      'saves at first': isEarly,
      'months to recover costs': back,
    } = value.figures
    const sentences = readouts.filter((one) => one.shows === 'sentence').map(({ id }) => id)
    return { verdict, until, isEarly, back, sentences }
  }

  test('a longer loan that takes back what it saved is worth it only for who leaves in time', () => {
    expect([first > 1, last > first, last < 48]).toEqual([true, true, true])
    const inMonths = (months: number) => ({
      unit: 'term',
      years: Math.floor(months / 12),
      months: months % 12,
    })
    expect(verdictAfter(8)).toMatchObject({
      verdict: { text: 'saves' },
      until: inMonths(last),
      back: inMonths(first),
      sentences: ['saves'],
    })
    expect(verdictAfter(last + 1)).toMatchObject({
      verdict: { text: 'costs' },
      isEarly: { yes: true },
      sentences: ['sooner'],
    })
    expect(verdictAfter(240)).toMatchObject({ isEarly: { yes: true }, sentences: ['sooner'] })
  })

  test('too short a stay, and costs that are never won back, are told apart', () => {
    const { values } = run({ ...answers, stay: { years: 0, months: 6 } })
    expect(values.change).toMatchObject({ figures: { verdict: { text: 'stay longer' } } })
    const never = run({ ...answers, newRate: '7', stay: { years: 10, months: 0 } })
    expect(never.values.change).toMatchObject({ figures: { verdict: { text: 'costs' } } })
    expect(never.values.change).toMatchObject({ figures: { 'saves at first': { yes: false } } })
    expect(never.readouts.map(({ id }) => id)).toContain('never')
    expect(never.values.change).not.toHaveProperty('figures.saves until')
  })

  test('what is won back by the payment alone leaves extras out', () => {
    const { values } = run({ ...answers, costsAdded: false, newExtra: 100_00 })
    const less =
      1_712_00 - ledgerOf({ principal: minor(238_000_00), annualRate: '4.79', term: { years: 20 } }).payment
    expect(values.change).toMatchObject({
      figures: { 'months to recover by payment': { years: 1, months: Math.ceil(3_400_00 / less) - 12 } },
    })
  })
})
