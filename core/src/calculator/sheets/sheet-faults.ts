import { Decimal } from '../../money/decimal'
import { decimalText } from '../document/shapes'
import type { RateSheet, SheetKey } from '../document/sheets'
import { startOf } from './versions'

export type SheetFaultCode =
  | 'KEY_UNREADABLE'
  | 'KEY_ABSURD'
  | 'KEYS_TWICE'
  | 'KEYS_MISSING'
  /** A pair of keys has no row although each of them has some. */
  | 'GAP'
  | 'NO_ROWS'
  | 'VALUE_ABSURD'
  | 'VERSION_TWICE'
  | 'VERSION_ABSURD'

/** Something that makes a sheet unfit; places count from 0, -1: none in particular. */
export interface SheetFault {
  readonly code: SheetFaultCode
  readonly version: number
  readonly row: number
  /** The column of the value comes after those of the keys. */
  readonly column: number
  /** For a gap: the keys that have no row. */
  readonly keys?: readonly string[]
}

const isDecimalText = (text: string) => decimalText.safeParse(text).success
const isText = ({ unit }: SheetKey) => unit === 'text' || unit === 'frequency'

/** One way to write each key, so that 80 and 80.0, or Good and good, are the same. */
export const keyText = (text: string): string =>
  isDecimalText(text) ? new Decimal(text).toFixed() : text.trim().toLowerCase()
export const keysText = (keys: readonly string[]): string => keys.map(keyText).join('|')

/** Years in which rates of a lender may take effect. */
const YEARS = { least: 1990, most: 2100 }

/** The range outside of which a figure is a slip of the keyboard: percent, whole money, plain numbers, months. */
const sensible: Readonly<Record<string, readonly [least: number, most: number]>> = {
  percent: [0, 100],
  money: [0, 1_000_000_000_000],
  number: [-1_000_000_000, 1_000_000_000],
  term: [0, 1_200],
  percentKey: [0, 1_000],
}
const isSensible = (text: string, kind: string): boolean => {
  const [least, most] = sensible[kind] ?? [-Infinity, Infinity]
  const value = new Decimal(text)
  return value.greaterThanOrEqualTo(least) && value.lessThanOrEqualTo(most)
}

/**
 * What is wrong in a sheet that its schema cannot say: keys that cannot be read, overlaps (the same keys twice, two
 * versions from one minute on), gaps (a pair of keys that has no row, a version without any), and figures that are none
 * of a lender's: a percentage above 100, an amount below nothing, a version from the year 206.
 */
export function sheetFaults(sheet: RateSheet): SheetFault[] {
  return sheet.versions.flatMap((version, at) => {
    const here = { version: at, row: -1, column: -1 }
    const faults: SheetFault[] = []
    const twin = sheet.versions.findIndex((other) => startOf(other) === startOf(version))
    if (twin !== at) faults.push({ ...here, code: 'VERSION_TWICE' })
    const year = Number(version.from.slice(0, 4))
    if (year < YEARS.least || year > YEARS.most) faults.push({ ...here, code: 'VERSION_ABSURD' })
    if (version.rows.length === 0) faults.push({ ...here, code: 'NO_ROWS' })
    return [...faults, ...rowFaults(sheet, at), ...gaps(sheet, at)]
  })
}

function rowFaults({ keys: columns, gives, versions }: RateSheet, version: number): SheetFault[] {
  const faults: SheetFault[] = []
  const seen = new Set<string>()
  for (const [row, { keys, value }] of (versions[version]?.rows ?? []).entries()) {
    const at = (column: number) => ({ version, row, column })
    if (keys.length !== columns.length) faults.push({ ...at(keys.length), code: 'KEYS_MISSING' })
    for (const [i, column] of columns.entries()) {
      const text = keys[i] ?? ''
      if (isText(column) ? text.trim() === '' : !isDecimalText(text))
        faults.push({ ...at(i), code: 'KEY_UNREADABLE' })
      else if (!isText(column) && !isSensible(text, column.unit === 'percent' ? 'percentKey' : column.unit))
        faults.push({ ...at(i), code: 'KEY_ABSURD' })
    }
    if (!isSensible(value, gives)) faults.push({ ...at(columns.length), code: 'VALUE_ABSURD' })
    const key = keysText(keys)
    if (seen.has(key)) faults.push({ ...at(0), code: 'KEYS_TWICE' })
    seen.add(key)
  }
  return faults
}

/** Of two keys, each value of the one has a row with each value of the other: else a look-up falls through. */
function gaps({ keys: columns, versions }: RateSheet, version: number): SheetFault[] {
  if (columns.length < 2) return []
  const rows = versions[version]?.rows ?? []
  const distinct = (i: number) => new Map(rows.map(({ keys }) => [keyText(keys[i] ?? ''), keys[i] ?? '']))
  const there = new Set(rows.map(({ keys }) => keysText(keys)))
  return [...distinct(0).values()].flatMap((first) =>
    [...distinct(1).values()]
      .filter((second) => !there.has(keysText([first, second])))
      .map((second) => ({ code: 'GAP' as const, version, row: -1, column: 0, keys: [first, second] })),
  )
}
