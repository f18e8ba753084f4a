import { expect, test } from 'vitest'
import { formatAsTyped } from './format-as-typed'
import { readMoney, readPercent, readShare, readTerm } from './read-answer'
import { readNumber } from './read-number'

test.each<[string, string, string | undefined]>([
  ['412600', 'en-CA', '412600'],
  ['412 600', 'en-CA', '412600'],
  ['412\u202f600', 'fr-CA', '412600'],
  ['412,600.00', 'en-CA', '412600'],
  ['412.600,50', 'en-CA', '412600.5'],
  ['412,600', 'en-CA', '412600'],
  ['412,600', 'de-DE', '412.6'],
  ['412.600', 'de-DE', '412600'],
  ['4,64', 'en-CA', '4.64'],
  ['$412.6k', 'en-CA', '412600'],
  ['1.25m', 'en-US', '1250000'],
  ['CAD 412,600', 'en-CA', '412600'],
  ['412,600 CAD', 'en-CA', '412600'],
  ['₹48,50,000', 'en-IN', '4850000'],
  ["412'600", 'de-CH', '412600'],
  ['.5', 'en-CA', '0.5'],
  ['007', 'en-CA', '7'],
  ['−5', 'en-CA', '-5'],
  ['4.640', 'en-CA', '4.64'],
  ['１２', 'en-CA', '12'],
  ['', 'en-CA', undefined],
  ['abc', 'en-CA', undefined],
  ['1,2,3', 'en-CA', undefined],
  ['1.2.3', 'en-CA', undefined],
  ['12,34.56.7', 'en-CA', undefined],
  ['1e5', 'en-CA', undefined],
  ['Infinity', 'en-CA', undefined],
  ['12 apples', 'en-CA', undefined],
])('"%s" in %s reads as %s', (typed, locale, plain) => {
  expect(readNumber(typed, locale)).toBe(plain)
})

test('an amount is whole minor units, and refuses more decimals than its currency has', () => {
  expect(readMoney('$412.6k', 'en-CA', 2)).toBe(412_600_00)
  expect(readMoney('0.1', 'en-CA', 2)).toBe(10)
  expect(readMoney('1.005', 'en-CA', 2)).toBeUndefined()
  expect(readMoney('12,345', 'ja-JP', 0)).toBe(12_345)
  expect(readMoney('1.5', 'ja-JP', 0)).toBeUndefined()
  expect(readMoney('9'.repeat(30), 'en-CA', 2)).toBeUndefined()
  expect(readMoney('15%', 'en-CA', 2)).toBeUndefined()
})

test('4.64 in a percent question means 4.64 %, with or without its sign', () => {
  for (const typed of ['4.64', '4.64%', '4,64 %', ' 4.64 % '])
    expect(readPercent(typed, 'en-CA')).toBe('4.64')
  expect(readPercent('$4.64', 'en-CA')).toBeUndefined()
  expect(readPercent('4k', 'en-CA')).toBeUndefined()
})

test('a share is what its sign says, and a bare number what the field is set to', () => {
  expect(readShare('15%', 'en-CA', 2, 'money')).toEqual({ percent: '15' })
  expect(readShare('$61,890', 'en-CA', 2, 'percent')).toEqual({ money: 61_890_00 })
  expect(readShare('20', 'en-CA', 2, 'percent')).toEqual({ percent: '20' })
  expect(readShare('20', 'en-CA', 2, 'money')).toEqual({ money: 20_00 })
  expect(readShare('60k', 'en-CA', 2, 'percent')).toEqual({ money: 60_000_00 })
})

test.each<[string, { years: number; months: number } | undefined]>([
  ['25', { years: 25, months: 0 }],
  ['25 years', { years: 25, months: 0 }],
  ['1 year 6 months', { years: 1, months: 6 }],
  ['12y 6m', { years: 12, months: 6 }],
  ['300 months', { years: 25, months: 0 }],
  ['12.5', { years: 12, months: 6 }],
  ['25 years, 3 months', { years: 25, months: 3 }],
  ['1.3', undefined],
  ['25 fortnights', undefined],
  ['years', undefined],
  ['-3', undefined],
])('the length "%s" reads as %o', (typed, length) => {
  expect(readTerm(typed, 'en-CA')).toEqual(length)
})

test.each<[string, number, string, string, number]>([
  ['4126', 4, 'en-CA', '4,126', 5],
  ['4,1260', 6, 'en-CA', '41,260', 6],
  ['$412600', 7, 'en-CA', '$412,600', 8],
  ['1412,600', 1, 'en-CA', '1,412,600', 1],
  ['4850000', 7, 'en-IN', '48,50,000', 9],
  ['412600.5', 8, 'en-CA', '412,600.5', 9],
  ['4126.', 5, 'en-CA', '4,126.', 6],
  ['61,8900%', 4, 'en-CA', '618,900%', 3],
])(
  'while "%s" is typed with the caret at %i in %s it becomes "%s"',
  (text, caret, locale, next, nextCaret) => {
    expect(formatAsTyped({ text, caret }, locale)).toMatchObject({ text: next, caret: nextCaret })
  },
)

test.each(['abc', '-5', '1.2.3', '', '1,', '00', '12 thousand 5'])('"%s" stays as it was typed', (text) => {
  expect(formatAsTyped({ text, caret: text.length }, 'en-CA')).toMatchObject({ text, caret: text.length })
})
