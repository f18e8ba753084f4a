import { currencies } from './currencies'

/** Marks that turn the direction of writing: written with amounts in some languages, and never part of a number. */
export const DIRECTION_MARKS = /[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]/g

/** Stands before decimals and nowhere else. */
const ARABIC_DECIMAL = '\u066b'

/** The most characters a number is typed with: looking through whatever else was pasted would hold up the page. */
export const MOST_TYPED = 1_000

/** How many zeros a word behind a number stands for, in whatever language; each has one meaning in all that have it. */
const zerosOf = new Map<string, number>()
for (const [zeros, words] of [
  [3, 'k thousand tsd tausend mille mil אלף'],
  [5, 'l lac lacs lakh lakhs'],
  [6, 'm mn mio million millions millionen millón millon millones מיליון'],
  [7, 'cr crore crores'],
] as const)
  for (const word of words.split(' ')) zerosOf.set(word, zeros)

/** Whether a word behind a number multiplies it. */
export const isMultiplier = (word: string): boolean => zerosOf.has(word.toLowerCase())

const PERCENT =
  /[%\u066a\ufe6a\uff05]|(?<!\p{L})(?:per ?cent|pct|pour ?cent|prozent|por ?ciento|אחוז(?:ים)?)(?!\p{L})/giu
const codes = currencies.join('|')
/** A sign, with what tells dollars apart before it, or a code (ISO 4217) before or behind. */
const CURRENCY = new RegExp(
  `(?:^\\s*(?:AU?|CA?|NZ|US)(?=\\$))?\\p{Sc}|^\\s*(?:${codes})(?!\\p{L})|(?<!\\p{L})(?:${codes})\\s*$`,
  'giu',
)
const AMOUNT = new RegExp(
  `\\p{Sc}|(?<!\\p{L})(?:(?:${codes})(?!\\p{L})|(?:${[...zerosOf.keys()].join('|')})\\.?\\s*$)`,
  'iu',
)

/** Whether a sign or a word in a typed text says that it is a percentage. */
export const saysPercent = (typed: string): boolean => typed.search(PERCENT) >= 0

/** Whether a sign, a code or a word in it says that it is an amount. */
export const saysMoney = (typed: string): boolean => AMOUNT.test(typed)

/** The sign before decimals. */
export type DecimalMark = '.' | ','

/**
 * What a number is for, which decides what a mark in it can be: a percentage is never grouped, three decimals are no
 * cents, and what is whole has no decimals.
 */
export type NumberKind = 'percent' | 'number' | 'whole' | { readonly minorDigits: number }

/**
 * A typed number as plain decimals ("412600.5"), by which mark stands before its decimals; undefined where it cannot be
 * read so. Digits may be grouped ("412 600", "4,12,600", "412'600"), of any script, in brackets for less than nothing,
 * with a currency sign or code and a percent sign or word beside them; "k", "million", "Tsd.", "lakh" and their like
 * multiply, "5 1/8" adds up.
 */
export function readBy(typed: string, decimal: DecimalMark): string | undefined {
  if (typed.length > MOST_TYPED) return undefined
  const text = bare(typed)
  const fraction = /^(-?)(?:(\d+)[ -])?(\d{1,3})\/(\d{1,3})$/.exec(text)
  if (fraction) return withFraction(fraction)
  const match = /^(-?)([\d.,]*\d[\d.,]*?)(?:(\p{L}+)\.?)?$/u.exec(text.replace(/ /g, ''))
  if (!match) return undefined
  const [, sign = '', digits = '', word] = match
  const plain = pointOnly(digits, decimal)
  const zeros = word === undefined ? 0 : zerosOf.get(word.toLowerCase())
  if (plain === undefined || zeros === undefined) return undefined
  const number = trimmed(shifted(plain, zeros))
  return number === '0' ? number : sign + number
}

/**
 * The readings a typed number has: none, one, or two where a lone mark could group or stand before decimals. `marks`: those
 * of the place it is typed in, which decide there, unless what they say is against what the number is for ("5,000" for
 * dollars in French): then it has both.
 */
