import { decimalMarkOf } from './intl'

/** Marks that turn the direction of writing: written with amounts in some languages, and never part of a number. */
export const DIRECTION_MARKS = /[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]/g

/**
 * Reads a number as people type it, and returns a plain decimal ("412600.5") or undefined. Digits may be
 * grouped in the locale's way or another ("412 600", "4,12,600", "412'600"), a currency sign or code and a
 * percent sign may stand beside them, and "k" or "m" multiply ("412.6k").
 *
 * Where comma and point both occur, the last is the decimal mark. A lone mark before exactly three digits
 * groups if it groups in this locale; any other lone mark is the decimal mark.
 */
export function readNumber(typed: string, locale: string): string | undefined {
  const text = typed
    .normalize('NFKC')
    .replace(DIRECTION_MARKS, '')
    .replace(/[\u2212\u2013]/g, '-')
    .replace(/\p{Sc}|%|^\s*[A-Z]{2,3}\b|\b[A-Z]{3}\s*$/gu, '')
    .replace(/[\s'’_]/g, '')
  const match = /^(-?)([\d.,]*\d[\d.,]*)([km]?)$/i.exec(text)
  if (!match) return undefined
  const [, sign = '', digits = '', suffix = ''] = match
  const plain = withPointOnly(digits, groupMarkOf(locale))
  if (plain === undefined) return undefined
  const zeros = { k: 3, m: 6 }[suffix.toLowerCase()] ?? 0
  return sign + trimmed(shifted(plain, zeros))
}

const groupMarkOf = (locale: string) => (decimalMarkOf(locale) === ',' ? '.' : ',')

function withPointOnly(digits: string, groupMark: string): string | undefined {
  const marks = digits.replace(/\d/g, '')
  const last = marks.at(-1)
  if (last === undefined) return digits
  const kinds = new Set(marks)
  const afterLast = digits.length - digits.lastIndexOf(last) - 1
  const lastGroups = kinds.size === 1 && (marks.length > 1 || (last === groupMark && afterLast === 3))
  if (lastGroups) return isGrouped(digits, last) ? digits.replaceAll(last, '') : undefined
  const at = digits.lastIndexOf(last)
  const [whole, part] = [digits.slice(0, at), digits.slice(at + 1)]
  if (whole.includes(last)) return undefined
  const other = last === ',' ? '.' : ','
  if (whole.includes(other) && !isGrouped(whole, other)) return undefined
  return `${whole.replaceAll(other, '') || '0'}.${part}`
}

/** Groups of two or three digits after the first, the last of three: 1,234,567 and 12,34,567. */
function isGrouped(digits: string, mark: string): boolean {
  const [first = '', ...groups] = digits.split(mark)
  return (
    /^\d{1,3}$/.test(first) && groups.every((group) => /^\d{2,3}$/.test(group)) && groups.at(-1)?.length === 3
  )
}

function shifted(plain: string, places: number): string {
  const [whole = '', part = ''] = plain.split('.')
  return `${whole}${part.slice(0, places).padEnd(places, '0')}.${part.slice(places)}`
}

function trimmed(plain: string): string {
  const [whole = '', part = ''] = plain.split('.')
  const digits = whole.replace(/^0+(?=\d)/, '') || '0'
  const rest = part.replace(/0+$/, '')
  return rest ? `${digits}.${rest}` : digits
}
