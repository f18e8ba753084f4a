import { describe, expect, test } from 'vitest'
import { payOff } from '../../lending/pay-off'
import { changed, TODAY } from '../../testing/test-document'
import { bandOf, isBandOf } from '../audience/bands'
import { compile } from '../compile/compile'
import type { CalculatorDocument } from '../document/document'
import { inCurrency } from '../editing/currency'
import { renameStep } from '../editing/edit'
import { plainOf } from '../proving/proofs'
import { trialsOf, tryOut } from '../proving/trial'
import { working } from '../starters/build'
import { severalLoans } from '../starters/several-loans'
import { createEvaluator, evaluate } from './evaluate'

const around = { today: TODAY, sheets: [] }
const card = { name: 'Card', owed: 4_200_00, rate: '18.9', payment: 120_00 }
const home = { name: 'Home', owed: 148_000_00, rate: '5.1', payment: 1_050_00 }

const run = (answers: Record<string, unknown>, document: CalculatorDocument = severalLoans()) =>
  evaluate(compile(document, []).program, answers, around)

/** The starter with one more working, and what is wrong with it, or what it comes to. */
function ask(formula: string, loans: unknown = [card, home]) {
  const document = severalLoans()
  const { program, problems } = compile(
    { ...document, steps: [...document.steps, working('asked', 'asked', formula)] },
    [],
  )
  const fault = problems.find(({ step, code }) => step === 'asked' && code !== 'NOT_USED')
  return fault ?? evaluate(program, { loans }, around).values.asked
}

describe('a list of loans in formulas', () => {
  test.each([
    ['sum(your loans.owed)', { unit: 'money', money: 152_200_00 }],
    ['your loans.total owed', { money: 152_200_00 }],
    ['your loans.total payments', { money: 1_170_00, per: 'month' }],
    ['your loans.count', { unit: 'number', number: '2' }],
    ['count(your loans.rates)', { number: '2' }],
    ['mean(your loans.rates)', { percent: '12' }],
    ['your loans.highest rate', { percent: '18.9' }],
    ['sum(for loan in your loans return loan.owed * loan.rate)', { money: 8_341_80 }],
    ['sum(for one in your loans return if one.rate > 10 then one.owed else 0)', { money: 4_200_00 }],
    ['count(for one in your loans return one.payment)', { number: '2' }],
    ['for owed in your loans.owed return owed / 2', { items: [{ money: 2_100_00 }, { money: 74_000_00 }] }],
    ['for one in [1, 2, 3] return one + 1', { items: [{ number: '2' }, { number: '3' }, { number: '4' }] }],
    ['for one in your loans return 7', { items: [{ number: '7' }, { number: '7' }] }],
    [
      'sum(for one in your loans return sum(for other in your loans return min(one.owed, other.owed)))',
      { money: 4_200_00 * 3 + 148_000_00 },
    ],
  ])('%s', (formula, value) => {
    expect(ask(formula)).toMatchObject(value)
  })

  test.each([
    ['for one in your loans return one.price', { code: 'FIGURE_UNKNOWN', name: 'price' }],
    ['for one in your loans return one', { code: 'UNIT_NOT_WANTED' }],
    ['for one in extra return one', { code: 'UNIT_NOT_WANTED' }],
    ['for extra in your loans return 1', { code: 'ITEM_NAME_TAKEN', name: 'extra' }],
    [
      'for one in your loans return sum(for one in your loans return one.owed)',
      { code: 'ITEM_NAME_TAKEN', name: 'one' },
    ],
    ['for one in 1..count(your loans) return one', { code: 'FEEL_NOT_SUPPORTED' }],
    ['for a in your loans, b in your loans return a.owed', { code: 'FEEL_NOT_SUPPORTED' }],
    ['one.owed', { code: 'NAME_UNKNOWN', name: 'one' }],
    ['sum(for one in your loans return one.owed) + one.owed', { code: 'NAME_UNKNOWN', name: 'one' }],
    ['your loans + 1', { code: 'UNITS_CLASH' }],
    ['sum(for one in your loans return one.owed + one.payment)', { code: 'PERIODS_DIFFER' }],
  ])('%s is refused', (formula, fault) => {
    expect(ask(formula)).toMatchObject(fault)
  })

  test('no loans at all come to nothing, and what rests on them waits', () => {
    const optional = changed('loans', { required: false, default: null }, severalLoans())
    const { values, problems, readouts } = run({}, optional)
    expect(values.loans).toEqual({ unit: 'loans', loans: [] })
    expect(problems).toEqual([])
    expect(values.plan).toBeUndefined()
    expect(readouts.map(({ shows }) => shows)).not.toContain('payOff')
  })

  test('follow their question when it is renamed', () => {
    const document = severalLoans()
    const more = {
      ...document,
      steps: [...document.steps, working('asked', 'asked', 'sum(for loan in your loans return loan.owed)')],
    }
    const renamed = renameStep(more, 'loans', 'my debts')
    expect(renamed.steps.find(({ id }) => id === 'asked')).toMatchObject({
      formula: 'sum(for loan in my debts return loan.owed)',
    })
  })
})

