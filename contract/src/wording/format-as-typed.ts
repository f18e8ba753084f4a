import { decimalMarkOf, wholeNumbers } from './intl'

export interface TypedText {
  readonly text: string
  /** Where the caret stands, in characters from the start. */
  readonly caret: number
}

/**
 * Groups the digits of a number while it is being typed, and keeps the caret behind the same digit. Text that is
 * not (yet) a number with at most one decimal mark is left as it is: nothing typed is ever changed in meaning.
 */
export function formatAsTyped({ text, caret }: TypedText, locale: string): TypedText {
  const mark = decimalMarkOf(locale)
  const parts = splitNumber(text, mark)
  if (!parts) return { text, caret }
  const { before, whole, rest } = parts
  const grouped = wholeNumbers(locale).format(BigInt(whole))
  const digitsBeforeCaret = countDigits(text.slice(before.length, caret))
  const inWhole = caret <= text.length - rest.length
  const next = before + grouped + rest
  if (!inWhole) return { text: next, caret: next.length - (text.length - caret) }
  return {
    text: next,
    caret: caret < before.length ? caret : before.length + afterDigits(grouped, digitsBeforeCaret),
  }
}

interface NumberParts {
  readonly before: string
  readonly whole: string
  readonly rest: string
}

function splitNumber(text: string, mark: string): NumberParts | undefined {
  const match = /^(\D*?)(\d[\d.,\s\u00a0\u202f]*)(\D*)$/.exec(text)
  if (!match) return undefined
  const [, before = '', number = '', after = ''] = match
  if (before.includes('-') || before.includes(mark)) return undefined
  const at = number.indexOf(mark)
  const whole = (at === -1 ? number : number.slice(0, at)).replace(/\D/g, '')
  const part = at === -1 ? '' : number.slice(at)
  const unfinished = /\D$/.test(at === -1 ? number : '')
  if (unfinished || /\D/.test(part.slice(1)) || whole.length > 15 || /^0\d/.test(whole)) return undefined
  return { before, whole, rest: part + after }
}

const countDigits = (text: string) => text.replace(/\D/g, '').length

function afterDigits(grouped: string, digits: number): number {
  let seen = 0
  for (let i = 0; i < grouped.length; i++) {
    if (seen === digits) return i
    if (/\d/.test(grouped.charAt(i))) seen++
  }
  return grouped.length
}
