import { Decimal } from '../../money/decimal'
import { minor, type Minor } from '../../money/minor'
import { roundDecimal } from '../../money/rounding'
import { frequencies, type Frequency } from '../../rates/frequency'
import { HIGHEST_PERCENT, isPlainDecimal } from '../../rates/percent'
import { isPlainDateAfter, readIsoDate } from '../../dates/plain-date'
import type { Question, QuestionOf } from '../document/questions'
import type { Share, TermLength } from '../document/document-shapes'
import type { AnswerKind, Problem, ShareValue, Value } from '../program/evaluated'
import { isNumeric, numberOf } from '../program/number-of'

/**
 * Reads one answer from outside against its question: the right shape, then the range. `whole` is the amount a
 * share is of. Returns a value, or the problem with it. A list is read by `readLoans`.
 */
export function readOneAnswer(
  question: Exclude<Question, { asks: 'loans' }>,
  answer: unknown,
  whole?: Minor,
): Value | Problem {
  switch (question.asks) {
    case 'money':
      return isWholeNumber(answer)
        ? inRange(question, moneyOf(question, answer))
        : unreadable(question, 'money')
    case 'percent':
      return isPercent(answer)
        ? inRange(question, { unit: 'percent', percent: answer })
        : unreadable(question, 'percent')
    case 'share':
      return isShare(answer)
        ? shareInRange(question, shareOf(comparable(answer), whole ?? minor(0)), whole ?? minor(0))
        : unreadable(question, 'share')
    case 'term':
      return isLength(answer) ? inRange(question, { unit: 'term', ...answer }) : unreadable(question, 'term')
    case 'number':
      return isWholeNumber(answer)
        ? inRange(question, numberValue(question, answer))
        : unreadable(question, 'number')
    case 'choice':
      return readChoice(question, answer)
    case 'yesNo':
      return typeof answer === 'boolean' ? { unit: 'yesNo', yes: answer } : unreadable(question, 'yesNo')
    case 'date':
      return typeof answer === 'string' && readIsoDate(answer)
        ? dateInRange(question, answer)
        : unreadable(question, 'date')
    case 'frequency':
      return readFrequency(question, answer)
  }
}

export const isProblem = (result: Value | Problem): result is Problem => 'code' in result

/** A share of a whole amount, known both as money (nearest minor unit) and as a percentage. */
export function shareOf(share: Share, whole: Minor): ShareValue {
  if ('percent' in share) {
    const exact = new Decimal(share.percent).times(whole).div(100)
    return { unit: 'share', money: roundDecimal(exact), percent: share.percent, typed: 'percent' }
  }
  const percent =
    whole === 0 ? '0' : new Decimal(share.money).times(100).div(whole).toDecimalPlaces(2).toFixed()
  return { unit: 'share', money: minor(share.money), percent, typed: 'money' }
}

/** A percentage that an amount can be worked out of; beyond it all are out of range alike. */
function comparable(share: Share): Share {
  if ('money' in share) return share
  const percent = Number(share.percent)
  return Math.abs(percent) > HIGHEST_PERCENT
    ? { percent: String(Math.sign(percent) * HIGHEST_PERCENT) }
    : share
}

const money = (amount: number): Value => ({ unit: 'money', money: minor(amount) })
const moneyOf = ({ per }: QuestionOf<'money'>, amount: number): Value => ({
  unit: 'money',
  money: minor(amount),
  ...(per === null ? {} : { per }),
})
const numberValue = ({ counts }: QuestionOf<'number'>, n: number): Value =>
  counts === 'payments' ? { unit: 'count', count: String(n) } : { unit: 'number', number: String(n) }

const unreadable = ({ id }: Question, wanted: AnswerKind): Problem => ({
  code: 'ANSWER_UNREADABLE',
  field: id,
  wanted,
})

/** A whole number; an amount, in minor units. What is too large for its question is out of its range. */
export const isWholeNumber = (answer: unknown): answer is number =>
  typeof answer === 'number' && Number.isSafeInteger(answer)

export const isPercent = (answer: unknown): answer is string =>
  typeof answer === 'string' && isPlainDecimal(answer)

function isShare(answer: unknown): answer is Share {
  if (typeof answer !== 'object' || answer === null || Object.keys(answer).length !== 1) return false
  return (
    ('money' in answer && isWholeNumber(answer.money)) || ('percent' in answer && isPercent(answer.percent))
  )
}

