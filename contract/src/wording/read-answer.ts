import type { OwnWords } from '../visitor'
import {
  lengthOfMonths,
  minorDigitsOf,
  readIsoDate,
  type Currency,
  type Minor,
  type MinorDigits,
  type Share,
  type TermLength,
} from '@vivid/core/evaluate'
import { perLocale } from './intl'
import type { Language } from './language'
import { languageOf } from './languages'
import { literally } from './literally'
import { DIRECTION_MARKS, isMultiplier, readingsOf, readNumber, saysMoney, saysPercent } from './read-number'

/**
 * What a typed text can mean. Where it is sure there is one meaning, which is taken; where it is not, none is taken and
 * all are offered. Nothing: it means nothing here.
 */
export interface Readings<T> {
  readonly isSure: boolean
  readonly all: readonly T[]
}
const none = { isSure: false, all: [] }
const sure = <T>(one: T | undefined): Readings<T> => (one === undefined ? none : { isSure: true, all: [one] })
const theSure = <T>({ isSure, all }: Readings<T>): T | undefined => (isSure ? all[0] : undefined)

/** Amounts a text can mean, in whole minor units; none with more decimals than the currency has. */
export function moneyReadings(typed: string, locale: string, digits: MinorDigits): Readings<Minor> {
  if (saysPercent(typed)) return none
  const plains = readingsOf(typed, { minorDigits: digits }, locale)
  const all = plains.flatMap((plain) => minorOf(plain, digits) ?? [])
  return { isSure: plains.length === 1 && all.length === 1, all }
}

function minorOf(plain: string, digits: MinorDigits): Minor | undefined {
  const [whole = '0', part = ''] = plain.split('.')
  if (part.length > digits) return undefined
  const amount = Number(whole + part.padEnd(digits, '0'))
  return Number.isSafeInteger(amount) ? (amount as Minor) : undefined
}

/** An amount as typed, in whole minor units; undefined where it is none, or could be two. */
export const readMoney = (typed: string, locale: string, digits: MinorDigits): Minor | undefined =>
  theSure(moneyReadings(typed, locale, digits))

/** A percentage as typed, as a plain decimal: "4,64 %" is "4.64", and never 464 or 0.0464. */
export function readPercent(typed: string, locale: string): string | undefined {
  if (saysMoney(typed)) return undefined
  const plain = readNumber(typed, locale, 'percent')
  return plain !== undefined && /^-?\d{1,6}(\.\d{1,12})?$/.test(plain) ? plain : undefined
}

/**
 * Parts of a whole a text can mean, as an amount or a percentage. A bare number is what `unit` says, but no part is more
 * than the whole: "60000" is an amount; and "60,000" could be either.
 */
export function shareReadings(
  typed: string,
  locale: string,
  digits: MinorDigits,
  unit: 'money' | 'percent',
): Readings<Share> {
  const amounts = moneyReadings(typed, locale, digits)
  const asMoney = { isSure: amounts.isSure, all: amounts.all.map((money) => ({ money })) }
  const percent = readPercent(typed, locale)
  const asPercent = sure(percent === undefined ? undefined : { percent })
  if (saysPercent(typed)) return asPercent
  if (unit === 'money' || saysMoney(typed)) return asMoney
  if (percent === undefined || Number(percent) > 100) return asMoney
  const isGrouped = readingsOf(typed, 'number').length > 1
  const grouped = isGrouped ? asMoney.all.filter(({ money }) => money >= 1000 * 10 ** digits) : []
  return grouped.length === 0 ? asPercent : { isSure: false, all: [...asPercent.all, ...grouped] }
}

/** An amount or a percentage as typed; a bare number is what `unit` says; undefined where it is neither, or could be both. */
export const readShare = (
  typed: string,
  locale: string,
  digits: MinorDigits,
  unit: 'money' | 'percent',
): Share | undefined => theSure(shareReadings(typed, locale, digits, unit))

/** A length of time as typed: "25", "25 years", "25y 6m", "300 months", "12½". A bare number is years. */
export function readTerm(typed: string, locale: string, own?: OwnWords): TermLength | undefined {
  const text = lengthsIn(languageOf(locale, own)).reduce(
    (plain, [form, put]) => plain.replace(form, put),
    typed.replace(DIRECTION_MARKS, '').trim().toLowerCase(),
  )
  const parts = [
    ...text.matchAll(
      /([\p{Nd}.,\u066b]*)(\s*½|\s+1\/2)?\s*(\p{L}*)\.?(\s*½)?[\s,]*(?:(?:and|et|und|y)\s+|ו-?)?/gu,
    ),
  ].filter(([all]) => all !== '')
  if (parts.length === 0 || parts.map(([all]) => all).join('') !== text) return undefined
  let months = 0
  for (const [index, [, number = '', half, unit = '', halfBehind]] of parts.entries()) {
    const hasHalf = half !== undefined || halfBehind !== undefined
    const plain = number === '' && hasHalf ? '0' : readNumber(number, locale, 'percent')
    const monthsEach = unit === '' ? (index === 0 ? 12 : 1) : monthsIn(unit, locale, own)
    if (plain === undefined || monthsEach === undefined) return undefined
    months += (Number(plain) + (hasHalf ? 0.5 : 0)) * monthsEach
  }
  if (!Number.isInteger(months) || months > 12_000) return undefined
  return lengthOfMonths(months)
}

type Put = readonly [form: RegExp, put: string]
const lengths = new WeakMap<Language, readonly Put[]>()
/**
 * What a language says in words of its own, with what is read in every language instead: "and a half", and years and months
 * in each form it writes them in, which a lender may word in any way ("one full year").
 */
