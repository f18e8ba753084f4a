import type { CalculatorDocument, Proof, RateSheet } from '@vivid/core'
import type { AskedStep } from './taking'
import { ask, isNear } from './ask'

/** Two texts that should come to the same, whatever is answered. */
export interface Claim {
  readonly is: string
  readonly as: string
}

/** A claim holds where both sides have the same figure for the file's own answers and for others, as often as both have one. */
export function holding(
  document: CalculatorDocument,
  asked: readonly AskedStep[],
  claims: readonly Claim[],
  sheets: readonly RateSheet[] = [],
): boolean[] {
  if (claims.length === 0) return []
  const texts = [...new Set(claims.flatMap((claim) => [claim.is, claim.as]))]
  const at = new Map(texts.map((text, i) => [text, i]))
  const [own = [], ...others] = ask(document, texts, [{}, ...otherAnswers(asked)], sheets)
  return claims.map((claim) => {
    const [a = -1, b = -1] = [at.get(claim.is), at.get(claim.as)]
    const isSame = (values: readonly (number | undefined)[], where: boolean) => {
      const [x, y] = [values[a], values[b]]
      return x === undefined || y === undefined ? where : isNear(x, y)
    }
    return isSame(own, false) && others.every((values) => isSame(values, true))
  })
}

const FACTORS = [1.09, 0.88, 1.31] as const
/** Every choice is tried, up to so many. */
const MOST_TURNS = 12

/** Answers that a visitor could give instead: every figure a little more or less, every choice another. */
function otherAnswers(asked: readonly AskedStep[]): Proof['answers'][] {
  const turns = Math.min(
    MOST_TURNS,
    Math.max(
      FACTORS.length,
      ...asked.map(({ question }) => (question.asks === 'choice' ? question.options.length : 0)),
    ),
  )
  return Array.from({ length: turns }, (_, turn) =>
    Object.fromEntries(
      asked.flatMap((one) => {
        const answer = otherAnswer(one, turn)
        return answer === undefined ? [] : [[one.question.id, answer]]
      }),
    ),
  )
}

function otherAnswer(
  { question, cell, answerOf }: AskedStep,
  turn: number,
): Proof['answers'][string] | undefined {
  if (question.asks === 'choice') {
    const { options } = question
    const own = options.findIndex(({ name }) => name === question.default)
    return options[(own + turn + 1) % options.length]?.name
  }
  if (typeof cell.value !== 'number') return undefined
  const factor = FACTORS[turn % FACTORS.length] ?? 1
  const { value } = cell
  // Whole figures stay whole: a length in years, a number of payments.
  const step = 1 + (turn % FACTORS.length)
  const tried = [
    Number((value * factor).toPrecision(4)),
    value + (factor > 1 ? step : -step),
    value - step,
    value + step,
  ]
  return tried.map(answerOf).find((answer) => answer !== undefined && isAllowed(question, answer))
}

function isAllowed(question: AskedStep['question'], answer: Proof['answers'][string]): boolean {
  const figure = (value: unknown): number | undefined => {
    if (typeof value === 'object' && value !== null && 'years' in value && 'months' in value)
      return Number(value.years) * 12 + Number(value.months)
    return value === null || value === '' ? undefined : Number(value)
  }
  if (!('least' in question) || !('most' in question)) return true
  const [own, least, most] = [answer, question.least, question.most].map(figure)
  return own !== undefined && own > 0 && own >= (least ?? own) && own <= (most ?? own)
}