describe('a list that is answered', () => {
  const wrong = (loans: unknown) => run({ loans }).problems[0]
  test.each<[string, unknown, object]>([
    ['none', [], { code: 'LOANS_TOO_FEW', count: 1 }],
    ['thirteen', Array(13).fill(card), { code: 'LOANS_TOO_MANY', count: 12 }],
    ['no list', 'Card', { code: 'ANSWER_UNREADABLE', wanted: 'loans' }],
    ['what is no loan', [card, 5], { code: 'ANSWER_UNREADABLE', at: { loan: 1, of: 'owed' } }],
    ['something else in it', [{ ...card, more: 1 }], { code: 'ANSWER_UNREADABLE', at: { loan: 0 } }],
    [
      'a missing rate',
      [home, { ...card, rate: null }],
      { code: 'ANSWER_MISSING', at: { loan: 1, of: 'rate' } },
    ],
    ['an amount that is a text', [{ ...card, owed: '42' }], { code: 'ANSWER_UNREADABLE', wanted: 'money' }],
    ['a rate that is a number', [{ ...card, rate: 18.9 }], { code: 'ANSWER_UNREADABLE', wanted: 'percent' }],
    ['a name that is too long', [{ ...card, name: 'x'.repeat(41) }], { at: { loan: 0, of: 'name' } }],
    ['nothing owed', [{ ...card, owed: 0 }], { code: 'ANSWER_BELOW_LEAST', at: { loan: 0, of: 'owed' } }],
    [
      'a negative rate',
      [{ ...card, rate: '-1' }],
      { code: 'ANSWER_BELOW_LEAST', at: { loan: 0, of: 'rate' } },
    ],
    [
      'a rate too high',
      [{ ...card, rate: '60.01' }],
      { code: 'ANSWER_ABOVE_MOST', at: { loan: 0, of: 'rate' } },
    ],
    ['too much owed', [{ ...card, owed: 5_000_000_01 }], { code: 'ANSWER_ABOVE_MOST' }],
    [
      'a payment that is its interest',
      [home, { ...card, payment: 66_15 }],
      { code: 'LOAN_NEVER_REPAID', least: { money: 66_16 }, at: { loan: 1, of: 'payment' } },
    ],
  ])('%s is told with its place', (_, loans, problem) => {
    expect(wrong(loans)).toMatchObject({ field: 'loans', ...problem })
  })

  test('every loan that is let through repays itself in time, or is refused with its plan', () => {
    const { problems } = run({ loans: [{ ...card, owed: 5_000_000_00, rate: '0', payment: 1 }] })
    expect(problems).toMatchObject([{ code: 'LOAN_REFUSED', field: 'plan' }])
  })

  test('nested however deep, it is refused and not gone into', () => {
    let deep: unknown = card
    for (let i = 0; i < 50_000; i++) deep = [deep]
    const evaluator = createEvaluator(compile(severalLoans(), []).program)
    for (let i = 0; i < 2; i++)
      expect(evaluator({ loans: deep }, around).problems[0]).toMatchObject({ code: 'ANSWER_UNREADABLE' })
  })

  test('is worked out once for as long as it says the same', () => {
    const evaluator = createEvaluator(compile(severalLoans(), []).program)
    const [first, second] = [0, 1].map(
      () => evaluator({ loans: [{ ...card }, { ...home }] }, around).readouts,
    )
    expect(second?.find(({ shows }) => shows === 'payOff')).toBe(
      first?.find(({ shows }) => shows === 'payOff'),
    )
    const third = evaluator({ loans: [{ ...card }, { ...home, owed: 1_000_00 }] }, around).readouts
    expect(third.find(({ shows }) => shows === 'payOff')).not.toBe(
      first?.find(({ shows }) => shows === 'payOff'),
    )
  })
})

