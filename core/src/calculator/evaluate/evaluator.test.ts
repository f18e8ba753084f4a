import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { amortize } from '../../loan/amortize'
import { changed, TODAY, withSteps } from '../../testing/test-document'
import { compile } from '../compile/compile'
import { isGentle } from '../compile/compile-problem'
import type { CalculatorDocument } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import { starters } from '../starters'
import type { Value } from '../program/evaluated'
import { figure, loan, money, sentence, t, working } from '../starters/build'
import { insuredPurchase } from '../starters/insured-purchase'
import { mortgagePayment } from '../starters/mortgage-payment'
import { studyLoan } from '../starters/study-loan'
import { addedPremiums } from '../starters/sheets'
import { createEvaluator, evaluate } from './evaluate'

const around = { today: TODAY, sheets: [addedPremiums] }
const run = (answers: Record<string, unknown> = {}, document: CalculatorDocument = mortgagePayment()) =>
  evaluate(compile(document, [addedPremiums]).program, answers, around)

test('the loan is the price less the down payment, and its readouts are its ledger’s', () => {
  const { values, readouts, ledgers } = run({ frequency: 'biweekly' })
  const ledger = amortize({
    principal: 350_710_00,
    annualRate: '4.64',
    compounding: 2,
    frequency: 'biweekly',
    term: { years: 25 },
    firstPayment: '2026-12-09',
  })
  if (!ledger.ok) throw new Error(ledger.code)
  expect(values.downPayment).toEqual({ unit: 'share', money: 61_890_00, percent: '15', typed: 'percent' })
  expect(values.loan).toEqual({ unit: 'loan', principal: 350_710_00, payment: ledger.payment, count: 650 })
  expect(readouts[0]).toMatchObject({
    shows: 'figure',
    headline: true,
    value: { unit: 'money', money: ledger.payment, per: 'payment', every: 'biweekly' },
    parts: [{ value: { money: ledger.at(1).principal } }, { value: { money: ledger.at(1).interest } }],
  })
  expect(readouts[2]).toMatchObject({ value: { unit: 'date', date: '2051-10-25' } })
  expect(ledgers.get('loan')?.totals).toEqual(ledger.totals)
})

test('after a time without payments the first one falls behind it; while interest is paid, one period from today', () => {
  const endOf = (during: string, readout: string) =>
    run({ during, grace: 18, term: { years: 10, months: 0 } }, studyLoan()).ledgers.get(readout)
  const [added, paid] = [endOf('added', 'added'), endOf('paid', 'paid')]
  // 25 November 2026 and 19 months; then 119 more.
  expect([added?.at(1).date, added?.endsOn]).toEqual(['2028-06-25', '2038-05-25'])
  expect([paid?.at(1).date, paid?.endsOn]).toEqual(['2026-12-25', '2038-05-25'])
})

test('choosing a frequency changes the number of payments and the rate of each together', () => {
  const weekly = run({ frequency: 'weekly' }).ledgers.get('loan')
  const monthly = run({ frequency: 'monthly' }).ledgers.get('loan')
  expect([weekly?.count, monthly?.count]).toEqual([1300, 300])
  // (1 + 0.0464/2)^(2/52) − 1 of 350,710.00 is 309.50 in the first week.
  expect(weekly?.at(1).interest).toBe(309_50)
})

test('a percentage of an odd price is rounded to the nearest cent', () => {
  expect(run({ homePrice: 100_000_05, downPayment: { percent: '10' } }).values.downPayment).toMatchObject({
    money: 10_000_01,
  })
})

test('one wrong answer leaves what does not depend on it worked out', () => {
  const { values, readouts, problems } = run({ rate: 'high' })
  expect(problems).toEqual([{ code: 'ANSWER_UNREADABLE', field: 'rate', wanted: 'percent' }])
  expect(values.downPayment).toBeDefined()
  expect(readouts.map(({ shows }) => shows)).toEqual(['assumptions', 'actions'])
})

test('problems come in the order of the questions, the unknown last', () => {
  const { problems } = run({ nonsense: 1, frequency: 'never', homePrice: -1 })
  expect(problems.map(({ field }) => field)).toEqual(['homePrice', 'frequency', 'nonsense'])
})

