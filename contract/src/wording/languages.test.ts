import { describe, expect, test } from 'vitest'
import { frequencies, minor, type Question } from '@vivid/core'
import { readTyped, textOfAnswer } from './answer-text'
import { createFigures } from './figures'
import { counted, fetchAllLanguages, isRightToLeft, languageOf, spokenLanguages } from './languages'
import { conventionWords } from './languages/conventions'
import { english } from './languages/english'
import { problemSentence } from './problem-sentences'

await fetchAllLanguages()

const locales = ['en-CA', 'fr-CA', 'de-DE', 'es-ES', 'he-IL'] as const
const currencies = ['CAD', 'CAD', 'EUR', 'EUR', 'ILS'] as const
const inEach = locales.map((locale, i) => ({
  locale,
  figures: createFigures(locale, currencies[i] ?? 'CAD'),
}))

test('the languages are English, French, German, Spanish and one from right to left', () => {
  expect(spokenLanguages).toEqual(['en', 'fr', 'de', 'es', 'he'])
  expect(locales.map(isRightToLeft)).toEqual([false, false, false, false, true])
  expect(isRightToLeft('ar-EG')).toBe(true)
})

test('whatever language a lender adds runs the way it is written', () => {
  const byCldr = (locale: string) => /Arab|Hebr|Thaa/.test(new Intl.Locale(locale).maximize().script ?? '')
  const letters = [...'abcdefghijklmnopqrstuvwxyz']
  for (const language of letters.flatMap((a) => letters.map((b) => a + b)))
    expect([language, isRightToLeft(language)]).toEqual([language, byCldr(language)])
  const turned = ['ar-SA', 'fa-IR', 'ur-PK', 'ps-AF', 'sd-PK', 'ug-CN', 'dv-MV', 'yi-US', 'he-IL', 'pa-PK']
  const straight = [
    'pa-IN',
    'ku-TR',
    'az-AZ',
    'uz-UZ',
    'ru-RU',
    'hi-IN',
    'zh-CN',
    'arn-CL',
    'hei-CA',
    'xx-XX',
  ]
  expect(turned.filter((locale) => !isRightToLeft(locale))).toEqual([])
  expect(straight.filter(isRightToLeft)).toEqual([])
  // A language may come from an address.
  expect(['0000-01-01', '', '-', 'arr', '../he'].filter(isRightToLeft)).toEqual([])
})

test('a language without words of its own speaks English', () => {
  expect(languageOf('nl-NL')).toBe(english)
})

/** Every text of a language, called with stand-ins where it takes figures. */
function textsIn(value: unknown, path = ''): [string, string][] {
  if (typeof value === 'string') return [[path, value]]
  if (typeof value === 'function') {
    const said: unknown = (value as (...args: unknown[]) => unknown)(...['1', '2', '3', '4', '5'])
    return typeof said === 'string' ? [[path, said]] : []
  }
  if (typeof value !== 'object' || value === null || value instanceof RegExp) return []
  return Object.entries(value).flatMap(([name, inner]) => textsIn(inner, `${path}.${name}`))
}
const pageTexts = (locale: string) =>
  new Map([...textsIn(languageOf(locale).page), ...textsIn(conventionWords(locale), 'conventions')])

describe.each(inEach)('$locale', ({ locale, figures }) => {
  const question = (asks: object) => asks as Question
  const typedIn = { locale, currency: figures.currency }

  test.each([
    ['money', question({ asks: 'money', per: null }), 412_600_00],
    ['money with cents', question({ asks: 'money', per: null }), 1_234_567_89],
    ['a percentage', question({ asks: 'percent' }), '4.64'],
    ['a share as a percentage', question({ asks: 'share' }), { percent: '15' }],
    ['a share as money', question({ asks: 'share' }), { money: 60_000_00 }],
    ['one year', question({ asks: 'term' }), { years: 1, months: 0 }],
    ['two years and two months', question({ asks: 'term' }), { years: 2, months: 2 }],
    ['25 years and a month', question({ asks: 'term' }), { years: 25, months: 1 }],
    ['eleven months', question({ asks: 'term' }), { years: 0, months: 11 }],
    ['a whole number', question({ asks: 'number' }), 1_300],
  ])('%s is read back as it was written out', (_, asked, answer) => {
    const text = textOfAnswer(asked, answer, figures)
    const unit = typeof answer === 'object' && 'money' in answer ? 'money' : 'percent'
    expect([text, readTyped(asked, text, unit, typedIn)]).toEqual([text, answer])
  })

  test('no text of the page is missing, or the same as in English where it is a sentence', () => {
    const english = pageTexts('en-CA')
    const own = pageTexts(locale)
    expect([...own.keys()].sort()).toEqual([...english.keys()].sort())
    for (const [path, text] of own) {
      expect([path, text.trim()]).not.toEqual([path, ''])
      if (locale !== 'en-CA' && text.split(' ').length > 3)
        expect([path, text]).not.toEqual([path, english.get(path)])
    }
  })

  test('a what-if says how much sooner and less, or later and more, and the payment where it changes', () => {
    const { says } = languageOf(locale).page.whatIf
    const said = { payment: '', time: '', isSooner: false, money: '', isLess: false, isRepaid: false }
    const sooner = says({ ...said, time: 'T', isSooner: true, money: 'M', isLess: true })
    const later = says({ ...said, payment: 'P', time: 'T', money: 'M' })
    const same = says({ ...said, money: 'M', isLess: true })
    const free = says({ ...said, time: 'T' })
    const nothing = says(said)
    const repaid = says({ ...said, time: 'T', money: 'M', isLess: true, isRepaid: true })
    expect(new Set([sooner, later, same, free, nothing, repaid]).size).toBe(6)
    for (const text of [sooner, later]) expect(text).toMatch(/T.*M|M.*T/)
    expect(later).toContain('P')
    for (const text of [sooner, later, same, free, nothing, repaid])
      expect(text).not.toMatch(/undefined|false| {2}/)
  })

  test('problems say what would be right with a figure of the locale', () => {
    const least = problemSentence(
      { code: 'ANSWER_BELOW_LEAST', field: 'x', least: { unit: 'money', money: minor(60_000_00) } },
      figures,
    )
    expect(least).toContain(figures.moneyShort(60_000_00))
    for (const name of Object.keys(frequencies) as (keyof typeof frequencies)[])
      expect(figures.every(name)).not.toBe('')
  })
})

test.each([
  ['de-DE', 1, '1 Jahr'],
  ['de-DE', 2, '2 Jahre'],
  ['es-ES', 1, '1 año'],
  ['fr-CA', 0, '0 an'],
  ['fr-CA', 2, '2 ans'],
  ['he-IL', 1, '1 שנה'],
  ['he-IL', 5, '5 שנים'],
])('in %s, %i is "%s"', (locale, n, said) => expect(counted(n, languageOf(locale).years, locale)).toBe(said))