function isLength(answer: unknown): answer is TermLength {
  if (typeof answer !== 'object' || answer === null || Object.keys(answer).length !== 2) return false
  const { years, months } = answer as Partial<Record<string, unknown>>
  return isCount(years, 1000) && isCount(months, 11)
}

const isCount = (value: unknown, most: number) =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= most

function readFrequency({ id, options }: QuestionOf<'frequency'>, answer: unknown): Value | Problem {
  if (typeof answer !== 'string') return { code: 'ANSWER_UNREADABLE', field: id, wanted: 'frequency' }
  const offered = Object.hasOwn(frequencies, answer) && options.includes(answer as Frequency)
  return offered
    ? { unit: 'frequency', frequency: answer as Frequency }
    : { code: 'ANSWER_NOT_AN_OPTION', field: id, options }
}

/** The option chosen: its name as a text, or the value that stands beside it. */
function readChoice({ id, options, gives }: QuestionOf<'choice'>, answer: unknown): Value | Problem {
  if (typeof answer !== 'string') return { code: 'ANSWER_UNREADABLE', field: id, wanted: 'choice' }
  const option = options.find(({ name }) => name === answer)
  if (!option) return { code: 'ANSWER_NOT_AN_OPTION', field: id, options: options.map(({ name }) => name) }
  const { value } = option
  switch (gives) {
    case 'name':
      return { unit: 'text', text: option.name, option: id }
    case 'money':
      return money(Number(value))
    case 'percent':
      return { unit: 'percent', percent: String(value) }
    case 'number':
      return { unit: 'number', number: String(value) }
    case 'term':
      return { unit: 'term', ...(value as TermLength) }
  }
}

function dateInRange({ id, least, most }: QuestionOf<'date'>, date: string): Value | Problem {
  const isAfter = (a: string, b: string) => {
    const [x, y] = [readIsoDate(a), readIsoDate(b)]
    return x !== undefined && y !== undefined && isPlainDateAfter(x, y)
  }
  if (least !== null && isAfter(least, date))
    return { code: 'ANSWER_BELOW_LEAST', field: id, least: { unit: 'date', date: least } }
  if (most !== null && isAfter(date, most))
    return { code: 'ANSWER_ABOVE_MOST', field: id, most: { unit: 'date', date: most } }
  return { unit: 'date', date }
}

type Ranged = QuestionOf<'money' | 'percent' | 'term' | 'number'>

function inRange(question: Ranged, value: Value): Value | Problem {
  const [least, most] = boundsOf(question)
  if (sizeOf(value).lessThan(sizeOf(least))) return { code: 'ANSWER_BELOW_LEAST', field: question.id, least }
  if (sizeOf(value).greaterThan(sizeOf(most))) return { code: 'ANSWER_ABOVE_MOST', field: question.id, most }
  return value
}

function shareInRange(question: QuestionOf<'share'>, value: ShareValue, whole: Minor): Value | Problem {
  const least = shareOf(question.least, whole)
  const most = shareOf(question.most, whole)
  if (value.money < least.money)
    return {
      code: 'ANSWER_BELOW_LEAST',
      field: question.id,
      least,
      missing: money(least.money - value.money),
    }
  if (value.money > whole) return { code: 'SHARE_ABOVE_WHOLE', field: question.id, whole: money(whole) }
  if (value.money > most.money) return { code: 'ANSWER_ABOVE_MOST', field: question.id, most }
  return value
}

/** The least and the most a question takes, as values. */
function boundsOf(question: Ranged): readonly [Value, Value] {
  switch (question.asks) {
    case 'money':
      return [moneyOf(question, question.least), moneyOf(question, question.most)]
    case 'number':
      return [numberValue(question, question.least), numberValue(question, question.most)]
    case 'percent':
      return [
        { unit: 'percent', percent: question.least },
        { unit: 'percent', percent: question.most },
      ]
    case 'term':
      return [
        { unit: 'term', ...question.least },
        { unit: 'term', ...question.most },
      ]
  }
}

/** The size of a value that can be compared with another of its unit. */
function sizeOf(value: Value): Decimal {
  if (!isNumeric(value)) throw new Error(`a ${value.unit} has no size`)
  return numberOf(value)
}
