import { readIsoDate, type Minor, type MinorDigits, type Share, type TermLength } from '@vivid/core/evaluate'
import { languageOf } from './languages'
import { DIRECTION_MARKS, readNumber } from './read-number'

/** An amount as typed, in whole minor units; undefined where it is no amount or has more decimals than the currency. */
export function readMoney(typed: string, locale: string, digits: MinorDigits): Minor | undefined {
  if (typed.includes('%')) return undefined
  const plain = readNumber(typed, locale, { minorDigits: digits })
  if (plain === undefined) return undefined
  const [whole = '0', part = ''] = plain.split('.')
  if (part.length > digits) return undefined
  const amount = Number(whole + part.padEnd(digits, '0'))
  return Number.isSafeInteger(amount) ? (amount as Minor) : undefined
}

/** A percentage as typed, as a plain decimal: "4,64 %" is "4.64", and never 464 or 0.0464. */
export function readPercent(typed: string, locale: string): string | undefined {
  if (/\p{Sc}|[km]\s*$/iu.test(typed)) return undefined
  const plain = readNumber(typed, locale, 'percent')
  return plain !== undefined && /^-?\d{1,6}(\.\d{1,12})?$/.test(plain) ? plain : undefined
}

/** An amount or a percentage as typed; a bare number is what `unit` says. */
export function readShare(
  typed: string,
  locale: string,
  digits: MinorDigits,
  unit: 'money' | 'percent',
): Share | undefined {
  const saysMoney = /\p{Sc}|[A-Z]{3}|[km]\s*$/u.test(typed)
  if (typed.includes('%') || (unit === 'percent' && !saysMoney)) {
    const percent = readPercent(typed, locale)
    return percent === undefined ? undefined : { percent }
  }
  const money = readMoney(typed, locale, digits)
  return money === undefined ? undefined : { money }
}

/** A length of time as typed: "25", "25 years", "25y 6m", "300 months", "12.5". A bare number is years. */
export function readTerm(typed: string, locale: string): TermLength | undefined {
  const text = typed.replace(DIRECTION_MARKS, '').trim().toLowerCase()
  const parts = [...text.matchAll(/([\d.,]+)\s*([\p{L}]*)[\s,]*(?:(?:and|et|und|y)\s+|ו-?)?/gu)]
  if (parts.length === 0 || parts.map(([all]) => all).join('') !== text) return undefined
  let months = 0
  for (const [index, [, number = '', unit = '']] of parts.entries()) {
    const plain = readNumber(number, locale)
    const monthsEach = unit === '' ? (index === 0 ? 12 : 1) : monthsIn(unit, locale)
    if (plain === undefined || monthsEach === undefined) return undefined
    months += Number(plain) * monthsEach
  }
  if (!Number.isInteger(months) || months > 12_000) return undefined
  return { years: Math.floor(months / 12), months: months % 12 }
}

/** English words are read in every language; so are the language's own. */
function monthsIn(unit: string, locale: string): number | undefined {
  const languages = [languageOf(locale), languageOf('en')]
  if (languages.some(({ typedYears }) => typedYears.test(unit))) return 12
  return languages.some(({ typedMonths }) => typedMonths.test(unit)) ? 1 : undefined
}

/** A whole number as typed, grouped in any way. */
export function readWholeNumber(typed: string, locale: string): number | undefined {
  const plain = readNumber(typed, locale, 'whole')
  return plain !== undefined && /^-?\d{1,10}$/.test(plain) ? Number(plain) : undefined
}

/** A day or a month as the browser's own field gives it: "2026-11-25", "2026-11"; a month is its first day. */
export function readDate(typed: string, precision: 'day' | 'month'): string | undefined {
  const text = typed.trim()
  const iso = precision === 'month' && /^\d{4}-\d{2}$/.test(text) ? `${text}-01` : text
  return readIsoDate(iso) ? iso : undefined
}
