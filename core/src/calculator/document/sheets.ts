import { z } from 'zod'
import { decimalText, isoDateText, nameText, stepId } from './document-shapes'
import type { Unit } from '../../formula/unit'

/** What a key column holds and how a row is found by it: exactly, or by bands that begin or end at the row's key. */
const KeyColumn = z.strictObject({
  id: stepId,
  name: nameText,
  unit: z.enum(['number', 'percent', 'money', 'term', 'text', 'frequency']),
  match: z.enum(['exact', 'from', 'upTo']),
})

const timeText = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of the day, like "09:00"')

/** Keys and values are plain decimals in their unit: money in whole units ("500000"), terms in months; texts as they are. */
const Row = z.strictObject({ keys: z.array(z.string().max(80)).min(1).max(2), value: decimalText })

/**
 * A rate sheet: a table of rates, premiums or fees by one or two keys, in versions by the day they take effect.
 * The version in force at a moment is the last that has begun.
 */
export const RateSheet = z.strictObject({
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'small letters, digits and hyphens'),
  name: nameText,
  keys: z.array(KeyColumn).min(1).max(2),
  gives: z.enum(['percent', 'money', 'number']),
  versions: z
    .array(
      z.strictObject({
        from: isoDateText,
        /** The time of that day, "09:00", in the lender's time; without one the day's first minute. */
        at: timeText.optional(),
        rows: z.array(Row).max(2_000),
      }),
    )
    .min(1)
    .max(200),
})
export type RateSheet = z.infer<typeof RateSheet>
export type SheetVersion = RateSheet['versions'][number]
export type SheetKey = RateSheet['keys'][number]

export const unitOfSheet = ({ gives }: RateSheet): Unit => ({ is: gives })
