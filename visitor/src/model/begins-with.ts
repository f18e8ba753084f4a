import type { Question } from '@vivid/core/evaluate'
import type { CalculatorSource } from './calculator-source'

/** What a question is answered with before anybody answers it. */
export const defaultOf = (question: Question, { today }: Pick<CalculatorSource, 'today'>): unknown =>
  question.asks === 'date' && question.default === 'today' ? today : question.default

/** What a page begins with: what it was given, and that may be nothing, else the default. */
export const beginsWith = (
  question: Question,
  source: Pick<CalculatorSource, 'answers' | 'today'>,
): unknown =>
  Object.hasOwn(source.answers, question.id) ? source.answers[question.id] : defaultOf(question, source)
