import { expect, test } from 'vitest'
import { minor, type Problem, type Readout, type Value } from '@vivid/core'
import { readTyped, textOfAnswer } from './answer-text'
import { createFigures } from './figures'
import { fetchAllLanguages } from './languages'

import { doubtSentence, problemSentence } from './problem-sentences'
import { readoutText } from './any-readout-text'

await fetchAllLanguages()

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
  const value = { unit: 'money', money: minor(907_59), per: 'payment', every: 'biweekly' } as const
  const payment: Readout = {
    shows: 'figure',
    id: 'payment',
    headline: true,
    value,
    parts: [],
    sentence: {
      'en-CA': [
        { unit: 'count', count: '1650' },
        ' payments, the last of ',
        { ...value, money: minor(909_00) },
        '.',
      ],
      'fr-CA': [
        { unit: 'count', count: '1650' },
        ' versements, le dernier de ',
        { ...value, money: minor(909_00) },
        '.',
      ],
    },
  }
  expect(readoutText(payment, cad, 'en-CA')).toEqual({
    figure: '$907.59',
    sentence: '1,650 payments, the last of $909.00.',
  })
  const french = readoutText(payment, createFigures('fr-CA', 'CAD'), 'en-CA')
  expect(french.figure.replace(/\s/g, ' ')).toBe('907,59 $')
  expect(french.sentence.replace(/\s/g, ' ')).toBe('1 650 versements, le dernier de 909,00 $.')
  // A language without a text of its own gets the main one.
  expect(readoutText(payment, createFigures('en-GB', 'CAD'), 'en-CA').sentence).toBe(
    '1,650 payments, the last of $909.00.',
  )
})

test('what is written into a field reads back as the same answer', () => {
  const place = { locale: 'en-IN', currency: 'INR' } as const
  const figures = createFigures('en-IN', 'INR')
  const base = {
    kind: 'question',
    id: 'q',
    name: 'q',
    label: {},
    help: {},
    required: true,
    shownWhen: '',
    default: null,
  } as const
  const money = {
    ...base,
    asks: 'money',
    least: 0,
    most: 1e12,
    step: 1,
    slider: false,
    per: null,
    usual: null,
  } as const
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
  expect(readTyped(money, 'lots', 'money', place)).toEqual({ unreadable: 'lots', couldBe: [] })
})

const spaced = (text: string) => text.replace(/[\u00a0\u202f]/g, ' ')

test.each<[Value, string, string]>([
  [{ unit: 'money', money: minor(41_260_000) }, '$412,600', '412 600 $'],
  [{ unit: 'percent', percent: '4.640000001' }, '4.64%', '4,64 %'],
  [
    { unit: 'share', money: minor(6_189_000), percent: '15', typed: 'percent' },
    '15% · $61,890',
    '15 % · 61 890 $',
  ],
  [{ unit: 'number', number: '0.386666666667' }, '0.386667', '0,386667'],
  [{ unit: 'count', count: '1300' }, '1,300', '1 300'],
  [{ unit: 'term', years: 1, months: 7 }, '1 year 7 months', '1 an 7 mois'],
  [{ unit: 'term', years: 0, months: 0 }, '0 months', '0 mois'],
  [{ unit: 'date', date: '2051-11-25' }, 'November 25, 2051', '25 novembre 2051'],
  [{ unit: 'yesNo', yes: true }, 'yes', 'oui'],
  [{ unit: 'frequency', frequency: 'biweekly' }, 'every two weeks', 'toutes les deux semaines'],
  [
    {
      unit: 'list',
      items: [
        { unit: 'percent', percent: '4' },
        { unit: 'percent', percent: '5' },
      ],
    },
    '4% · 5%',
    '4 % · 5 %',
  ],
])('%o is said in both languages', (value, english, french) => {
  expect(spaced(cad.value(value))).toBe(english)
  expect(spaced(createFigures('fr-CA', 'CAD').value(value))).toBe(french)
})

test('lengths, numbers and dates are read in the words of the language', () => {
  const base = {
    kind: 'question',
    id: 'q',
    name: 'q',
    label: {},
    help: {},
    required: true,
    shownWhen: '',
  } as const
  const term = {
    ...base,
    asks: 'term',
    default: null,
    least: { years: 0, months: 0 },
    most: { years: 9, months: 0 },
    step: { years: 1, months: 0 },
  } as const
  const date = { ...base, asks: 'date', precision: 'month', default: null, least: null, most: null } as const
  const number = {
    ...base,
    asks: 'number',
    counts: 'things',
    default: null,
    least: 0,
    most: 9,
    step: 1,
    slider: false,
  } as const
  const french = { locale: 'fr-CA', currency: 'CAD' } as const
  expect(readTyped(term, '25 ans et 6 mois', 'money', french)).toEqual({ years: 25, months: 6 })
  expect(readTyped(term, '2 years', 'money', french)).toEqual({ years: 2, months: 0 })
  expect(readTyped(date, '2027-03', 'money', french)).toBe('2027-03-01')
  expect(readTyped(date, '2027-13', 'money', french)).toEqual({ unreadable: '2027-13', couldBe: [] })
  expect(readTyped(number, '1 250', 'money', french)).toBe(1250)
  expect(readTyped(number, '12,5', 'money', french)).toEqual({ unreadable: '12,5', couldBe: [] })
})

test('a doubt about the period is a question', () => {
  const doubt = {
    code: 'PERIOD_DOUBTED',
    field: 'x',
    per: 'year',
    fits: 'month',
    value: { unit: 'money', money: minor(100_00) },
  } as const
  expect(doubtSentence(doubt, cad)).toBe('You said $100 a year. Is that what it comes to a month?')
})
