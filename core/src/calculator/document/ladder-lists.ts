import type { Question } from './questions'
import type { ladderTerms } from './step-terms'

/** The term that lists the answers to a question for a ladder; a question with a few answers has all of them on it. */
export function answersOfLadder(question: Question): keyof typeof ladderTerms | undefined {
  switch (question.asks) {
    case 'money':
      return question.per === null ? 'amounts' : 'recurring'
    case 'percent':
      return 'rates'
    case 'share':
      return 'downPayments'
    case 'term':
      return 'lengths'
    case 'number':
      return question.counts === 'payments' ? 'counts' : 'numbers'
    case 'date':
      return 'dates'
    case 'choice':
    case 'yesNo':
    case 'frequency':
    case 'loans':
      return undefined
  }
}
