import type { Minor, MinorDigits, Question, Share } from '@vivid/core/evaluate'
import type { Figures } from './language'
import { readDate, readMoney, readPercent, readShare, readTerm, readWholeNumber } from './read-answer'

/** Which of the two a bare number means where an amount or a percentage is asked. */
export type ShareUnit = 'money' | 'percent'

/** What was typed for a question that cannot be read; the core then says what is wanted. */
export interface Unreadable {
  readonly unreadable: string
}

/** Where a text is typed: its locale, and how many decimals amounts have there. */
export interface TypedIn {
  readonly locale: string
  readonly minorDigits: MinorDigits
}

/** The answer in a typed text: null where nothing is typed. */
export function readTyped(
  question: Question,
  text: string,
  unit: ShareUnit,
  { locale, minorDigits }: TypedIn,
): unknown {
  if (text.trim() === '') return null
  return read() ?? ({ unreadable: text } satisfies Unreadable)

  function read(): unknown {
    switch (question.asks) {
      case 'money':
        return readMoney(text, locale, minorDigits)
      case 'percent':
        return readPercent(text, locale)
      case 'share':
        return readShare(text, locale, minorDigits, unit)
      case 'term':
        return readTerm(text, locale)
      case 'number':
        return readWholeNumber(text, locale)
      case 'date':
        return readDate(text, question.precision)
      case 'yesNo':
        return text === 'yes' ? true : text === 'no' ? false : undefined
      case 'choice':
      case 'frequency':
        return text
    }
  }
}

/** An answer as it stands in its field; a text that could not be read stays as it was typed. */
export function textOfAnswer(question: Question, answer: unknown, figures: Figures): string {
  if (answer === null || answer === undefined) return ''
  if (typeof answer === 'object' && 'unreadable' in answer) return String(answer.unreadable)
  switch (question.asks) {
    case 'money':
      return figures.moneyShort(answer as Minor)
    case 'percent':
      return figures.percent(String(answer))
    case 'share': {
      const share = answer as Share
      return 'percent' in share ? figures.percent(share.percent) : figures.moneyShort(share.money)
    }
    case 'term':
      return figures.term(answer as { years: number; months: number })
    case 'number':
      return figures.count(Number(answer))
    case 'date':
      return question.precision === 'month' ? String(answer).slice(0, 7) : String(answer)
    case 'yesNo':
      return answer === true ? 'yes' : 'no'
    case 'choice':
    case 'frequency':
      return String(answer)
  }
}

export const isUnreadable = (answer: unknown): answer is Unreadable =>
  typeof answer === 'object' && answer !== null && 'unreadable' in answer

export const unitOf = (answer: unknown): ShareUnit =>
  typeof answer === 'object' && answer !== null && 'money' in answer ? 'money' : 'percent'
