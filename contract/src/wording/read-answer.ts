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
import { DIRECTION_MARKS, readingsOf, readNumber } from './read-number'

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
  if (/[%\u066a]/.test(typed)) return none
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

/** Whether a sign, a code or a word in it says that it is an amount. */
const saysMoney = (typed: string): boolean =>
  /\p{Sc}|(?<!\p{L})[A-Z]{3}(?!\p{L})|[km]\s*$|lakh|crore/iu.test(typed)

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
  if (/[%\u066a]/.test(typed)) return asPercent
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
  const text = typed
    .replace(DIRECTION_MARKS, '')
    .trim()
    .toLowerCase()
    .replace(halfIn(languageOf(locale, own)), '½')
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

const halves = new WeakMap<Language, RegExp>()
/** What "and a half" is found by. */
function halfIn(language: Language): RegExp {
  const known = halves.get(language)
  if (known) return known
  const any = language.typedHalf.map(literally).join('|') || '(?!)'
  const made = new RegExp(`\\s?(?:${any})(?!\\p{L})`, 'gu')
  halves.set(language, made)
  return made
}

/** English words are read in every language; so are the language's own. */
function monthsIn(unit: string, locale: string, own?: OwnWords): number | undefined {
  const languages = [languageOf(locale, own), languageOf('en')]
  if (languages.some(({ typedYears }) => typedYears.includes(unit))) return 12
  return languages.some(({ typedMonths }) => typedMonths.includes(unit)) ? 1 : undefined
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

/** Whether a text names another currency than this one, by its sign or its code (ISO 4217). */
export function isOtherCurrency(typed: string, currency: Currency, locale: string): boolean {
  const codes = typed.toUpperCase().match(/(?<!\p{L})[A-Z]{3}(?!\p{L})/gu) ?? []
  if (codes.some((code) => code in minorDigitsOf && code !== currency)) return true
  const [sign] = /\p{Sc}/u.exec(typed) ?? []
  return sign !== undefined && !signsOf(currency, locale).includes(sign)
}

/** The signs a currency is written with in a locale. */
const signsOf = (currency: Currency, locale: string): string => signsIn(locale)(currency)
const signsIn = perLocale((locale) =>
  perLocale((currency) =>
    (['narrowSymbol', 'symbol'] as const)
      .map((currencyDisplay) =>
        new Intl.NumberFormat(locale, { style: 'currency', currency, currencyDisplay }).format(0),
      )
      .join(' '),
  ),
)
