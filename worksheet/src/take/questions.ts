import { CalculatorDocument, Decimal, type Proof, type Question } from '@vivid/core'
import type { Cell } from '../book/book'
import { dateOf } from '../book/days'
import { dayNumber } from '../translate/dates'
import type { AskedCell } from '../understand/understand'
import type { Code } from '../translate/code'

/** An answer as visitors give it. */
export type Answer = NonNullable<Proof['answers'][string]>

/** How a cell that is typed in becomes a question: what it asks, the answer for a value, and how formulas take it as a plain figure. */
export interface CellQuestion {
  readonly question: Question
  readonly answerOf: (value: unknown) => Answer | undefined
  readonly code: Code
}

/** The language of a draft's texts: a worksheet does not say which it has. */
export const LANGUAGE = 'en-CA'

const MOST_MONEY = 1_000_000_000
/** A worksheet is not told what a visitor may answer; what its own rules leave open is bounded here. */
const MOST = { percent: 100, years: 100, number: 1_000_000 } as const

/** A figure in the fifteen digits worksheets show: what is behind them is how a computer keeps it. */
const asWritten = (value: number): string => value.toPrecision(15)

/** A percentage as answers have it: not more digits than are read. */
function percentOf(value: number, times: 1 | 100): string | undefined {
  const text = new Decimal(asWritten(value)).times(times).toFixed()
  return /^\d{1,4}(\.\d{1,12})?$/.test(text) ? text : undefined
}
const lengthOf = (months: number) => ({ years: Math.floor(months / 12), months: months % 12 })

/** `minor`: minor units of its currency in a whole one. Undefined where no question can have the cell's value: it stays as it stands. */
export function questionFor(
  asked: AskedCell,
  id: string,
  name: string,
  minor: number,
): CellQuestion | undefined {
  const plain = plainQuestion(asked, id, name, minor)
  return plain && (amongValues(plain, asked) ?? plain)
}

/** The same where only some figures are allowed: a choice among them. */
function amongValues(
  { question, answerOf, code }: CellQuestion,
  { cell, choices }: AskedCell,
): CellQuestion | undefined {
  const gives = GIVES[question.asks]
  const values = choices.map(Number)
  if (!gives || choices.length < 2 || !values.every(Number.isFinite) || !values.includes(Number(cell.value)))
    return undefined
  const { id, name, label, help, required, shownWhen } = question
  const options = choices.map((choice, i) => ({
    name: choice,
    label: { [LANGUAGE]: choice },
    value: answerOf(values[i]) ?? null,
  }))
  const optionOf = (one: unknown) => options.find((_, i) => values[i] === one)?.name
  const choice = {
    ...{ kind: 'question', id, name, label, help, required, shownWhen, asks: 'choice' },
    gives,
    options,
    default: optionOf(cell.value) ?? null,
  }
  return options.every(({ value }) => value !== null) ? made(choice, optionOf, code) : undefined
}
const GIVES: Partial<Record<Question['asks'], 'money' | 'percent' | 'term' | 'number'>> = {
  money: 'money',
  percent: 'percent',
  term: 'term',
  number: 'number',
}

