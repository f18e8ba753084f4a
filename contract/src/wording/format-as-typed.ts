import { decimalMarkOf, groupMarkOf, wholeNumbers } from './intl'

export interface TypedText {
  readonly text: string
  /** Where the caret stands, in characters from the start. */
  readonly caret: number
}

/**
 * Groups the digits of a number while it is being typed, and keeps the caret behind the same digit. Text that is
 * not (yet) a number with at most one decimal mark is left as it is: nothing typed is ever changed in meaning. So is one
 * with a mark that does not group here ("7.5" in French), or that stands where it would not group ("1250,50" in English),
 * unless a digit was just taken away (`before`: the text until now).
 */
export function formatAsTyped({ text, caret }: TypedText, locale: string, before = ''): TypedText {
  const mark = decimalMarkOf(locale)
  const isShorter = text.length < before.length
  const parts = splitNumber(text, mark)
  if (parts && !groupsOnly(parts.typedWhole, groupMarkOf(locale), isShorter)) return { text, caret }
  if (!parts) return { text, caret }
  const { before: lead, whole, rest } = parts
  const grouped = wholeNumbers(locale).format(BigInt(whole))
  const digitsBeforeCaret = countDigits(text.slice(lead.length, caret))
  const inWhole = caret <= text.length - rest.length
  const next = lead + grouped + rest
  if (!inWhole) return { text: next, caret: next.length - (text.length - caret) }
  return {
    text: next,
    caret: caret < lead.length ? caret : lead.length + afterDigits(grouped, digitsBeforeCaret),
  }
}

interface NumberParts {
  readonly before: string
  readonly whole: string
  /** The same as it was typed, with its marks. */
  readonly typedWhole: string
  readonly rest: string
}

/** Whether all marks between digits group them here, or did until a digit was taken away or added. */
function groupsOnly(digits: string, group: string, isShorter: boolean): boolean {
  const isSpace = /\s/u.test(group)
  const foreign = isSpace ? /[.,]/ : group === ',' ? /\./ : /,/
  if (foreign.test(digits)) return false
  const last = digits.split(/[.,]/).at(-1) ?? ''
  return isShorter || !/[.,]/.test(digits) || last.length >= 3
}

function splitNumber(text: string, mark: string): NumberParts | undefined {
  const match = /^(\D*?)(\d[\d.,\s\u00a0\u202f]*)(\D*)$/.exec(text)
  if (!match) return undefined
  const [, before = '', number = '', after = ''] = match
  if (before.includes('-') || before.includes(mark)) return undefined
  const at = number.indexOf(mark)
  const typedWhole = (at === -1 ? number : number.slice(0, at)).trimEnd()
  const whole = typedWhole.replace(/\D/g, '')
  const part = at === -1 ? '' : number.slice(at)
  const unfinished = /\D$/.test(at === -1 ? number : '')
  if (unfinished || /\D/.test(part.slice(1)) || whole.length > 15 || /^0\d/.test(whole)) return undefined
  return { before, whole, typedWhole, rest: part + after }
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
