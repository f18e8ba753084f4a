import { expect, test } from 'vitest'
import { minor, type Problem, type Readout } from '@vivid/core'
import { readTyped, textOfAnswer } from './answer-text'
import { createFigures } from './figures'
import { problemSentence } from './problem-sentences'
import { readoutText } from './readout-text'

const cad = createFigures('en-CA', 'CAD')

test('money has the digits of its currency and the groups of its locale', () => {
  expect(cad.money(931_64)).toBe('$931.64')
  expect(cad.moneyShort(412_600_00)).toBe('$412,600')
  expect(cad.moneyShort(412_600_50)).toBe('$412,600.50')
  expect(createFigures('en-IN', 'INR').money(48_50_000_00)).toBe('₹48,50,000.00')
  expect(createFigures('en-JP', 'JPY').money(38_000_000)).toMatch(/38,000,000$/)
  expect(createFigures('en-KW', 'KWD').money(1_234_567)).toMatch(/1,234\.567$/)
})

test('percentages keep every digit that was typed', () => {
  expect(cad.percent('4.64')).toBe('4.64%')
  expect(cad.percent('0.075')).toBe('0.075%')
  expect(cad.percent('15')).toBe('15%')
})

test.each([
  [{ years: 25, months: 0 }, '25 years'],
  [{ years: 1, months: 6 }, '1 year 6 months'],
  [{ years: 0, months: 1 }, '1 month'],
])('the length %o is "%s"', (length, words) => expect(cad.term(length)).toBe(words))

test('dates are calendar days, wherever they are read', () => {
  expect(cad.date('2051-11-25')).toBe('November 25, 2051')
  expect(cad.month('2051-11-01')).toBe('November 2051')
})

test.each<[Problem, string]>([
  [
    { code: 'ANSWER_BELOW_LEAST', field: 'x', least: { unit: 'money', money: minor(60_000_00) } },
    'This can be no less than $60,000.',
  ],
  [
    {
      code: 'ANSWER_BELOW_LEAST',
      field: 'x',
      least: { unit: 'share', money: minor(20_630_00), percent: '5', typed: 'percent' },
    },
    'This can be no less than $20,630, which is 5% of the price.',
  ],
  [{ code: 'ANSWER_UNREADABLE', field: 'x', wanted: 'percent' }, 'Type a percentage, like 4.64%.'],
  [
    {
      code: 'LOAN_REFUSED',
      field: 'x',
      refusal: { ok: false, code: 'PAYMENT_TOO_SMALL', field: 'payment', details: { least: 214_38 } },
    },
    'So small a payment never repays the loan: it takes at least $214.38.',
  ],
])('a problem says what would be right (%#)', (problem, sentence) =>
  expect(problemSentence(problem, cad)).toBe(sentence),
)

test('a readout is a figure and a sentence', () => {
  const payment: Readout = {
    shows: 'payment',
    id: 'payment',
    payment: minor(907_59),
    frequency: 'biweekly',
    first: { principal: minor(288_31), interest: minor(619_28) },
    count: 650,
    last: minor(909_34),
  }
  expect(readoutText(payment, cad)).toEqual({
    figure: '$907.59',
    sentence:
      '650 payments, one every two weeks, the last of $909.34. The first takes $288.31 off the loan; $619.28 of it is interest.',
  })
})

test('what is written into a field reads back as the same answer', () => {
  const place = { locale: 'en-IN', minorDigits: 2 } as const
  const figures = createFigures('en-IN', 'INR')
  const base = { kind: 'question', id: 'q', name: 'q', label: 'q', help: '', default: null } as const
  const money = { ...base, asks: 'money', least: 0, most: 1e12, step: 1, slider: false } as const
  const term = {
    ...base,
    asks: 'term',
    least: { years: 0, months: 0 },
    most: { years: 9, months: 0 },
    step: { years: 1, months: 0 },
  } as const
  for (const amount of [0, 1, 99, 100, 12_34_567_89, 999_999_999_99]) {
    expect(readTyped(money, textOfAnswer(money, amount, figures), 'money', place)).toBe(amount)
  }
  for (let months = 1; months < 40; months++) {
    const length = { years: Math.floor(months / 12), months: months % 12 }
    expect(readTyped(term, textOfAnswer(term, length, figures), 'money', place)).toEqual(length)
  }
  expect(readTyped(money, 'lots', 'money', place)).toEqual({ unreadable: 'lots' })
})
