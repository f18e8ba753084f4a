import type { CalculatorDocument, Proof, RateSheet } from '@vivid/core'
import { otherPerYear } from '../loans/rate-of'
import { ask, isNear } from './ask'
import { isAllowed, sizeOf } from './questions'
import type { AskedStep } from './taking'

/** Two texts that should come to the same, whatever is answered. */
export interface Claim {
  readonly is: string
  readonly as: string
}

/**
 * A claim holds where both sides have the same figure, for the file's own answers and for others. For some of the others what it
 * should come to may have none, as a loan that is never repaid has none: that is no wrong figure.
 */
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
    const isSame = (values: readonly (number | undefined)[]): boolean => {
      const [is, as] = [values[a], values[b]]
      return is !== undefined && as !== undefined && isNear(is, as)
    }
    const isRefused = (values: readonly (number | undefined)[]) => values[b] === undefined
    return isSame(own) && others.some(isSame) && others.every((one) => isSame(one) || isRefused(one))
  })
}

/** Every choice is tried, and figures often enough, up to so many times. */
const [FEWEST_TURNS, MOST_TURNS] = [4, 12] as const
/** In so many turns figures are a little more and less than in the file; in those after, on either side of what formulas compare them with. */
const NEAR_TURNS = 2

/** Answers that a visitor could give instead: every figure more or less, each by its own share, every choice another. */
function otherAnswers(asked: readonly AskedStep[]): Proof['answers'][] {
  const choices = asked.map(({ question }) => (question.asks === 'choice' ? question.options.length : 0))
  const sides = asked.map(({ thresholds }) => NEAR_TURNS + 2 * thresholds.length)
  const turns = Math.min(MOST_TURNS, Math.max(FEWEST_TURNS, ...choices, ...sides))
  return Array.from({ length: turns }, (_, turn) =>
    Object.fromEntries(
      asked.flatMap((one, at) => {
        const answer = otherAnswer(one, turn, at)
        return answer === undefined ? [] : [[one.question.id, answer]]
      }),
    ),
  )
}

/** `turn`: which of the others it is; `at`: the place of what is asked. */
function otherAnswer(
  { question, cell: { value: own }, answerOf, thresholds }: AskedStep,
  turn: number,
  at: number,
): Proof['answers'][string] | undefined {
  if (question.asks === 'choice') {
    const { options } = question
    const place = options.findIndex(({ name }) => name === question.default)
    return options[(place + turn + 1) % options.length]?.name
  }
  if (question.asks === 'yesNo')
    return (turn + at) % 2 === 0 ? question.default !== true : (question.default ?? undefined)
  if (typeof own !== 'number') return undefined
  const threshold = turn < NEAR_TURNS ? undefined : thresholds[((turn - NEAR_TURNS) >> 1) % thresholds.length]
  const value = threshold ?? own
  // More and less in every two turns: a shorter term ends a schedule within its rows, a longer one behind them. In every four turns
  // a figure and its neighbours go the same way and apart.
  const isMore = (turn + (turn % 4 < 2 ? at : at >> 1)) % 2 === 0
  const factor = 1 + ((isMore ? 1 : -1) * (1 + (((turn + 1) * (at + 3) * 7) % 19))) / 120
  // Whole figures stay whole: a length in years, a number of payments.
  const step = (1 + ((turn + at) % 3)) * (isMore ? 1 : -1)
  const often = question.asks === 'number' ? otherPerYear(value, turn) : undefined
  const tried = [
    ...(often === undefined ? [] : [often]),
    Number((value * factor).toPrecision(4)),
    value + step,
    value - step,
  ]
  return tried
    .map(answerOf)
    .find((answer) => answer !== undefined && isAbove(answer) && isAllowed(question, answer))
}

const isAbove = (answer: NonNullable<Proof['answers'][string]>): boolean => (sizeOf(answer) ?? 1) > 0
