import { partOf, partsAt, partText, type Part } from '../loans/annuity'
import type { Figure } from '../loans/figure'
import { isNear } from '../take/ask'
import type { Claim } from '../take/claims'
import type { Settled } from './settled'

/** What part of a loan a figure may be, and what has to hold for other answers for it to be that. */
export interface Guess {
  readonly part: Part
  readonly k: string | undefined
  readonly isNegative: boolean
  readonly claim: Claim
}

/** The parts of a loan that a figure may be. */
export function guessesFor(
  figure: Figure,
  { text, value, isAtStart }: Settled,
  near: readonly Figure[],
  minorDigits: number,
): Guess[] {
  const guesses: Guess[] = []
  const wanted = Math.abs(figure.value)
  const cents = 10 ** minorDigits
  const [to, rounded] = [
    minorDigits === 0 ? '1' : `0.${'0'.repeat(minorDigits - 1)}1`,
    Math.round(value.payment * cents) / cents,
  ]
  // Many worksheets round what is paid, and nothing else.
  const ways = [
    { value, text },
    { value: { ...value, payment: rounded }, text: { ...text, payment: `round(${text.payment}, ${to})` } },
  ]
  const tryPart = (part: Part, k?: Figure) => {
    const way = ways.find((one) => isNear(Math.abs(partOf(part, one.value, k?.value)), wanted))
    const own = way ? partOf(part, way.value, k?.value) : 0
    if (!way || own === 0) return
    const isNegative = figure.value * own < 0
    const as = partText(part, way.text, k?.text)
    guesses.push({
      part,
      k: k?.text,
      isNegative,
      claim: { is: figure.text, as: isNegative ? `(-(${as}))` : as },
    })
  }
  tryPart('payment')
  tryPart('totalInterest')
  if (value.left === 0) tryPart('totalPaid')
  if (!Number.isInteger(value.count)) tryPart('count')
  if (isAtStart) return guesses
  for (const k of near)
    if (Number.isInteger(k.value) && k.value >= 1 && k.value <= value.count && k.of?.is !== 'number')
      for (const part of partsAt) tryPart(part, k)
  return guesses
}
