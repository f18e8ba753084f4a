import type { Answers, Program } from '@vivid/core/evaluate'
import { isUnreadable, readTyped } from '@vivid/contract/wording'

/** Answers in a page's address (`?homePrice=500,000&downPayment=20%`): what can be read of them, and no more. */
export function presetAnswers(program: Program, query: URLSearchParams): Answers {
  const answers: Record<string, unknown> = {}
  for (const question of program.steps) {
    const text = question.kind === 'question' ? query.get(question.id) : null
    if (question.kind !== 'question' || text === null) continue
    const answer = readTyped(question, text, 'percent', program)
    if (answer !== null && !isUnreadable(answer)) answers[question.id] = answer
  }
  return answers
}
