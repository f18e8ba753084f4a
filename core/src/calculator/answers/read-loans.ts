import { monthsInterest } from '../../lending/pay-off'
import { LARGEST_AMOUNT, minor, type Minor } from '../../money/minor'
import { LOAN_NAME, LONGEST_LOAN_NAME } from '../document/answer-limits'
import type { OwedLoanAnswer } from '../document/document-shapes'
import type { Question, QuestionOf } from '../document/questions'
import { isPercent, isWholeNumber, readOneAnswer } from './read-answer'
import type { LoanCell, Problem, Value } from '../program/evaluated'

type LoansQuestion = QuestionOf<'loans'>

/**
 * A list of loans from outside. The first thing that is wrong is told with its loan and what of it. Each loan has to be
 * repaid by its own payment: one that does not cover its interest is never done.
 */
export function readLoans(question: LoansQuestion, answer: unknown): Value | Problem {
  const { id: field, fewestLoans, mostLoans } = question
  if (!Array.isArray(answer)) return { code: 'ANSWER_UNREADABLE', field, wanted: 'loans' }
  if (answer.length < fewestLoans) return { code: 'LOANS_TOO_FEW', field, count: fewestLoans }
  if (answer.length > mostLoans) return { code: 'LOANS_TOO_MANY', field, count: mostLoans }
  const loans: OwedLoanAnswer[] = []
  for (const [at, one] of (answer as readonly unknown[]).entries()) {
    const read = readLoan(question, one, at)
    if ('code' in read) return read
    loans.push(read)
  }
  return { unit: 'loans', loans }
}

/** The name of a loan on the way to an answer, where it is one. */
const nameIn = (answer: unknown): string =>
  typeof answer === 'object' && answer !== null && 'name' in answer && typeof answer.name === 'string'
    ? answer.name.slice(0, LONGEST_LOAN_NAME)
    : ''

const COLUMNS = ['name', 'owed', 'rate', 'payment'] as const

function readLoan(question: LoansQuestion, answer: unknown, loan: number): OwedLoanAnswer | Problem {
  const { id: field, mostOwed, mostRate } = question
  const called = nameIn(answer)
  const at = (of: LoanCell['of']): LoanCell => ({ loan, name: called, of })
  const unreadable = (wanted: 'loans' | 'money' | 'percent', of: LoanCell['of']): Problem => ({
    code: 'ANSWER_UNREADABLE',
    field,
    wanted,
    at: at(of),
  })
  if (typeof answer !== 'object' || answer === null) return unreadable('loans', 'owed')
  if (Object.keys(answer).some((key) => !COLUMNS.some((column) => column === key)))
    return unreadable('loans', 'owed')
  const { name = '', owed, rate, payment } = answer as Partial<Record<string, unknown>>
  if (typeof name !== 'string' || name.length > LONGEST_LOAN_NAME || !LOAN_NAME.test(name))
    return unreadable('loans', 'name')
  for (const [of, value] of [
    ['owed', owed],
    ['rate', rate],
    ['payment', payment],
  ] as const)
    if (value === null || value === undefined) return { code: 'ANSWER_MISSING', field, at: at(of) }
  if (!isWholeNumber(owed)) return unreadable('money', 'owed')
  if (!isPercent(rate)) return unreadable('percent', 'rate')
  if (!isWholeNumber(payment)) return unreadable('money', 'payment')
  const below = (of: LoanCell['of'], least: Value): Problem => ({
    code: 'ANSWER_BELOW_LEAST',
    field,
    least,
    at: at(of),
  })
  const above = (of: LoanCell['of'], most: Value): Problem => ({
    code: 'ANSWER_ABOVE_MOST',
    field,
    most,
    at: at(of),
  })
  if (owed < 1) return below('owed', money(1))
  if (owed > mostOwed) return above('owed', money(mostOwed))
  if (Number(rate) < 0) return below('rate', { unit: 'percent', percent: '0' })
  if (Number(rate) > Number(mostRate)) return above('rate', { unit: 'percent', percent: mostRate })
  if (payment < 1) return below('payment', money(1))
  if (payment > LARGEST_AMOUNT) return above('payment', money(LARGEST_AMOUNT))
  const interest = monthsInterest({ owed, annualRate: rate })
  if (payment <= interest)
    return { code: 'LOAN_NEVER_REPAID', field, least: money(interest + 1), at: at('payment') }
  return { name: name.trim(), owed, rate, payment }
}

const money = (amount: number): Value => ({ unit: 'money', money: minor(amount) })

/** An answer of any kind from outside, as the parts of a page that have lists read it. */
export const readAnswer = (question: Question, answer: unknown, whole?: Minor): Value | Problem =>
  question.asks === 'loans' ? readLoans(question, answer) : readOneAnswer(question, answer, whole)
