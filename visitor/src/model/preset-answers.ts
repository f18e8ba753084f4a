import type { Answers, Program } from '@vivid/core/evaluate'
import { isUnreadable, readTyped } from '@vivid/contract/wording'

/** Answers in a page's address (`?homePrice=500,000&downPayment=20%`): what can be read of them, and no more. */
export function presetAnswers(program: Program, query: URLSearchParams, language: string): Answers {
  const answers: Record<string, unknown> = {}
  const typedIn = { locale: language, minorDigits: program.minorDigits }
  for (const { step } of program.steps) {
    const text = step.kind === 'question' ? query.get(step.id) : null
    if (step.kind !== 'question' || text === null) continue
    const answer = readTyped(step, text, 'percent', typedIn)
    if (answer !== null && answer !== undefined && !isUnreadable(answer)) answers[step.id] = answer
  }
  return answers
}
