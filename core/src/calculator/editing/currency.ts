import { dequal as equal } from 'dequal/lite'
import { Decimal } from '../../money/decimal'
import { LARGEST_AMOUNT } from '../../money/minor'
import { roundWhole } from '../../money/rounding'
import { minorDigitsOf, type Currency } from '../../money/currencies'
import type { CalculatorDocument } from '../document/document'
import type { OwedLoanAnswer } from '../document/document-shapes'
import type { Question } from '../document/questions'

/**
 * The document in another currency: the same amounts in whole units, so that 412,600 stays 412,600 where the
 * currencies have different minor digits. Amounts are rounded to what the new currency can keep, and are at most what a
 * document can hold. With the document as it was in that currency (`earlier`), what was not changed meanwhile is as it was.
 */
export function inCurrency(
  document: CalculatorDocument,
  currency: Currency,
  earlier?: CalculatorDocument,
): CalculatorDocument {
  const turned = converted(document, currency)
  if (earlier?.currency !== currency) return turned
  return restored(document, converted(earlier, document.currency), earlier, turned) as CalculatorDocument
}

/** What is as the earlier value became is the earlier value again; the rest is turned. Lists are matched by identifier. */
function restored(now: unknown, became: unknown, earlier: unknown, turned: unknown): unknown {
  if (equal(now, became)) return earlier
  if (Array.isArray(now) && Array.isArray(became) && Array.isArray(earlier) && Array.isArray(turned)) {
    return now.map((item, i) => {
      const at = became.findIndex((other, k) =>
        hasId(item) ? hasId(other) && other.id === item.id : k === i,
      )
      return at === -1 ? turned[i] : restored(item, became[at], earlier[at], turned[i])
    })
  }
  if (!isRecord(now) || !isRecord(became) || !isRecord(earlier) || !isRecord(turned)) return turned
  return Object.fromEntries(
    Object.keys(now).map((key) => [key, restored(now[key], became[key], earlier[key], turned[key])]),
  )
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const hasId = (value: unknown): value is { readonly id: unknown } => isRecord(value) && 'id' in value

function converted(document: CalculatorDocument, currency: Currency): CalculatorDocument {
  const shift = minorDigitsOf[currency] - minorDigitsOf[document.currency]
  if (shift === 0) return { ...document, currency }
  const scaled = (amount: number) =>
    Math.min(LARGEST_AMOUNT, roundWhole(new Decimal(amount).times(new Decimal(10).pow(shift))).toNumber())
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
  if (question?.asks === 'loans' && Array.isArray(answer))
    return (answer as readonly OwedLoanAnswer[]).map((loan) => ({
      ...loan,
      owed: scaled(loan.owed),
      payment: scaled(loan.payment),
    }))
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
    case 'loans':
      return {
        ...question,
        default: of(question.default),
        mostOwed: Math.max(1, scaled(question.mostOwed)),
      }
    case 'percent':
    case 'number':
    case 'term':
    case 'yesNo':
    case 'date':
    case 'frequency':
      return question
  }
}
