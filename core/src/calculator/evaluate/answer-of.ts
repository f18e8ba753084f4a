import { isoDate, type PlainDate } from '../../dates/plain-date'
import { timesAYear } from '../../formula/unit'
import { Decimal } from '../../money/decimal'
import { ZERO, type Minor } from '../../money/minor'
import type { Question, QuestionOf } from '../document/questions'
import type { Answers } from '../program/program'
import type { Doubt, Problem, Value } from '../program/evaluated'
import { isProblem, readOneAnswer } from '../answers/read-answer'
import type { Further } from './further'

/** A question answered: its value, or the problem with it. */
export interface Answered {
  readonly value?: Value | undefined
  readonly problem?: Problem | undefined
  readonly doubt?: Doubt | undefined
  readonly hidden?: boolean
}

/**
 * The answer to a question: what was answered, else its default. Hidden it counts as its default or as nothing, by its
 * author's choice; optional and empty as nothing (a choice or a date as its default). `whole` is what a share is of.
 * A program that was frozen before there was such a choice has none: there, hidden is nothing.
 */
export function answerOf(
  question: Question,
  answers: Answers,
  isShown: boolean,
  whole: Minor | 'unknown' | undefined,
  today: PlainDate,
  further?: Pick<Further, 'readLoans'>,
): Answered {
  const { id } = question
  const byDefault =
    question.asks === 'date' && question.default === 'today' ? isoDate(today) : question.default
  const wholeAmount = whole === 'unknown' || whole === undefined ? undefined : whole
  const read = (answer: unknown): Answered => {
    const result =
      question.asks === 'loans'
        ? further?.readLoans(question, answer)
        : readOneAnswer(question, answer, wholeAmount)
    if (!result) throw new Error('nothing reads lists')
    return isProblem(result) ? { problem: result } : { value: result, doubt: periodDoubt(question, result) }
  }
  if (!isShown) return { value: hiddenValue(), hidden: true }
  const answer = Object.hasOwn(answers, id) ? answers[id] : byDefault
  if (answer === null || answer === undefined) {
    if (question.required) return { problem: { code: 'ANSWER_MISSING', field: id } }
    return { value: nothing(question, byDefault, wholeAmount) }
  }
  // What a share is of is wrong: that is told where it is asked.
  return question.asks === 'share' && whole === 'unknown' ? {} : read(answer)

  function hiddenValue(): Value | undefined {
    const counted =
      question.whenHidden === 'default' && byDefault !== null ? read(byDefault).value : undefined
    return counted ?? nothing(question, byDefault, wholeAmount)
  }
}

function nothing(question: Question, byDefault: unknown, whole: Minor | undefined): Value | undefined {
  switch (question.asks) {
    case 'money':
      return { unit: 'money', money: ZERO, ...(question.per === null ? {} : { per: question.per }) }
    case 'percent':
      return { unit: 'percent', percent: '0' }
    case 'share':
      return { unit: 'share', money: ZERO, percent: '0', typed: 'money' }
    case 'number':
      return question.counts === 'payments' ? { unit: 'count', count: '0' } : { unit: 'number', number: '0' }
    case 'term':
      return { unit: 'term', years: 0, months: 0 }
    case 'yesNo':
      return { unit: 'yesNo', yes: false }
    case 'loans':
      return { unit: 'loans', loans: [] }
    case 'choice':
    case 'date':
    case 'frequency': {
      const result = byDefault === null ? undefined : readOneAnswer(question, byDefault, whole)
      return result && !isProblem(result) ? result : undefined
    }
  }
}

/** An amount outside of what is usual that another period would bring into it: 100 a year where 1,200 is usual. */
function periodDoubt(question: Question, value: Value): Doubt | undefined {
  if (question.asks !== 'money' || question.per === null || question.usual === null || value.unit !== 'money')
    return undefined
  const { usual, per } = question
  const isUsual = (amount: Decimal) =>
    amount.greaterThanOrEqualTo(usual.least) && amount.lessThanOrEqualTo(usual.most)
  const amount = new Decimal(value.money)
  if (amount.isZero() || isUsual(amount)) return undefined
  const fits = otherPeriods(per).find((other) =>
    isUsual(amount.times(timesAYear[other]).div(timesAYear[per])),
  )
  return fits && { code: 'PERIOD_DOUBTED', field: question.id, per, fits, value }
}

const otherPeriods = (per: NonNullable<QuestionOf<'money'>['per']>) =>
  (['month', 'year'] as const).filter((other) => other !== per)
