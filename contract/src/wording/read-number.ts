import { readingsOf as readingsWith, type NumberKind } from '@vivid/core/evaluate'
import { perLocale } from './intl'

export {
  DIRECTION_MARKS,
  MOST_TYPED,
  isMultiplier,
  readBy,
  saysMoney,
  saysPercent,
  type DecimalMark,
  type NumberKind,
} from '@vivid/core/evaluate'

/** The marks of numbers in a locale, as they are read: some places write amounts with others than other numbers. */
const marksIn = (style: 'decimal' | 'currency') =>
  perLocale((locale) => {
    const parts = new Intl.NumberFormat(locale, { style, currency: 'USD' }).formatToParts(10_000_000.5)
    const mark = (type: 'decimal' | 'group') => parts.find((part) => part.type === type)?.value ?? ''
    return { decimal: mark('decimal'), group: mark('group') }
  })
const [numberMarks, amountMarks] = [marksIn('decimal'), marksIn('currency')]

/** The readings a typed number has, in a place of that locale or in none. */
export const readingsOf = (typed: string, kind: NumberKind, locale?: string): readonly string[] =>
  readingsWith(
    typed,
    kind,
    locale === undefined ? undefined : (typeof kind === 'object' ? amountMarks : numberMarks)(locale),
  )

/** Reads a number as people type it in a place; undefined where it has no reading there, or two. */
export function readNumber(typed: string, locale: string, kind: NumberKind = 'number'): string | undefined {
  const readings = readingsOf(typed, kind, locale)
  return readings.length === 1 ? readings[0] : undefined
}
