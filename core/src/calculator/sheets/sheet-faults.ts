import { Decimal } from '../../money/decimal'
import type { RateSheet, SheetKey } from '../document/sheets'
import { isDecimalText, keysText, keyText } from './key-text'
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

const isText = ({ unit }: SheetKey) => unit === 'text' || unit === 'frequency'

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

/** So many gaps are told; who has that many needs to see no more. */
const MOST_GAPS = 100

/**
 * Of two keys, each value of the one has a row with each value of the other: else a look-up falls through. Work grows as
 * the rows do: a key with n rows is missed by one of any n + 1 others.
 */
function gaps({ keys: columns, versions }: RateSheet, version: number): SheetFault[] {
  if (columns.length < 2) return []
  const seconds = new Map<string, string>()
  const found = new Map<string, { readonly first: string; readonly with: Set<string> }>()
  for (const { keys } of versions[version]?.rows ?? []) {
    const [first = '', second = ''] = keys
    seconds.set(keyText(second), second)
    const entry = found.get(keyText(first)) ?? { first, with: new Set<string>() }
    entry.with.add(keyText(second))
    found.set(keyText(first), entry)
  }
  const faults: SheetFault[] = []
  for (const { first, with: present } of found.values()) {
    if (present.size === seconds.size) continue
    for (const [plain, second] of seconds) {
      if (faults.length === MOST_GAPS) return faults
      if (!present.has(plain))
        faults.push({ code: 'GAP', version, row: -1, column: 0, keys: [first, second] })
    }
  }
  return faults
}
