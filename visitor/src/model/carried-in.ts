import type { Answers, Evaluation, Program, Value, WhatIf } from '@vivid/core/evaluate'
import { hasGaps, keptLimits, MOST_BESIDE, type KeptWhatIf } from '@vivid/contract/wording'
import { LINK, type Carried, type Then } from './carried'

export { thenSaid } from './then-said'

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
  const answers = Object.fromEntries(given)
  const refused: string[] = []
  // One that is left out may be what another was measured by.
  for (;;) {
    const readable = Object.fromEntries(
      Object.entries(answers).filter(([, answer]) => !isText(answer) && !isUnfinishedList(answer)),
    )
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

/** What was typed and could not be read. */
const isText = (answer: unknown): boolean => isRecord(answer) && typeof answer.unreadable === 'string'

/** A list of loans with a cell that is empty yet, or could not be read; the rest of it is what such a list has. */
function isUnfinishedList(answer: unknown): boolean {
  const isTyped = (cell: unknown) => cell === null || isText(cell)
  const isLoan = (loan: unknown) =>
    isRecord(loan) &&
    typeof loan.name === 'string' &&
    [loan.owed, loan.payment].every((cell) => isTyped(cell) || Number.isSafeInteger(cell)) &&
    (isTyped(loan.rate) || isPlain(loan.rate))
  return Array.isArray(answer) && hasGaps(answer) && answer.every(isLoan)
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
  const { name, extra, yearlyExtra, lumpSum, annualRate, payment } = one
  const what: WhatIf = {
    ...(isAmount(extra) && { extra }),
    ...(isAmount(yearlyExtra) && { yearlyExtra }),
    ...(isRecord(lumpSum) &&
      isAmount(lumpSum.amount) &&
      isCount(lumpSum.withPayment, keptLimits.withPayment) && {
        lumpSum: { amount: lumpSum.amount, withPayment: lumpSum.withPayment },
      }),
    ...(typeof annualRate === 'string' && keptLimits.annualRate.test(annualRate) && { annualRate }),
    ...(isAmount(payment) && { payment }),
  }
  if (Object.keys(what).length === 0) return undefined
  return { name: typeof name === 'string' ? name.slice(0, keptLimits.name) : '', ...what }
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const isCount = (value: unknown, most: number): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= most
const isAmount = (value: unknown): value is NonNullable<WhatIf['extra']> =>
  isCount(value, keptLimits.amount) && value > 0
const isPlain = (value: unknown) => typeof value === 'string' && /^-?\d{1,15}(\.\d{1,15})?$/.test(value)
const mapped = <T>(record: Record<string, unknown>, read: (value: unknown) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(record).map(([key, value]) => [key, read(value)]))

const decode = (text: string) =>
  new TextDecoder('utf-8', { fatal: true }).decode(
    Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (c) => c.charCodeAt(0)),
  )
