import { Decimal, type Proof, type Question } from '@vivid/core'
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

const percentOf = (fraction: number): string => new Decimal(String(fraction)).times(100).toFixed()
const lengthOf = (months: number) => ({ years: Math.floor(months / 12), months: months % 12 })

/** `minor`: minor units of its currency in a whole one. Undefined where no question can have the cell's value: it stays as it stands. */
export function questionFor(
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
  const { least = 0, most } = cell
  switch (unit) {
    case 'money': {
      const answerOf = (one: unknown) => (isBetween(one, MOST_MONEY) ? wholeOf(one * minor) : undefined)
      const question = {
        ...common,
        asks: 'money' as const,
        per: null,
        default: answerOf(value) ?? null,
        least: Math.max(0, Math.round(least * minor)),
        most: Math.round((most ?? MOST_MONEY) * minor),
        step: minor,
        slider: false,
        usual: null,
      }
      return made(question, answerOf, number(`(${name} / as money(1))`))
    }
    case 'percent': {
      const answerOf = (one: unknown) => (isBetween(one, MOST.percent / 100) ? percentOf(one) : undefined)
      return made(
        percentQuestion(percentOf(least), percentOf(most ?? 1), answerOf(value)),
        answerOf,
        number(`as number(${name})`),
      )
    }
    case 'percentNumber': {
      const answerOf = (one: unknown) =>
        isBetween(one, MOST.percent) ? new Decimal(String(one)).toFixed() : undefined
      return made(
        percentQuestion(String(least), String(most ?? MOST.percent), answerOf(value)),
        answerOf,
        number(`(as number(${name}) * 100)`),
      )
    }
    case 'years':
      return lengthQuestion(
        (one) => (isBetween(one, MOST.years) ? wholeOf(one * 12) : undefined),
        12,
        `in years(${name})`,
      )
    case 'months':
      return lengthQuestion(
        (one) => (isBetween(one, MOST.years * 12) ? wholeOf(one) : undefined),
        1,
        `in months(${name})`,
      )
    case 'payments':
    case 'number': {
      const answerOf = (one: unknown) =>
        typeof one === 'number' && Math.abs(one) <= MOST.number ? wholeOf(one) : undefined
      const question = {
        ...common,
        asks: 'number' as const,
        counts: 'things' as const,
        default: answerOf(value) ?? null,
        least: Math.ceil(cell.least ?? -MOST.number),
        most: Math.floor(most ?? MOST.number),
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
      return choices.length > 60
        ? undefined
        : made(question, answerOf, { text: name, gives: 'text', isShort: true, oneOf: choices })
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

  function percentQuestion(from: string, to: string, byDefault: string | undefined) {
    return {
      ...common,
      asks: 'percent' as const,
      default: byDefault ?? null,
      least: from,
      most: to,
      step: '0.01',
      slider: false,
    }
  }
  function lengthQuestion(monthsOf: (one: unknown) => number | undefined, perUnit: number, text: string) {
    const answerOf = (one: unknown) => {
      const months = monthsOf(one)
      return months === undefined ? undefined : lengthOf(months)
    }
    const question = {
      ...common,
      asks: 'term' as const,
      default: answerOf(value) ?? null,
      least: lengthOf(Math.max(0, Math.round(least * perUnit))),
      most: lengthOf(Math.round((most ?? (MOST.years * 12) / perUnit) * perUnit)),
      step: lengthOf(perUnit),
    }
    return made(question, answerOf, number(text))
  }
}

function made(question: Question, answerOf: CellQuestion['answerOf'], code: Code): CellQuestion | undefined {
  return question.default === null ? undefined : { question, answerOf, code }
}

/** A whole number, or undefined: nothing is rounded that a person typed. */
function wholeOf(value: number): number | undefined {
  const whole = Math.round(value)
  return Math.abs(value - whole) < 1e-6 ? whole : undefined
}
