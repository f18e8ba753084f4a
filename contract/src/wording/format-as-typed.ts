import { decimalMarkOf, groupMarkOf, wholeNumbers } from './intl'

export interface TypedText {
  readonly text: string
  /** Where the caret stands, in characters from the start. */
  readonly caret: number
}

/** What stood there until now, and whether the person who types put marks between its digits: ours are not read as theirs. */
export interface TypedBefore {
  readonly text: string
  readonly isMarked: boolean
}

/**
 * Groups the digits of a number while it is being typed, and keeps the caret behind the same digit; where `groups` is false, our
 * own marks go. Text that is not (yet) a number with at most one decimal mark is left as it is: nothing typed is ever changed in
 * meaning. So is one with a mark that does not group here ("7.5" in French), or that stands where it would not group ("1250,50"
 * in English), unless a digit was just taken away.
 */
export function formatAsTyped(
  typed: TypedText,
  locale: string,
  before: TypedBefore = { text: '', isMarked: false },
  groups = true,
): TypedText & { readonly isMarked: boolean } {
  const { from, to } = changedIn(before.text, typed.text)
  const isTyped = MARK.test(typed.text.slice(from, to))
  const wasMarked = before.isMarked && MARK.test(typed.text)
  const isMarked = wasMarked || isTyped
  const group = groupMarkOf(locale)
  // A mark that was just typed is the first of theirs: those around it are ours.
  const own = isTyped && !wasMarked && to - from === 1 ? from : undefined
  const hasOurs = own !== undefined || (!groups && !isMarked)
  const { text, caret } = hasOurs ? withoutMarks(typed, group, own) : typed
  const parts = groups ? splitNumber(text, decimalMarkOf(locale)) : undefined
  const isShorter = text.length < before.text.length
  const ahead = parts && caret - parts.before.length
  if (!parts || (isMarked && !groupsOnly(parts.typedWhole, group, isShorter, ahead ?? 0)))
    return { text, caret, isMarked }
  const { before: lead, whole, rest } = parts
  const grouped = wholeNumbers(locale).format(BigInt(whole))
  const digitsBeforeCaret = countDigits(text.slice(lead.length, caret))
  const inWhole = caret <= text.length - rest.length
  const next = lead + grouped + rest
  if (!inWhole) return { text: next, caret: next.length - (text.length - caret), isMarked }
  return {
    text: next,
    caret: caret < lead.length ? caret : lead.length + afterDigits(grouped, digitsBeforeCaret),
    isMarked,
  }
}

const MARK = /[.,'’\u066b\u066c]|\s(?=\d)/

/** Where a text differs from what it was. */
function changedIn(before: string, now: string): { readonly from: number; readonly to: number } {
  let [from, behind] = [0, 0]
  while (from < before.length && before[from] === now[from]) from++
  const most = Math.min(before.length, now.length) - from
  while (behind < most && before.at(-1 - behind) === now.at(-1 - behind)) behind++
  return { from, to: now.length - behind }
}

/** Without the marks that group digits, but for the one that stands at `own`. */
function withoutMarks({ text, caret }: TypedText, group: string, own?: number): TypedText {
  const isKept = (sign: string, at: number) => sign !== group || at === own
  const kept = (part: string) => part.split('').filter(isKept).join('')
  return { text: kept(text), caret: kept(text.slice(0, caret)).length }
}

interface NumberParts {
  readonly before: string
  readonly whole: string
  /** The same as it was typed, with its marks. */
  readonly typedWhole: string
  readonly rest: string
}

/** Whether all marks that a person typed between digits group them here, or did until a digit was taken away or added. */
function groupsOnly(digits: string, group: string, isShorter: boolean, caret: number): boolean {
  const first = digits.search(/\D/)
  if (first > 3 && caret > first) return false
  const isGroup = (sign: string) => (/\s/u.test(group) ? /\s/u.test(sign) : sign === group)
  if (![...digits.replace(/\d/g, '')].every(isGroup)) return false
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