function plainQuestion(
  { cell, label, unit, choices }: AskedCell,
  id: string,
  name: string,
  minor: number,
): CellQuestion | undefined {
  const common = {
    kind: 'question' as const,
    id,
    name,
    label: { [LANGUAGE]: label.slice(0, 200) },
    help: {},
    required: true,
    shownWhen: '',
  }
  const number = (text: string): Code => ({ text, gives: 'number', isShort: true })
  const value = cell.value
  const isBetween = (one: unknown, most: number): one is number =>
    typeof one === 'number' && one >= 0 && one <= most
  switch (unit) {
    case 'money': {
      const answerOf = (one: unknown) => (isBetween(one, MOST_MONEY) ? wholeOf(one * minor) : undefined)
      const [least, most] = rangeOf(cell, 0, MOST_MONEY).map((bound) => Math.round(bound * minor))
      const question = {
        ...common,
        asks: 'money' as const,
        per: null,
        default: answerOf(value) ?? null,
        least,
        most,
        step: minor,
        slider: false,
        usual: null,
      }
      return made(question, answerOf, number(`(${name} / as money(1))`))
    }
    case 'percent':
      return percentQuestion(100, `as number(${name})`)
    case 'percentNumber':
      return percentQuestion(1, `(as number(${name}) * 100)`)
    case 'years':
      return lengthQuestion(12, `in years(${name})`)
    case 'months':
      return lengthQuestion(1, `in months(${name})`)
    case 'payments':
    case 'number': {
      const answerOf = (one: unknown) =>
        typeof one === 'number' && Math.abs(one) <= MOST.number ? wholeOf(one) : undefined
      const [least, most] = rangeOf(cell, -MOST.number, MOST.number).map(Math.round)
      const question = {
        ...common,
        asks: 'number' as const,
        counts: 'things' as const,
        default: answerOf(value) ?? null,
        least,
        most,
        step: 1,
        slider: false,
      }
      return made(question, answerOf, number(name))
    }
    case 'choice': {
      const answerOf = (one: unknown) =>
        choices.find((choice) => choice.toLowerCase() === String(one).toLowerCase())
      const question = {
        ...common,
        asks: 'choice' as const,
        gives: 'name' as const,
        options: choices.map((choice) => ({ name: choice, label: { [LANGUAGE]: choice }, value: null })),
        default: answerOf(value) ?? null,
      }
      return made(question, answerOf, { text: name, gives: 'text', isShort: true, oneOf: choices })
    }
    case 'date': {
      const answerOf = (one: unknown) => (typeof one === 'number' ? dateOf(one) : undefined)
      const question = {
        ...common,
        asks: 'date' as const,
        precision: 'day' as const,
        default: answerOf(value) ?? null,
        least: null,
        most: null,
      }
      return made(question, answerOf, dayNumber(name))
    }
    case 'yesNo': {
      const answerOf = (one: unknown) => (typeof one === 'boolean' ? one : undefined)
      return made({ ...common, asks: 'yesNo' as const, default: answerOf(value) ?? null }, answerOf, {
        text: name,
        gives: 'yesNo',
        isShort: true,
      })
    }
  }

  /** `times`: what makes a percentage of the cell's figure. */
  function percentQuestion(times: 1 | 100, text: string): CellQuestion | undefined {
    const whole = MOST.percent / times
    const answerOf = (one: unknown) => (isBetween(one, whole) ? percentOf(one, times) : undefined)
    const [least = 0, most = whole] = rangeOf(cell, 0, whole)
    const question = {
      ...common,
      asks: 'percent' as const,
      default: answerOf(value) ?? null,
      least: percentOf(least, times) ?? '0',
      most: percentOf(most, times) ?? String(MOST.percent),
      step: '0.01',
      slider: false,
    }
    return made(question, answerOf, number(text))
  }
  /** `months`: in one of what the cell counts. */
  function lengthQuestion(months: 1 | 12, text: string): CellQuestion | undefined {
    const longest = (MOST.years * 12) / months
    const answerOf = (one: unknown) => {
      const whole = isBetween(one, longest) ? wholeOf(one * months) : undefined
      return whole === undefined ? undefined : lengthOf(whole)
    }
    const [least = 0, most = longest] = rangeOf(cell, 0, longest)
    const question = {
      ...common,
      asks: 'term' as const,
      default: answerOf(value) ?? null,
      least: lengthOf(Math.round(least * months)),
      most: lengthOf(Math.round(most * months)),
      step: lengthOf(months),
    }
    return made(question, answerOf, number(text))
  }
}

/** What a cell's own rules allow, within what can be asked at all; what the file has is always allowed. */
function rangeOf({ least, most, value }: Cell, lowest: number, highest: number): [number, number] {
  const within = (bound: number) => Math.min(highest, Math.max(lowest, bound))
  const [from, to] = [within(least ?? lowest), within(most ?? highest)]
  const own = within(typeof value === 'number' ? value : 0)
  return from > to ? [lowest, highest] : [Math.min(from, own), Math.max(to, own)]
}

/** An answer as a number, where it is one: months of a length. */
export function sizeOf(answer: unknown): number | undefined {
  if (typeof answer === 'object' && answer !== null && 'years' in answer && 'months' in answer)
    return Number(answer.years) * 12 + Number(answer.months)
  return answer === null || answer === '' || Number.isNaN(Number(answer)) ? undefined : Number(answer)
}

/** Whether an answer lies between a question's least and most. */
export function isAllowed(question: Question, answer: unknown): boolean {
  if (!('least' in question) || !('most' in question)) return true
  const [own, least, most] = [answer, question.least, question.most].map(sizeOf)
  return own === undefined || (own >= (least ?? own) && own <= (most ?? own))
}

const Step = CalculatorDocument.shape.steps.element

/** A question that a document can have, and that the file's own value answers. */
function made(question: object, answerOf: CellQuestion['answerOf'], code: Code): CellQuestion | undefined {
  const { data } = Step.safeParse(question)
  return data?.kind === 'question' && data.default !== null ? { question: data, answerOf, code } : undefined
}

/** A whole number, or undefined: nothing is rounded that a person typed. */
function wholeOf(value: number): number | undefined {
  const whole = Math.round(value)
  return Math.abs(value - whole) < 1e-6 ? whole : undefined
}
