import { Decimal } from '../money/decimal'
import { roundWhole } from '../money/rounding'
import { minorDigitsOf, type Currency } from '../money/currencies'
import type { CalculatorDocument } from './document/document'
import type { Question } from './document/questions'

/**
 * The document in another currency: the same amounts in whole units, so that 412,600 stays 412,600 where the
 * currencies have different minor digits. Amounts are rounded to what the new currency can keep.
 */
export function inCurrency(document: CalculatorDocument, currency: Currency): CalculatorDocument {
  const shift = minorDigitsOf[currency] - minorDigitsOf[document.currency]
  if (shift === 0) return { ...document, currency }
  const scaled = (amount: number) =>
    roundWhole(new Decimal(amount).times(new Decimal(10).pow(shift))).toNumber()
  const questions = new Map(
    document.steps.flatMap((step) => (step.kind === 'question' ? [[step.id, step] as const] : [])),
  )
  const answers = <T extends Record<string, unknown>>(given: T): T =>
    Object.fromEntries(
      Object.entries(given).map(([id, answer]) => [id, scaledAnswer(questions.get(id), answer, scaled)]),
    ) as T
  return {
    ...document,
    currency,
    steps: document.steps.map((step) => (step.kind === 'question' ? scaledQuestion(step, scaled) : step)),
    samples: document.samples.map((sample) => ({ ...sample, answers: answers(sample.answers) })),
    proofs: document.proofs.map((proof) => ({ ...proof, answers: answers(proof.answers) })),
  }
}

type Scale = (amount: number) => number

function scaledAnswer(question: Question | undefined, answer: unknown, scaled: Scale): unknown {
  if (question?.asks === 'money' && typeof answer === 'number') return scaled(answer)
  if (question?.asks === 'share' && isMoneyShare(answer)) return { money: scaled(answer.money) }
  return answer
}

const isMoneyShare = (answer: unknown): answer is { money: number } =>
  typeof answer === 'object' && answer !== null && 'money' in answer && typeof answer.money === 'number'

function scaledQuestion(question: Question, scaled: Scale): Question {
  const of = <T>(answer: T): T => scaledAnswer(question, answer, scaled) as T
  switch (question.asks) {
    case 'money':
      return {
        ...question,
        default: of(question.default),
        least: of(question.least),
        most: of(question.most),
        step: Math.max(1, of(question.step)),
        usual: question.usual && { least: scaled(question.usual.least), most: scaled(question.usual.most) },
      }
    case 'share':
      return {
        ...question,
        default: of(question.default),
        least: of(question.least),
        most: of(question.most),
        step: of(question.step),
      }
    case 'choice':
      return question.gives === 'money'
        ? {
            ...question,
            options: question.options.map((option) => ({
              ...option,
              value: typeof option.value === 'number' ? scaled(option.value) : option.value,
            })),
          }
        : question
    case 'percent':
    case 'number':
    case 'term':
    case 'yesNo':
    case 'date':
    case 'frequency':
      return question
  }
}
