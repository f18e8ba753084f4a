import { describe, expect, test } from 'vitest'
import * as core from './index'
import { acceptedValue } from './testing/known-answers'
import type { Checked } from './guards/refusal'

const rate = acceptedValue(
  core.periodicRate({ annualRate: '4.8', compoundsPerYear: 12, paymentsPerYear: 12 }),
)
const negative = { ...rate, exact: { numerator: -1n, denominator: 100n }, asNumber: -0.01 }
const day = (year: number, month: number, day_: number) => ({ year, month, day: day_ })
const [early, late] = [day(2026, 1, 31), day(2026, 11, 25)]
const month = { unit: 'month', multiple: 1 } as const

describe('nonsense is refused by code and field, never worked out', () => {
  test.each<[string, () => Checked<unknown>, string, string]>([
    [
      'a level payment at −1 %',
      () => core.levelPayment({ principal: 1, rate: negative, payments: 12 }),
      'RATE_NEGATIVE',
      'rate',
    ],
    [
      'over no payments',
      () => core.levelPayment({ principal: 1, rate, payments: 0 }),
      'OUT_OF_RANGE',
      'payments',
    ],
    [
      'over half a payment',
      () => core.levelPayment({ principal: 1, rate, payments: 1.5 }),
      'NOT_A_NUMBER',
      'payments',
    ],
    [
      'on nothing',
      () => core.levelPayment({ principal: 0, rate, payments: 12 }),
      'AMOUNT_NOT_POSITIVE',
      'principal',
    ],
    [
      'on a balloon below nothing',
      () => core.levelPayment({ principal: 1, rate, payments: 12, balloon: -1 }),
      'AMOUNT_NEGATIVE',
      'balloon',
    ],
    [
      'on a balloon as large as the loan',
      () => core.levelPayment({ principal: 100, rate, payments: 12, balloon: 900 }),
      'BALLOON_TOO_LARGE',
      'balloon',
    ],
    [
      'due in the middle',
      () => core.levelPayment({ principal: 1, rate, payments: 12, due: 'middle' as 'end' }),
      'OPTION_UNKNOWN',
      'due',
    ],
    [
      'at no rate',
      () => core.levelPayment({ principal: 1, rate: {} as typeof rate, payments: 12 }),
      'RATE_UNREADABLE',
      'rate',
    ],
    [
      'an amount for a payment below nothing',
      () => core.amountFor(-1, { rate, payments: 12 }),
      'AMOUNT_NEGATIVE',
      'payment',
    ],
    ['an amount for no payments', () => core.amountFor(1, { rate, payments: 0 }), 'OUT_OF_RANGE', 'payments'],
    ['an effective rate of −1 %', () => core.effectiveAnnualRate('-1', 12), 'RATE_NEGATIVE', 'annualRate'],
    [
      'an effective rate never compounded',
      () => core.effectiveAnnualRate('4', 0),
      'COMPOUNDING_UNKNOWN',
      'compoundsPerYear',
    ],
    ['days back in time', () => core.countDays('actual', late, early), 'DATES_REVERSED', 'to'],
    ['days to 30 February', () => core.countDays('actual', early, day(2026, 2, 30)), 'DATE_UNREADABLE', 'to'],
    ['days by no rule', () => core.countDays('moon' as 'actual', early, late), 'OPTION_UNKNOWN', 'rule'],
    ['unit-periods back in time', () => core.unitPeriodsBetween(late, early, month), 'DATES_REVERSED', 'to'],
    [
      'unit-periods of no months',
      () => core.unitPeriodsBetween(early, late, { unit: 'month', multiple: 0 }),
      'OUT_OF_RANGE',
      'multiple',
    ],
    [
      'unit-periods of nothing',
      () => core.unitPeriodsBetween(early, late, { unit: 'moon' as 'day', multiple: 1 }),
      'OPTION_UNKNOWN',
      'unit',
    ],
    [
      'an initial repayment of nothing borrowed',
      () => core.initialRepaymentPayment(0, '3', '2'),
      'AMOUNT_NOT_POSITIVE',
      'principal',
    ],
  ])('%s', (_, ask, code, field) => expect(ask()).toMatchObject({ ok: false, code, field }))
})

test('an initial repayment is of the payments a year there are', () => {
  // 283,000.00 × 5.7 % = 16,131.00 a year.
  const paid = (times?: number) => acceptedValue(core.initialRepaymentPayment(283_000_00, '3.7', '2', times))
  expect([paid(), paid(4), paid(52)]).toEqual([1_344_25, 4_032_75, 310_21])
})

test('a part of an amount, made whole again, is the amount: every function that rounds', () => {
  const document = core.emptyCalculator()
  const formulas = ['round down', 'round up', 'round'].flatMap((name) =>
    [3, 7, 11, 13].map((n) => `${name}(price / ${n} * ${n})`),
  )
  const question = core.starters[0]?.make().steps.find(({ id }) => id === 'homePrice')
  if (!question) throw new Error('the first starter asks for a price')
  const working = (formula: string, i: number): core.CalculatorStep => ({
    kind: 'working',
    id: `w${i}`,
    name: `w${i}`,
    formula,
    unit: 'any',
    rounding: { how: 'down', to: '0.01' },
    note: '',
    shown: true,
    label: {},
  })
  const { program } = core.compile({
    ...document,
    steps: [{ ...question, name: 'price' }, ...formulas.map(working)],
  })
  const today = core.readMoment('2026-11-25T12:00')
  if (!today) throw new Error('that is a moment')
  for (const price of [412_600_00, 412_600_01, 999_999_97]) {
    const { values } = core.evaluate(program, { homePrice: price }, { today, sheets: [] })
    formulas.forEach((formula, i) =>
      expect([formula, values[`w${i}`]]).toEqual([formula, { unit: 'money', money: price }]),
    )
  }
})
