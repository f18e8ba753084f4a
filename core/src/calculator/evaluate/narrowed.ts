import type { Computed } from '../../formula/computed'
import { asDecimal } from '../../formula/evaluate-expression'
import type { Unit } from '../../formula/unit'
import { Decimal, ceilingOf, floorOf, greatestOf, leastOf } from '../../money/decimal'
import { LARGEST_AMOUNT, minor, type Minor } from '../../money/minor'
import { HIGHEST_PERCENT } from '../../rates/percent'
import type { Question } from '../document/questions'
import type { Share, TermLength } from '../document/document-shapes'
import { lengthOfMonths } from '../program/length-of-months'
import { shareOf } from '../answers/read-answer'

/** A bound that a formula gave. */
export interface FormulaBound {
  readonly value: Computed
  readonly unit: Unit
}
type Figure = number | string | Share | TermLength

/** Percentages keep so many decimals; a bound is rounded into the range it opens. */
const PERCENT_DECIMALS = 12
const LONGEST_MONTHS = 12_000

/**
 * The question as it is asked now: its least and most figures, or those that formulas give where they are narrower. What is
 * given is rounded towards the inside, to what an answer can say. `whole`: what a share is of.
 */
export function narrowed(
  question: Question,
  least: FormulaBound | undefined,
  most: FormulaBound | undefined,
  whole: Minor,
): Question {
  if (!('least' in question)) return question
  const size = (figure: Figure) => sizeOf(question.asks, figure, whole)
  const [from, to] = [
    least && figureOf(question.asks, least, 'up'),
    most && figureOf(question.asks, most, 'down'),
  ]
  const isHigher = from !== undefined && (question.least === null || size(from).gt(size(question.least)))
  const isLower = to !== undefined && (question.most === null || size(to).lt(size(question.most)))
  if (!isHigher && !isLower) return question
  return { ...question, ...(isHigher ? { least: from } : {}), ...(isLower ? { most: to } : {}) } as Question
}

const within = (value: Decimal, greatest: number): Decimal =>
  greatestOf(new Decimal(-greatest), leastOf(new Decimal(greatest), value))

/** A computed bound as the question's own figures are written. */
function figureOf(asks: Question['asks'], { value, unit }: FormulaBound, into: 'up' | 'down'): Figure {
  if (asks === 'date') return String(value)
  const decimal = asDecimal(value)
  const integer = (greatest: number) => {
    const whole = into === 'up' ? ceilingOf(decimal) : floorOf(decimal)
    return within(whole, greatest).toNumber()
  }
  const percent = () =>
    within(decimal, HIGHEST_PERCENT)
      .toDecimalPlaces(PERCENT_DECIMALS, into === 'up' ? Decimal.ROUND_CEIL : Decimal.ROUND_FLOOR)
      .toFixed()
  switch (asks) {
    case 'percent':
      return percent()
    case 'share':
      return unit.is === 'money' ? { money: minor(integer(LARGEST_AMOUNT)) } : { percent: percent() }
    case 'term': {
      const months = Math.max(0, integer(LONGEST_MONTHS))
      return lengthOfMonths(months)
    }
    case 'money':
    case 'number':
    case 'choice':
    case 'frequency':
    case 'yesNo':
    case 'loans':
      return integer(LARGEST_AMOUNT)
  }
}

/** Sizes of one question's figures compare as the figures do; a date's is its digits. */
function sizeOf(asks: Question['asks'], figure: Figure, whole: Minor): Decimal {
  if (asks === 'date') return new Decimal(String(figure).replaceAll('-', ''))
  if (typeof figure !== 'object') return new Decimal(figure)
  if ('years' in figure) return new Decimal(figure.years * 12 + figure.months)
  return new Decimal(shareOf(figure, whole).money)
}