test('an amount of the wrong period draws a question and is worked out all the same', () => {
  const insurance = money(
    'insurance',
    'boat insurance',
    t('Insurance', 'Assurance'),
    { default: 1_200, least: 0, most: 60_000, step: 10, usual: [400, 6_000] },
    { per: 'year' },
  )
  const document = withSteps(insurance, working('monthly', 'monthly insurance', 'per month(boat insurance)'))
  const { doubts, values, problems } = run({ insurance: 100_00 }, document)
  expect(doubts).toMatchObject([{ code: 'PERIOD_DOUBTED', field: 'insurance', per: 'year', fits: 'month' }])
  expect(problems).toEqual([])
  expect(values.monthly).toMatchObject({ money: 8_33, per: 'month', exact: '8.33333333333' })
  expect(run({ insurance: 1_200_00 }, document).doubts).toEqual([])
})

test('a last payment that pays what rounding left over decades is said; one of a common loan is not', () => {
  const document = changed('term', { most: { years: 40, months: 0 } })
  const term = { years: 40, months: 0 }
  const dear = { homePrice: 60_040_00, downPayment: { percent: '50' }, rate: '20', frequency: 'weekly', term }
  const { doubts, problems } = run(dear, document)
  expect(problems).toEqual([])
  // 110.30 a week is less than half a cent too little, 2,079 times over at 20 %.
  expect(doubts).toEqual([
    { code: 'LAST_PAYMENT_LARGE', field: 'loan', value: { unit: 'money', money: 1_511_25 } },
  ])
  expect(run().doubts).toEqual([])
})

test('rounding is a choice per value, and the same wherever it is used', () => {
  const price = 'home price / 7'
  const document = withSteps(
    working('exact', 'exact', price),
    working('up', 'up', price, { rounding: { how: 'up', to: '100' } }),
    working('down', 'down', price, { rounding: { how: 'down', to: '1' } }),
    working('twice', 'twice', 'up * 2'),
  )
  const { values } = run({}, document)
  expect(values.exact).toMatchObject({ money: 58_942_86, exact: '58942.8571429' })
  expect(values.up).toEqual({ unit: 'money', money: 59_000_00 })
  expect(values.down).toEqual({ unit: 'money', money: 58_942_00 })
  expect(values.twice).toEqual({ unit: 'money', money: 118_000_00 })
})

test('a long formula can be split into named parts without changing its result', () => {
  const whole =
    'if percent of(home price - down payment, home price) > 80 then (home price - down payment) * rate / 3 else 0'
  const parts = withSteps(
    working('base', 'base', 'home price - down payment'),
    working('ltv', 'ltv', 'percent of(base, home price)'),
    working('split', 'split', 'if ltv > 80 then base * rate / 3 else 0'),
    working('whole', 'whole', whole),
  )
  fc.assert(
    fc.property(
      fc.integer({ min: 60_000_00, max: 2_000_000_00 }),
      fc.integer({ min: 5, max: 100 }),
      (homePrice, percent) => {
        const { values } = run({ homePrice, downPayment: { percent: String(percent) } }, parts)
        expect(values.split).toEqual(values.whole)
      },
    ),
    { numRuns: 60 },
  )
})

test('a sentence has its values in every language', () => {
  const document = withSteps()
  const with_ = {
    ...document,
    steps: [
      ...document.steps,
      sentence(
        'said',
        'said',
        t('S', 'S'),
        t('You pay {the loan.payment} at {rate}.', 'Vous payez {the loan.payment} à {rate}.'),
      ),
    ],
  }
  expect(run({}, with_).readouts.at(-1)).toMatchObject({
    sentence: {
      'fr-CA': [
        'Vous payez ',
        { unit: 'money', money: 1968_47 },
        ' à ',
        { unit: 'percent', percent: '4.64' },
        '.',
      ],
    },
  })
})

