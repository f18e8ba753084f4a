import type { OwnWords } from '../visitor'
import { minorDigitsOf, type Currency, type Minor, type Question, type Share } from '@vivid/core/evaluate'
import { groupMarkOf } from './intl'
import type { Figures } from './language'
import {
  cellQuestions,
  isBlank,
  listWritten,
  loanFigures,
  writtenLoans,
  type LoanAsRead,
  type LoanFigure,
} from './loan-list'
import {
  inItsSign,
  moneyReadings,
  readDate,
  readPercent,
  readTerm,
  shareReadings,
  wholeReadings,
  type Readings,
} from './read-answer'
import { MOST_TYPED } from './read-number'

/** Which of the two a bare number means where an amount or a percentage is asked. */
export type ShareUnit = 'money' | 'percent'

/** What was typed for a question that is no answer as it stands; the core then says what is wanted. */
export interface Unreadable {
  readonly unreadable: string
  /** Answers it could mean; one of them is not taken without being chosen. */
  readonly couldBe: readonly unknown[]
}

/** Where a text is typed: its locale, and the currency amounts have there. */
export interface TypedIn {
  readonly locale: string
  readonly currency: Currency
  /** What the lender words otherwise there. */
  readonly own?: OwnWords | undefined
}

/** The answer in a typed text: null where nothing is typed. */
export function readTyped(question: Question, text: string, unit: ShareUnit, place: TypedIn): unknown {
  if (text.trim() === '') return null
  // A list is read figure by figure.
  const isTooLong = text.length > MOST_TYPED && question.asks !== 'loans'
  const { isSure, all } = isTooLong ? nothing : readingsOfAnswer(question, text, unit, place)
  return isSure ? all[0] : ({ unreadable: text, couldBe: all } satisfies Unreadable)
}

const nothing = { isSure: false, all: [] }
const certain = (answer: unknown): Readings<unknown> =>
  answer === undefined ? nothing : { isSure: true, all: [answer] }

function readingsOfAnswer(
  question: Question,
  text: string,
  unit: ShareUnit,
  place: TypedIn,
): Readings<unknown> {
  const { locale, currency } = place
  switch (question.asks) {
    case 'money':
    case 'share': {
      const [amount, digits] = [inItsSign(text, currency, locale), minorDigitsOf[currency]]
      if (amount === undefined) return nothing
      return question.asks === 'money'
        ? moneyReadings(amount, locale, digits)
        : shareReadings(amount, locale, digits, unit)
    }
    case 'percent':
      return certain(readPercent(text, locale))
    case 'term':
      return certain(readTerm(text, locale, place.own))
    case 'number':
      return wholeReadings(text, locale)
    case 'date':
      return certain(readDate(text, question.precision))
    case 'yesNo':
      return certain(text === 'yes' ? true : text === 'no' ? false : undefined)
    case 'choice':
    case 'frequency':
      return certain(text)
    case 'loans':
      return loansReadings(text, place)
  }
}

/**
 * A list of loans as written, a line each. A cell that could be two things makes the list two things; one that cannot be read, or
 * is empty, stays in its loan, for the core to say where it is. A line with nothing in it is none.
 */
function loansReadings(text: string, place: TypedIn): Readings<unknown> {
  const { isList, loans } = writtenLoans(text)
  if (!isList) return nothing
  const read = loans
    .filter((loan) => !isBlank(loan))
    .map((loan) => ({
      name: loan.name,
      figures: loanFigures.map((figure) => readTyped(cellQuestions[figure], loan[figure], 'percent', place)),
    }))
  for (const [at, { figures }] of read.entries())
    for (const [cell, figure] of figures.entries())
      if (isUnreadable(figure) && figure.couldBe.length > 0)
        return {
          isSure: false,
          all: figure.couldBe.map((answer) =>
            read.map((one, i) =>
              loanAsRead(
                one.name,
                i === at ? figures.map((own, k) => (k === cell ? answer : own)) : one.figures,
              ),
            ),
          ),
        }
  return certain(read.length === 0 ? null : read.map(({ name, figures }) => loanAsRead(name, figures)))
}

function loanAsRead(name: string, figures: readonly unknown[]): Record<string, unknown> {
  const [owed, rate, payment] = figures.map((figure) =>
    isUnreadable(figure) ? { unreadable: figure.unreadable } : figure,
  )
  return { name, owed, rate, payment }
}

/** A list of loans as it is written: each a line, its name before its figures. */
function textOfLoans(answer: unknown, figures: Figures): string {
  const loans = Array.isArray(answer) ? (answer as readonly LoanAsRead[]) : []
  const said = (loan: LoanAsRead, figure: LoanFigure) =>
    textOfAnswer(cellQuestions[figure], loan[figure], figures)
  return listWritten(
    loans.map((loan) => ({
      name: loan.name,
      owed: said(loan, 'owed'),
      rate: said(loan, 'rate'),
      payment: said(loan, 'payment'),
    })),
  )
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
    case 'loans':
      return textOfLoans(answer, figures)
  }
}

export const isUnreadable = (answer: unknown): answer is Unreadable =>
  typeof answer === 'object' && answer !== null && 'unreadable' in answer

export const unitOf = (answer: unknown): ShareUnit =>
  typeof answer === 'object' && answer !== null && 'money' in answer ? 'money' : 'percent'

/**
 * What was understood of a typed text, where that differs from what stands there: "$98,500" for "98.5k", nothing for
 * "98500". Undefined where nothing was.
 */
export function understoodAs(
  question: Question,
  text: string,
  answer: unknown,
  figures: Figures,
): string | undefined {
  if (answer === null || isUnreadable(answer) || question.asks === 'loans') return undefined
  const said = textOfAnswer(question, answer, figures)
  const isNumber = question.asks !== 'term'
  const bare = (one: string) =>
    isNumber
      ? one.replace(/[\s\u200e\u200f]|\p{Sc}|\p{L}|%/gu, '')
      : one.replace(/\s+/g, ' ').trim().toLowerCase()
  const ungrouped = (one: string) => bare(one).replaceAll(groupMarkOf(figures.locale), '')
  // Letters may be a code, or a word that multiplies: then the digits differ.
  return ungrouped(said) === ungrouped(text) || bare(said) === bare(text) ? undefined : said
}
