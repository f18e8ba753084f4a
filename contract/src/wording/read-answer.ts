import type { Minor, MinorDigits, Share, TermLength } from '@vivid/core/evaluate'
import { readNumber } from './read-number'

/** An amount as typed, in whole minor units; undefined where it is no amount or has more decimals than the currency. */
export function readMoney(typed: string, locale: string, digits: MinorDigits): Minor | undefined {
  if (typed.includes('%')) return undefined
  const plain = readNumber(typed, locale)
  if (plain === undefined) return undefined
  const [whole = '0', part = ''] = plain.split('.')
  if (part.length > digits) return undefined
  const amount = Number(whole + part.padEnd(digits, '0'))
  return Number.isSafeInteger(amount) ? (amount as Minor) : undefined
}

/** A percentage as typed, as a plain decimal: "4,64 %" is "4.64", and never 464 or 0.0464. */
export function readPercent(typed: string, locale: string): string | undefined {
  if (/\p{Sc}|[km]\s*$/iu.test(typed)) return undefined
  const plain = readNumber(typed, locale)
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
  const parts = [
    ...typed
      .trim()
      .toLowerCase()
      .matchAll(/([\d.,]+)\s*([a-z]*)[\s,]*(?:and\s+)?/g),
  ]
  if (parts.length === 0 || parts.map(([all]) => all).join('') !== typed.trim().toLowerCase())
    return undefined
  let months = 0
  for (const [index, [, number = '', unit = '']] of parts.entries()) {
    const plain = readNumber(number, locale)
    const monthsEach = monthsIn(unit || (index === 0 ? 'y' : 'm'))
    if (plain === undefined || monthsEach === undefined) return undefined
    months += Number(plain) * monthsEach
  }
  if (!Number.isInteger(months) || months > 12_000) return undefined
  return { years: Math.floor(months / 12), months: months % 12 }
}

function monthsIn(unit: string): number | undefined {
  if (/^y(ears?|rs?)?$/.test(unit)) return 12
  return /^m(onths?|os?|ths?)?$/.test(unit) ? 1 : undefined
}