test('a look-up outside of the sheet, or without the sheet, is told at its step', () => {
  const program = compile(insuredPurchase(), [addedPremiums]).program
  const high = evaluate(
    program,
    { homePrice: 400_000_00, downPayment: { percent: '5' } },
    {
      ...around,
      sheets: [
        { ...addedPremiums, versions: [{ from: '2026-01-01', rows: [{ keys: ['80'], value: '0' }] }] },
      ],
    },
  )
  expect(high.problems).toMatchObject([
    { code: 'STEP_STOPPED', field: 'premiumRate', stop: { code: 'NO_ROW', keys: ['95'], reason: 'key' } },
  ])
  expect(high.values.leastDown).toBeDefined()
  expect(evaluate(program, {}, { ...around, sheets: [] }).problems).toMatchObject([
    { stop: { code: 'NO_ROW', reason: 'sheet' } },
  ])
  const early = evaluate(program, {}, { ...around, today: { year: 2025, month: 12, day: 31, time: '12:00' } })
  expect(early.problems).toMatchObject([{ stop: { code: 'NO_ROW', reason: 'date' } }])
})

test('the least down payment by steps of the price bounds its question, and what is missing is told', () => {
  const { program } = compile(insuredPurchase(), [addedPremiums])
  const told = (downPayment: object) =>
    evaluate(program, { homePrice: 612_600_00, downPayment }, { ...around, sheets: [addedPremiums] }).problems
  // 5 % of 500,000 and 10 % of 112,600: 36,260.
  expect(told({ money: 36_260_00 })).toEqual([])
  expect(told({ money: 30_000_00 })).toMatchObject([
    {
      code: 'ANSWER_BELOW_LEAST',
      field: 'downPayment',
      least: { money: 36_260_00 },
      missing: { unit: 'money', money: 6_260_00 },
    },
  ])
  expect(told({ percent: '5' })).toMatchObject([{ missing: { money: 36_260_00 - 30_630_00 } }])
})

test('a figure that does not exist leaves its readout out, with the reason', () => {
  const document = withSteps()
  const asking = {
    ...document,
    steps: [
      ...document.steps,
      figure('late', 'late', t('L', 'L'), 'interest of payment(the loan, 999)', t('', '')),
    ],
  }
  const { problems, readouts } = run({}, asking)
  expect(problems).toEqual([
    { code: 'STEP_STOPPED', field: 'late', stop: { code: 'NO_FIGURE', figure: 'payment 999' } },
  ])
  expect(readouts.some(({ id }) => id === 'late')).toBe(false)
})

describe('an evaluator remembers', () => {
  test('and gives what a fresh evaluation gives, whatever is answered one after the other', () => {
    const { program } = compile(insuredPurchase(), [addedPremiums])
    const remembering = createEvaluator(program)
    const answers = fc.record(
      {
        homePrice: fc.oneof(fc.integer({ min: 60_000_00, max: 2_000_000_00 }), fc.constant('x')),
        downPayment: fc.record({ percent: fc.integer({ min: 5, max: 100 }).map(String) }),
        rate: fc.constantFrom('4.64', '0', '7.125', 'bad'),
        frequency: fc.constantFrom('monthly', 'weekly', 'acceleratedBiweekly'),
      },
      { requiredKeys: [] },
    )
    fc.assert(
      fc.property(answers, (given) => {
        const { ledgers: a, ...one } = remembering(given, around)
        const { ledgers: b, ...other } = evaluate(program, given, around)
        expect(one).toEqual(other)
        expect([...a].map(([id, ledger]) => [id, ledger.totals])).toEqual(
          [...b].map(([id, ledger]) => [id, ledger.totals]),
        )
      }),
      { numRuns: 80 },
    )
  })
  test('what did not change: the same ledger object comes back, and another one once it did', () => {
    const evaluator = createEvaluator(compile(changed('rate', { shownWhen: '' })).program)
    const first = evaluator({}, around)
    const again = evaluator({}, around)
    const other = evaluator({ rate: '5' }, around)
    expect(again.ledgers.get('loan')).toBe(first.ledgers.get('loan'))
    expect(other.ledgers.get('loan')).not.toBe(first.ledgers.get('loan'))
  })
})

