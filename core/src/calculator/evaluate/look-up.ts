import { Decimal } from '../../money/decimal'
import type { RateSheet, SheetKey } from '../document/sheets'
import { isDecimalText, plainKey } from '../sheets/key-text'
import { inForce } from '../sheets/versions'

export type LookedUp =
  | { readonly ok: true; readonly value: Decimal; readonly effective: string }
  | { readonly ok: false; readonly reason: 'key' | 'date' }

/** A key as the sheet's rows write it: a decimal in the unit of the column, or a text. */
export type KeyValue = Decimal | string

/** The value of the row that keys fall into, in the version in force at a minute ("2026-11-25T09:00"). Values are in the sheet's plain unit. */
export function lookUp(sheet: RateSheet, keys: readonly KeyValue[], on: string): LookedUp {
  const version = inForce(sheet, on)
  if (!version) return { ok: false, reason: 'date' }
  const fitting = sheet.keys.reduce((rows, column, at) => rowsFor(rows, column, at, keys[at]), version.rows)
  const row = fitting[0]
  return row
    ? { ok: true, value: new Decimal(row.value), effective: version.from }
    : { ok: false, reason: 'key' }
}

type SheetRow = RateSheet['versions'][number]['rows'][number]

/** The rows of the band a key falls into: for `from` the highest key not above it, for `upTo` the lowest not below it. */
function rowsFor(
  rows: readonly SheetRow[],
  { match }: SheetKey,
  at: number,
  key: KeyValue | undefined,
): SheetRow[] {
  if (key === undefined) return []
  if (typeof key === 'string') return rows.filter((row) => plainKey(row.keys[at] ?? '') === plainKey(key))
  const keyed = rows.flatMap((row) => {
    const text = row.keys[at] ?? ''
    return isDecimalText(text) ? [{ row, key: new Decimal(text) }] : []
  })
  if (match === 'exact') return keyed.filter((one) => one.key.equals(key)).map(({ row }) => row)
  const within = keyed.filter((one) =>
    match === 'from' ? one.key.lessThanOrEqualTo(key) : one.key.greaterThanOrEqualTo(key),
  )
  const bound = within.reduce<Decimal | undefined>(
    (best, one) =>
      best === undefined || (match === 'from' ? one.key.greaterThan(best) : one.key.lessThan(best))
        ? one.key
        : best,
    undefined,
  )
  return bound ? within.filter((one) => one.key.equals(bound)).map(({ row }) => row) : []
}
