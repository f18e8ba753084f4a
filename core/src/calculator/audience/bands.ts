import { MOST_LOANS } from '../../lending/most-loans'
import type { MinorDigits } from '../../money/currencies'
import type { Question } from '../document/questions'
import type { Value } from '../program/evaluated'

/** Where amounts and plain numbers are cut: at these multiples of each power of ten. */
const CUTS = [1, 1.5, 2, 3, 4, 5, 6, 8]
/** Percentages of something are cut every five points, annual rates at each; lengths every five years. */
const SHARE_POINTS = 5
const YEARS = 5

/**
 * The coarse band a visitor's answer lies in, as the text of its lower end: whole money ("300000"), points ("4"), years
 * ("25"), what was chosen, or how many loans. It says less than the answer, by design. Undefined for values that are not answers.
 */
export function bandOf(value: Value, minorDigits: MinorDigits): string | undefined {
  switch (value.unit) {
    case 'money':
      return cut(value.money / 10 ** minorDigits)
    case 'share':
      return stepped(Number(value.percent), SHARE_POINTS)
    case 'percent':
      return stepped(Number(value.percent), 1)
    case 'number':
      return cut(Number(value.number))
    case 'count':
      return cut(Number(value.count))
    case 'term':
      return stepped(value.years + value.months / 12, YEARS)
    case 'date':
      return value.date.slice(0, 4)
    case 'yesNo':
      return value.yes ? 'yes' : 'no'
    case 'text':
      return value.text
    case 'frequency':
      return value.frequency
    case 'loans':
      return String(value.loans.length)
    default:
      return undefined
  }
}

/** Whether a text names a band that an answer to a question can lie in: what strangers send is checked before it is kept. */
export function isBandOf(question: Question, band: string): boolean {
  const low = Number(band)
  const isNumber = /^\d{1,13}(\.5)?$/.test(band) && low < 1e13
  switch (question.asks) {
    case 'choice':
      return question.options.some(({ name }) => name === band)
    case 'frequency':
      return question.options.some((name) => name === band)
    case 'loans':
      return /^\d{1,2}$/.test(band) && low <= MOST_LOANS && String(low) === band
    case 'yesNo':
      return band === 'yes' || band === 'no'
    case 'date':
      return /^(19|20|21)\d\d$/.test(band)
    case 'money':
    case 'number':
      return isNumber && cut(low) === band
    case 'percent':
      return isNumber && low <= 1_000 && stepped(low, 1) === band
    case 'share':
      return isNumber && low <= 100 && stepped(low, SHARE_POINTS) === band
    case 'term':
      return isNumber && low <= 100 && stepped(low, YEARS) === band
  }
}

/** The upper end of a band that is cut or stepped, for saying it; undefined where a band is no range. */
export function bandEnd(band: string, unit: Value['unit']): number | undefined {
  const low = Number(band)
  switch (unit) {
    case 'money':
    case 'number':
    case 'count': {
      if (low === 0) return 1
      const power = 10 ** Math.floor(Math.log10(low))
      return power * (CUTS.find((at) => at * power > low * 1.000001) ?? 10)
    }
    case 'share':
      return low + SHARE_POINTS
    case 'percent':
      return low + 1
    case 'term':
      return low + YEARS
    default:
      return undefined
  }
}

const stepped = (amount: number, step: number): string =>
  String(Math.max(0, Math.floor(amount / step + 1e-9) * step))

function cut(amount: number): string {
  if (!(amount >= 1)) return '0'
  const power = 10 ** Math.floor(Math.log10(amount) + 1e-12)
  const at = CUTS.filter((one) => one * power <= amount * (1 + 1e-12)).at(-1) ?? 1
  return String(Math.round(at * power * 10) / 10)
}
