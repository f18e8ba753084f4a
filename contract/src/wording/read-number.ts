import { readingsOf as readingsWith, type NumberKind } from '@vivid/core/evaluate'
import { decimalMarkOf, groupMarkOf } from './intl'

export { DIRECTION_MARKS, readBy, type DecimalMark, type NumberKind } from '@vivid/core/evaluate'

/** The readings a typed number has, in a place of that locale or in none. */
export const readingsOf = (typed: string, kind: NumberKind, locale?: string): readonly string[] =>
  readingsWith(
    typed,
    kind,
    locale === undefined ? undefined : { decimal: decimalMarkOf(locale), group: groupMarkOf(locale) },
  )

/** Reads a number as people type it in a place; undefined where it has no reading there, or two. */
export function readNumber(typed: string, locale: string, kind: NumberKind = 'number'): string | undefined {
  const readings = readingsOf(typed, kind, locale)
  return readings.length === 1 ? readings[0] : undefined
}