export function readingsOf(
  typed: string,
  kind: NumberKind,
  marks?: { readonly decimal: string; readonly group: string },
): readonly string[] {
  const byPoint = readBy(typed, '.')
  const byComma = readBy(typed, ',')
  const found = [byPoint, byComma].filter((one) => one !== undefined)
  if (byPoint === undefined || byComma === undefined || byPoint === byComma)
    return fitting([...new Set(found)], kind)
  // One mark before three digits.
  const mark: DecimalMark = bare(typed).includes(',') ? ',' : '.'
  const [decimal, grouped] = mark === ',' ? [byComma, byPoint] : [byPoint, byComma]
  const canGroup = kind !== 'percent' && mark !== marks?.decimal && !typed.includes(ARABIC_DECIMAL)
  const canBeDecimal = decimalsAllowed(kind, typed) && (mark !== marks?.group || kind === 'percent')
  if (canBeDecimal === canGroup) return [decimal, grouped]
  return [canBeDecimal ? decimal : grouped]
}

/** Whether three digits can be decimals: of a percentage or a number, and of amounts in coins that small. */
const decimalsAllowed = (kind: NumberKind, typed: string): boolean =>
  kind === 'percent' ||
  kind === 'number' ||
  /\p{L}\.?$/u.test(bare(typed)) ||
  (kind !== 'whole' && kind.minorDigits >= 3)

const decimalsOf = (plain: string) => plain.split('.')[1]?.length ?? 0

/** What has more decimals than its kind stays as it is read: the question says so. */
const fitting = (plains: readonly string[], kind: NumberKind): readonly string[] => {
  if (typeof kind !== 'object' || plains.length < 2) return plains
  const able = plains.filter((plain) => decimalsOf(plain) <= kind.minorDigits)
  return able.length > 0 ? able : plains
}

/** Digits of every script as ours, signs and codes gone, one kind of minus and of space, group marks that are no others gone. */
function bare(typed: string): string {
  const text = typed
    .replace(/\p{Nd}/gu, (digit) => String(digitValue(digit)))
    .replace(/[\u00bc-\u00be\u2150-\u215e]/g, (part) => ` ${part.normalize('NFKC')}`)
    .normalize('NFKC')
    .replace(/\u2044/g, '/')
    .replace(DIRECTION_MARKS, '')
    .replace(/[\u2212\u2013]/g, '-')
    .replaceAll(ARABIC_DECIMAL, '.')
    .replace(PERCENT, '')
    .replace(CURRENCY, '')
    .replace(/['’_\u066c]/g, '')
    .replace(/\s+/g, ' ')
    .trim()
  const inBrackets = /^\(([^()]+)\)$/.exec(text)
  const signed = inBrackets ? `-${inBrackets[1]?.trim() ?? ''}` : text
  return signed.replace(/^\+ ?(?=[\d.,])|^(-) /, '$1')
}

/** Decimal digits stand in blocks of ten from their zero on. */
function digitValue(digit: string): number {
  const code = digit.codePointAt(0) ?? 0
  let zero = code
  while (zero > code - 9 && /\p{Nd}/u.test(String.fromCodePoint(zero - 1))) zero--
  // Blocks that touch (mathematical digits) begin at multiples from their first.
  return code <= 0x39 ? code - 0x30 : (code - zero) % 10
}

function withFraction([, sign = '', whole = '', above = '', below = '']: readonly string[]):
  string | undefined {
  const part = Number(above) / Number(below)
  if (!(part < 1)) return undefined
  const plain = trimmed((Number(whole) + part).toFixed(12))
  return Math.abs(Number(plain) - Number(whole) - part) < 1e-9 && decimalsOf(plain) <= 6
    ? sign + plain
    : undefined
}

function pointOnly(digits: string, decimal: DecimalMark): string | undefined {
  const group = decimal === '.' ? ',' : '.'
  const [whole = '', part, ...more] = digits.split(decimal)
  if (more.length > 0 || part?.includes(group)) return undefined
  if (whole.includes(group) && !isGrouped(whole, group)) return undefined
  const plain = whole.replaceAll(group, '') || '0'
  return part === undefined ? plain : `${plain}.${part}`
}

/** Groups of two or three digits after the first, the last of three: 1,234,567 and 12,34,567. */
function isGrouped(digits: string, mark: string): boolean {
  const [first = '', ...groups] = digits.split(mark)
  return (
    /^[1-9]\d{0,2}$/.test(first) &&
    groups.every((group) => /^\d{2,3}$/.test(group)) &&
    groups.at(-1)?.length === 3
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
