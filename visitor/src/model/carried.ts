import type { Answers, Evaluation, Program, RateSheet, Value, WhatIf } from '@vivid/core/evaluate'
import { MOST_BESIDE, type KeptWhatIf } from '@vivid/contract/wording'

/** What visitors keep beside their loan, by the readout it is tried in. */
export type Beside = Readonly<Record<string, readonly KeptWhatIf[]>>

/** What of a page stands behind the # of its address, which browsers keep to themselves. Nothing personal. */
export interface Carried {
  /** Answers; of a page that is being filled in also texts that could not be read, as `{ unreadable }`. */
  readonly answers: Answers
  readonly beside: Beside
  /** Whether the figures were asked for, where they wait for a button. */
  readonly isWorkedOut: boolean
  /** Of a link only: what it said when it was made. */
  readonly then?: Then | undefined
}

/** What a link said when it was made, and what it followed from. */
export interface Then {
  /** ISO date */
  readonly on: string
  readonly headline: Value | undefined
  readonly edition: number
  /** A mark of each rate sheet as it stood, by its address. */
  readonly rates: Readonly<Record<string, string>>
}

/** A link that was sent, and a page on the way: only a link says what was then. */
const [LINK, PAGE] = ['kept', 'now']

/** A link that brings the same figures back. No server and no log sees what stands behind the #. */
export function linkTo(page: string, language: string, carried: Carried): string {
  const link = new URL(page)
  link.search = new URLSearchParams({ lang: language }).toString()
  link.hash = `${LINK}=${encode(JSON.stringify(carried))}`
  return link.href
}

export const pageHash = (carried: Carried): string => `#${PAGE}=${encode(JSON.stringify(carried))}`

/** Whether a hash is one of ours, whatever stands in it. */
export const carries = (hash: string): boolean => new RegExp(`^#(${LINK}|${PAGE})=`).test(hash)

/** What a hash carries; undefined where nothing of it can be read. */
export function carriedIn(hash: string): Carried | undefined {
  const [, name, text = ''] = /^#(\w+)=([^&]*)/.exec(hash) ?? []
  try {
    const { answers, beside, isWorkedOut, then, ...old } = JSON.parse(decode(text)) as Record<string, unknown>
    if (!isRecord(answers)) return undefined
    return {
      answers,
      beside: isRecord(beside) ? mapped(beside, readBeside) : {},
      isWorkedOut: isWorkedOut === true,
      // Links of before had it beside the answers.
      ...(name === LINK && { then: readThen(isRecord(then) ? then : old), isWorkedOut: true }),
    }
  } catch {
    return undefined
  }
}

/** What of answers that came from outside fits a program's questions. */
export interface Fitted {
  readonly answers: Answers
  /** Questions whose answer is none; they begin as usual. */
  readonly refused: readonly string[]
  /** Whether there were answers to what is not asked. */
  readonly hasMore: boolean
}

/** Takes the answers that can be ones of their questions, in or out of range: those say so themselves. */
export function fitting(
  carried: Answers,
  { steps }: Pick<Program, 'steps'>,
  evaluate: (answers: Answers) => Pick<Evaluation, 'problems'>,
): Fitted {
  const questions = new Set(steps.flatMap(({ step }) => (step.kind === 'question' ? [step.id] : [])))
  const given = Object.entries(carried).filter(([id]) => questions.has(id))
  const isText = (answer: unknown) => isRecord(answer) && typeof answer.unreadable === 'string'
  const answers = Object.fromEntries(given)
  const refused: string[] = []
  // One that is left out may be what another was measured by.
  for (;;) {
    const readable = Object.fromEntries(Object.entries(answers).filter(([, answer]) => !isText(answer)))
    const wrong = evaluate(readable).problems.filter(
      ({ code, field }) =>
        (code === 'ANSWER_UNREADABLE' || code === 'ANSWER_NOT_AN_OPTION') && Object.hasOwn(readable, field),
    )
    for (const { field } of wrong) {
      refused.push(field)
      delete answers[field]
    }
    if (wrong.length === 0) return { answers, refused, hasMore: given.length < Object.keys(carried).length }
  }
}

/** A short mark of each sheet, another one whenever what it says is another. */
export const marksOf = (sheets: readonly RateSheet[]): Readonly<Record<string, string>> =>
  Object.fromEntries(sheets.map((sheet) => [sheet.id, markOf(JSON.stringify(sheet.versions))]))

/** FNV-1a, 32 bits: tells a change from none, and keeps nothing secret. */
function markOf(text: string): string {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return (hash >>> 0).toString(36)
}

function readThen({ on, headline, edition, rates }: Record<string, unknown>): Then {
  return {
    on: typeof on === 'string' && isDay(on) ? on : '',
    headline: readValue(headline),
    edition: typeof edition === 'number' ? edition : 0,
    rates: isRecord(rates) ? mapped(rates, String) : {},
  }
}

const isDay = (text: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) &&
  !Number.isNaN(Date.parse(text)) &&
  new Date(text).toISOString().startsWith(text)

/** Only kinds of value a headline has; anything else was not made here. */
function readValue(value: unknown): Value | undefined {
  if (!isRecord(value)) return undefined
  const { unit } = value
  const holds =
    (unit === 'money' && Number.isSafeInteger(value.money)) ||
    (unit === 'percent' && isPlain(value.percent)) ||
    (unit === 'term' && isCount(value.years, 1000) && isCount(value.months, 11)) ||
    (unit === 'count' && isPlain(value.count))
  return holds ? (value as unknown as Value) : undefined
}

function readBeside(kept: unknown): readonly KeptWhatIf[] {
  return Array.isArray(kept) ? kept.flatMap((one) => readKept(one) ?? []).slice(0, MOST_BESIDE) : []
}

function readKept(one: unknown): KeptWhatIf | undefined {
  if (!isRecord(one)) return undefined
  const { name, extra, lumpSum, annualRate, payment } = one
  const what: WhatIf = {
    ...(isAmount(extra) && { extra }),
    ...(isRecord(lumpSum) &&
      isAmount(lumpSum.amount) &&
      isCount(lumpSum.withPayment, 6000) && {
        lumpSum: { amount: lumpSum.amount, withPayment: lumpSum.withPayment },
      }),
    ...(typeof annualRate === 'string' && /^\d{1,6}(\.\d{1,12})?$/.test(annualRate) && { annualRate }),
    ...(isAmount(payment) && { payment }),
  }
  if (Object.keys(what).length === 0) return undefined
  return { name: typeof name === 'string' ? name.slice(0, MOST_LETTERS) : '', ...what }
}

/** How long a name of what was kept may be. */
export const MOST_LETTERS = 60

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const isCount = (value: unknown, most: number): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= most
const isAmount = (value: unknown): value is NonNullable<WhatIf['extra']> => isCount(value, 1e13) && value > 0
const isPlain = (value: unknown) => typeof value === 'string' && /^-?\d{1,15}(\.\d{1,15})?$/.test(value)
const mapped = <T>(record: Record<string, unknown>, read: (value: unknown) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(record).map(([key, value]) => [key, read(value)]))

const encode = (text: string) =>
  btoa(Array.from(new TextEncoder().encode(text), (byte) => String.fromCharCode(byte)).join(''))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '')

const decode = (text: string) =>
  new TextDecoder('utf-8', { fatal: true }).decode(
    Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (c) => c.charCodeAt(0)),
  )
