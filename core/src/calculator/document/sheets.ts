import { z } from 'zod'
import { decimalText, isoDateText, nameText, stepId } from './shapes'
import { Decimal } from '../../money/decimal'
import type { Unit } from '../../formula/unit'

/** What a key column holds and how a row is found by it: exactly, or by bands that begin or end at the row's key. */
const KeyColumn = z.strictObject({
  id: stepId,
  name: nameText,
  unit: z.enum(['number', 'percent', 'money', 'term', 'text', 'frequency']),
  match: z.enum(['exact', 'from', 'upTo']),
})

/** Keys and values are plain decimals in their unit: money in whole units ("500000"), terms in months; texts as they are. */
const Row = z.strictObject({ keys: z.array(z.string().max(80)).min(1).max(2), value: decimalText })

/**
 * A rate sheet: a table of rates, premiums or fees by one or two keys, in versions by the day they take effect.
 * The version in force on a day is the last that has begun.
 */
export const RateSheet = z.strictObject({
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'small letters, digits and hyphens'),
  name: nameText,
  keys: z.array(KeyColumn).min(1).max(2),
  gives: z.enum(['percent', 'money', 'number']),
  versions: z
    .array(z.strictObject({ from: isoDateText, rows: z.array(Row).max(2_000) }))
    .min(1)
    .max(200),
})
export type RateSheet = z.infer<typeof RateSheet>
export type SheetKey = RateSheet['keys'][number]

export const unitOfSheet = ({ gives }: RateSheet): Unit => ({ is: gives })

const isDecimalText = (text: string) => decimalText.safeParse(text).success

export interface SheetFault {
  readonly code: 'KEY_UNREADABLE' | 'KEYS_TWICE' | 'KEYS_MISSING' | 'VERSION_TWICE'
  /** Counted from 0. */
  readonly version: number
  readonly row: number
  readonly column: number
}

/** What is wrong in a sheet that its schema cannot say: a key that is no number, a row that is there twice. */
export function sheetFaults(sheet: RateSheet): SheetFault[] {
  const faults: SheetFault[] = []
  for (const [version, { from, rows }] of sheet.versions.entries()) {
    if (sheet.versions.findIndex((other) => other.from === from) !== version)
      faults.push({ code: 'VERSION_TWICE', version, row: -1, column: -1 })
    const seen = new Set<string>()
    for (const [row, { keys }] of rows.entries()) {
      if (keys.length !== sheet.keys.length)
        faults.push({ code: 'KEYS_MISSING', version, row, column: keys.length })
      for (const [column, { unit }] of sheet.keys.entries()) {
        const isText = unit === 'text' || unit === 'frequency'
        if (!isText && !isDecimalText(keys[column] ?? ''))
          faults.push({ code: 'KEY_UNREADABLE', version, row, column })
      }
      const key = keys
        .map((text) => (isDecimalText(text) ? new Decimal(text).toFixed() : text.toLowerCase()))
        .join('|')
      if (seen.has(key)) faults.push({ code: 'KEYS_TWICE', version, row, column: 0 })
      seen.add(key)
    }
  }
  return faults
}