describe('a plan', () => {
  test('shows every order beside what is agreed, in figures of the core', () => {
    const { readouts, values } = run({ loans: [home, card], extra: 150_00, order: 'smallest' })
    const found = payOff({
      loans: [home, card].map(({ owed, rate, payment }) => ({ owed, annualRate: rate, payment })),
      extra: 150_00,
      firstPayment: '2026-12-25',
    })
    if (!found.ok) throw new Error(found.code)
    const shown = readouts.find((one) => one.shows === 'payOff')
    expect(shown).toMatchObject({ names: ['Home', 'Card'], order: 'smallest', best: 'dearest' })
    expect(shown?.plans.map(({ by, interest, endsOn }) => [by, interest, endsOn])).toEqual([
      ['asAgreed', found.asAgreed.interest, found.asAgreed.endsOn],
      ...(['dearest', 'smallest', 'own'] as const).map((by) => [
        by,
        found.by[by].interest,
        found.by[by].endsOn,
      ]),
    ])
    expect(values.plan).toMatchObject({
      main: { money: found.by.smallest.interest },
      figures: {
        'first loan': { text: 'Card' },
        'total owed': { money: 152_200_00 },
        'paid a month': { money: 1_320_00, per: 'month' },
        'interest saved': { money: found.asAgreed.interest - found.by.smallest.interest },
      },
    })
  })

  test('in an order that is none is refused, saying which there are', () => {
    const document = changed('plan', { terms: { extra: 'extra', order: '"cheapest"' } }, severalLoans())
    expect(run({}, document).problems).toMatchObject([
      {
        code: 'LOAN_REFUSED',
        refusal: { code: 'OPTION_UNKNOWN', details: { options: 'dearest, smallest, own' } },
      },
    ])
  })
})

test('an order that is none keeps a draft from being sent', () => {
  const document = changed('plan', { terms: { order: '"cheapest"' } }, severalLoans())
  const failures = [...tryOut(document, compile(document, []).program, around)]
  expect(failures.length).toBeGreaterThan(0)
  expect(failures.every(({ stops }) => stops)).toBe(true)
})

test('a list in another currency is the same amounts, and back again the same cents', () => {
  const document = severalLoans()
  const yen = inCurrency(document, 'JPY')
  expect(yen.steps.find(({ id }) => id === 'loans')).toMatchObject({
    default: [{ owed: 6_400, rate: '18.9', payment: 180 }, {}, {}],
    mostOwed: 5_000_000,
  })
  expect(yen.proofs[0]?.answers.loans).toMatchObject([{ owed: 6_400 }, {}, {}])
  expect(inCurrency(yen, 'CAD', document)).toEqual(document)
})

test('the shortest and the longest list are tried before a draft is sent, and are taken', () => {
  const document = severalLoans()
  const tried = trialsOf(document).flatMap(({ changed }) =>
    changed?.question === 'loans' ? [changed.answer] : [],
  )
  expect(tried.map((list) => (list as unknown[]).length)).toEqual([1, 12])
  expect([...tryOut(document, compile(document, []).program, around)]).toEqual([])
})

test('counted are the loans, never what they are called; a proof keeps all of them', () => {
  const value = run({ loans: [card, home] }).values.loans
  if (value?.unit !== 'loans') throw new Error('no loans')
  expect(bandOf(value, 2)).toBe('2')
  const question = severalLoans().steps.find((step) => step.kind === 'question' && step.asks === 'loans')
  if (question?.kind !== 'question') throw new Error('no question')
  expect(['0', '12', '13', '02', 'Card'].map((band) => isBandOf(question, band))).toEqual([
    true,
    true,
    false,
    false,
    false,
  ])
  expect(plainOf(value, 2)).toBe('Card; 4200.00; 18.9; 120.00\nHome; 148000.00; 5.1; 1050.00')
})
