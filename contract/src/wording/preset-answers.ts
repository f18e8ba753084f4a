import type { Answers, Evaluation, OwedLoanAnswer, Program, Question } from '@vivid/core/evaluate'
import { isUnreadable, readTyped, textOfAnswer } from './answer-text'
import type { Figures } from './language'
import { listWritten } from './loan-list'

/** Numbers of answers that are kept as text have a decimal point, whatever the calculator's language. */
export const PLAIN_LOCALE = 'en-CA'

export interface PresetAnswers {
  readonly answers: Answers
  /** Questions whose answer could not be read or is not allowed; they begin as usual. */
  readonly refused: readonly string[]
}

/**
 * Reads answers a page is to begin with, by question id, as typed in `locale`. What cannot be read or is refused by
 * the evaluation is left out and named; ids that are no question's are passed over.
 */
export function readPresets(
  { steps, currency, words: own }: Program,
  texts: ReadonlyMap<string, string>,
  locale: string,
  evaluate: (answers: Answers) => Evaluation,
): PresetAnswers {
  const answers: Record<string, unknown> = {}
  const refused: string[] = []
  for (const { step } of steps) {
    const text = step.kind === 'question' ? texts.get(step.id) : undefined
    if (step.kind !== 'question' || !text?.trim()) continue
    const answer = readTyped(step, text, 'percent', { locale, currency, own })
    if (isUnreadable(answer)) refused.push(step.id)
    else answers[step.id] = answer
  }
  // One that is left out may be what another was measured by.
  for (;;) {
    if (Object.keys(answers).length === 0) return { answers, refused }
    const wrong = evaluate(answers).problems.filter(({ field }) => Object.hasOwn(answers, field))
    if (wrong.length === 0) return { answers, refused }
    for (const { field } of wrong) {
      delete answers[field]
      if (!refused.includes(field)) refused.push(field)
    }
  }
}

/** An answer as kept in text: like `textOfAnswer`, with its number in plain decimals. `figures` are of `PLAIN_LOCALE`. */
export function plainAnswer(question: Question, answer: unknown, figures: Figures): string {
  const amount = (minor: number) => (minor / 10 ** figures.digits).toFixed(figures.digits)
  if (answer === null || answer === undefined) return ''
  if (question.asks === 'money') return amount(Number(answer))
  if (question.asks === 'percent' || question.asks === 'number') return String(answer)
  if (question.asks === 'share' && typeof answer === 'object') {
    if ('percent' in answer) return `${String(answer.percent)}%`
    if ('money' in answer) return `${figures.currency} ${amount(Number(answer.money))}`
  }
  if (question.asks === 'loans' && Array.isArray(answer))
    return listWritten(
      (answer as readonly OwedLoanAnswer[]).map(({ name, owed, rate, payment }) => ({
        name,
        owed: amount(owed),
        rate,
        payment: amount(payment),
      })),
    )
  return textOfAnswer(question, answer, figures)
}