function lengthsIn(language: Language): readonly Put[] {
  const known = lengths.get(language)
  if (known) return known
  const halves = language.typedHalf.map((half): Put => [
    wordsFound(`\\s?${literally(half.toLowerCase())}`),
    '½',
  ])
  const counted = [
    [language.years, 'yr'],
    [language.months, 'mo'],
  ] as const
  const forms = counted.flatMap(([byNumber, unit]) =>
    Object.entries(byNumber).map(([category, form]): Put => {
      const found = literally(form.toLowerCase()).replace('#', '([\\p{Nd}.,\\u066b]+)')
      const number = form.includes('#') ? '$1' : (NUMBERS[category] ?? '')
      return [wordsFound(`(?<!\\p{L})${found}`), `${number} ${unit}`]
    }),
  )
  const made = [...halves, ...forms]
  lengths.set(language, made)
  return made
}
const wordsFound = (source: string) => new RegExp(`${source}(?!\\p{L})`, 'gu')
/** The number a form stands for that leaves it out: "a year", "two years" in one word. */
const NUMBERS: Readonly<Record<string, string>> = { zero: '0', one: '1', two: '2' }

/** English words are read in every language; so are the language's own. */
function monthsIn(unit: string, locale: string, own?: OwnWords): number | undefined {
  const languages = [languageOf(locale, own), languageOf('en')]
  const isOneOf = (words: readonly string[]) => words.some((word) => word.toLowerCase() === unit)
  if (languages.some(({ typedYears }) => isOneOf(typedYears))) return 12
  return languages.some(({ typedMonths }) => isOneOf(typedMonths)) ? 1 : undefined
}

/** Whole numbers a text can mean, grouped in any way. */
export function wholeReadings(typed: string, locale: string): Readings<number> {
  const plains = readingsOf(typed, 'whole', locale)
  const all = plains.filter((plain) => /^-?\d{1,10}$/.test(plain)).map(Number)
  return { isSure: plains.length === 1 && all.length === 1, all }
}

/** A whole number as typed; undefined where it is none, or could be two. */
export const readWholeNumber = (typed: string, locale: string): number | undefined =>
  theSure(wholeReadings(typed, locale))

/** A day or a month as the browser's own field gives it: "2026-11-25", "2026-11"; a month is its first day. */
export function readDate(typed: string, precision: 'day' | 'month'): string | undefined {
  const text = typed.trim()
  const iso = precision === 'month' && /^\d{4}-\d{2}$/.test(text) ? `${text}-01` : text
  return readIsoDate(iso) ? iso : undefined
}

/**
 * A text in which the currency's own signs, as they are written in any place, are the one that stands for all ("¤"): words
 * like "kr" belong to some amounts only. Undefined where it names another currency, by its sign or its code (ISO 4217).
 */
export function inItsSign(typed: string, currency: Currency, locale: string): string | undefined {
  const stands = (word: string) => word === '' || isMultiplier(word)
  const text = plainSigns(typed).replace(
    signsIn(locale)(currency),
    // Letters that touch it make another of it, as in "US$", but for those that multiply.
    (all, before: string, after: string) =>
      stands(before) && stands(after) ? `${before}\u00a4${after}` : all,
  )
  const codes = text.toUpperCase().match(/(?<!\p{L})[A-Z]{3}(?!\p{L})/gu) ?? []
  const isOther = /(?!\u00a4)\p{Sc}/u.test(text) || codes.some((code) => code in minorDigitsOf)
  return isOther ? undefined : text
}

/** Signs of one width, without marks of direction. */
const plainSigns = (text: string): string =>
  text.replace(DIRECTION_MARKS, '').replace(/\p{Sc}/gu, (sign) => sign.normalize('NFKC'))

/** Signs that people write beside those their browser writes, by currency. */
const alsoWritten: Readonly<Record<string, readonly string[] | undefined>> = {
  CHF: ['Fr.', 'Fr'],
  INR: ['Rs.', 'Rs'],
  NOK: ['kr.', 'kr'],
  SEK: ['kr.', 'kr'],
}

/** Names of currencies differ by how many there are: so many stand for all. */
const COUNTS = [1, 2, 5]

/** Finds what a currency is written with in a locale, longest first, with the letters that touch it. */
const signsIn = perLocale((locale) =>
  perLocale((currency) => {
    const written = (currencyDisplay: 'narrowSymbol' | 'symbol' | 'name') => {
      const format = new Intl.NumberFormat(locale, {
        style: 'currency',
        currency,
        currencyDisplay,
        maximumFractionDigits: 0,
      })
      return COUNTS.flatMap((count) => format.formatToParts(count))
        .filter(({ type }) => type === 'currency')
        .map(({ value }) => plainSigns(value))
    }
    const byBrowser = [...written('narrowSymbol'), ...written('symbol')]
    // "Canadian dollars", and each word of it.
    const names = written('name').flatMap((name) => [name, ...name.split(' ')])
    // "C$", "CA$": dollars are told apart by how their code begins.
    const dollars = byBrowser.includes('$') ? [1, 2].map((n) => `${currency.slice(0, n)}$`) : []
    const signs = [currency, ...byBrowser, ...names, ...dollars, ...(alsoWritten[currency] ?? [])]
    const longestFirst = signs.sort((a, b) => b.length - a.length).map(literally)
    return new RegExp(`(\\p{L}*?)(?:${longestFirst.join('|')})(\\p{L}*)`, 'giu')
  }),
)