test('an explanation that stands above a working has it', () => {
  const explanation: CalculatorStep = {
    kind: 'readout',
    id: 'why',
    name: 'why',
    label: {},
    help: {},
    shownWhen: '',
    shows: 'explanation',
  }
  const shown = working('late', 'worked out late', 'home price / 2', { shown: t('Shown', 'Montré') })
  const { program } = compile(withSteps(explanation, shown))
  const { readouts } = evaluate(program, {}, around)
  expect(readouts.find(({ id }) => id === 'why')).toMatchObject({
    lines: expect.arrayContaining([{ step: 'late', value: { unit: 'money', money: 206_300_00 } }]),
  })
})

test('a loan within a refinance is a loan like any other', () => {
  const refinance = starters.find(({ id }) => id === 'refinance')?.make()
  if (!refinance) throw new Error('there is such a starter')
  const formulas = {
    end: 'the change.new loan.end date',
    rate: 'the change.new loan.rate',
    before: 'the change.old loan.end date',
    later: 'balance after(loan: the change.new loan, years: 1)',
    cost: 'round(annual percentage rate(the change.new loan), 0.01)',
  }
  const steps = Object.entries(formulas).map(([id, formula]) =>
    working(id, `its ${id}`, formula, { shown: t('Shown', 'Montré') }),
  )
  const { program, problems } = compile({ ...refinance, steps: [...refinance.steps, ...steps] })
  expect(problems.filter((problem) => !isGentle(problem))).toEqual([])
  const { values } = evaluate(program, {}, around)
  const { main: _, figures } = values.change as Extract<Value, { unit: 'figures' }>
  const count = (figures['new loan'] as Extract<Value, { unit: 'loan' }>).count
  expect(values.rate).toEqual({ unit: 'percent', percent: '4.79' })
  expect(values.cost).toEqual({ unit: 'percent', percent: '4.79' })
  expect(values.end).toEqual({ unit: 'date', date: monthsLater(count) })
  expect(values.later).toMatchObject({ unit: 'money' })
})

const monthsLater = (months: number): string => {
  const index = TODAY.year * 12 + TODAY.month - 1 + months
  return `${Math.floor(index / 12)}-${String((index % 12) + 1).padStart(2, '0')}-25`
}

test('a loan that runs: what is asked ahead counts from today, and what lies behind has names', () => {
  const document = withSteps(
    loan('run', 'running', { alreadyPaid: '67', frequency: '"monthly"' }, { as: 'loan' }),
    ...Object.entries({
      next: 'balance after(loan: running, years: 1)',
      twelve: 'balance after(loan: running, payments: 12)',
      paid: 'interest to(loan: running, years: 1)',
      sofar: 'running.interest so far',
      now: 'running.balance today',
      made: 'running.payments made',
      ends: 'running.end date',
    }).map(([id, formula]) => working(id, `it ${id}`, formula, { shown: t('Shown', 'Montré') })),
    {
      kind: 'equity',
      id: 'stake',
      name: 'stake',
      loan: 'run',
      terms: { value: 'home price', growth: '0', after: '5' },
    },
  )
  const { program, problems } = compile(document)
  expect(problems.filter((problem) => !isGentle(problem))).toEqual([])
  const { values, ledgers } = evaluate(program, {}, around)
  const ledger = ledgers.get('run')
  if (!ledger) throw new Error('it runs')
  const money = (amount: number) => ({ unit: 'money', money: amount })
  expect(ledger.dateOf(67)).toBe('2026-11-25')
  expect(values.next).toEqual(money(ledger.at(79).closing))
  expect(values.twelve).toEqual(values.next)
  expect(values.paid).toEqual(money(ledger.interestTo(79)))
  expect(values.sofar).toEqual(money(ledger.soFar.interest))
  expect(values.now).toEqual(money(ledger.at(67).closing))
  expect(values.made).toEqual({ unit: 'count', count: '67' })
  expect(values.ends).toEqual({ unit: 'date', date: '2046-04-25' })
  const { figures } = values.stake as Extract<Value, { unit: 'figures' }>
  expect(figures.balance).toEqual(money(ledger.at(127).closing))
})
