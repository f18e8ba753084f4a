import { Decimal } from '../../money/decimal'
import type { RateSheet, SheetVersion } from '../document/sheets'
import { keysText } from './key-text'
import { startOf } from './versions'

/** One figure of a sheet that became another, came, or went; null where there is none. */
export interface SheetChange {
  /** "2026-11-25T09:00", when its version takes effect. */
  readonly start: string
  readonly keys: readonly string[]
  readonly before: string | null
  readonly after: string | null
}

/** Figures that differ between two states of a sheet, by version and keys, in the order they take effect. */
export function sheetChanges(before: RateSheet | undefined, after: RateSheet): SheetChange[] {
  const old = figuresOf(before)
  const now = figuresOf(after)
  const changed = [...new Set([...old.keys(), ...now.keys()])].flatMap((place): SheetChange[] => {
    const [was, is] = [old.get(place), now.get(place)]
    const known = is ?? was
    if (!known || (was && is && new Decimal(was.value).equals(is.value))) return []
    return [{ start: known.start, keys: known.keys, before: was?.value ?? null, after: is?.value ?? null }]
  })
  return changed.sort((a, b) => (a.start < b.start ? -1 : Number(a.start > b.start)))
}

const figuresOf = (sheet: RateSheet | undefined) =>
  new Map(
    (sheet?.versions ?? []).flatMap((version) =>
      version.rows.map(
        ({ keys, value }) =>
          [`${startOf(version)} ${keysText(keys)}`, { start: startOf(version), keys, value }] as const,
      ),
    ),
  )

/** A figure that is far from the one it follows: worth a second look, and possibly right. */
export interface SheetDoubt {
  readonly start: string
  readonly keys: readonly string[]
  readonly was: string
  readonly now: string
}

/** More than this many percentage points at once, or more than twice or less than half, is out of the ordinary. */
const POINTS = 2
const FACTOR = 2

/** Figures that were changed and lie far from the version before theirs. */
export function sheetDoubts(before: RateSheet | undefined, after: RateSheet): SheetDoubt[] {
  const changed = new Set(sheetChanges(before, after).map(({ start, keys }) => `${start} ${keysText(keys)}`))
  const inOrder = [...after.versions].sort((a, b) => (startOf(a) < startOf(b) ? -1 : 1))
  return inOrder.flatMap((version, i) => {
    const start = startOf(version)
    const former = earlierVersion(before, start) ?? inOrder[i - 1]
    const values = new Map(former?.rows.map(({ keys, value }) => [keysText(keys), value]))
    return version.rows.flatMap(({ keys, value }) => {
      const was = values.get(keysText(keys))
      if (was === undefined || !changed.has(`${start} ${keysText(keys)}`)) return []
      return isFar(was, value, after.gives) ? [{ start, keys, was, now: value }] : []
    })
  })
}

/** The same version as it stood before; else the one in force when it begins. */
function earlierVersion(before: RateSheet | undefined, start: string): SheetVersion | undefined {
  return [...(before?.versions ?? [])]
    .filter((version) => startOf(version) <= start)
    .sort((a, b) => (startOf(a) < startOf(b) ? -1 : 1))
    .at(-1)
}

function isFar(was: string, now: string, gives: RateSheet['gives']): boolean {
  const [a, b] = [new Decimal(was), new Decimal(now)]
  if (gives === 'percent' && b.minus(a).abs().greaterThan(POINTS)) return true
  if (a.isZero() || b.isZero()) return false
  const ratio = b.div(a)
  return ratio.greaterThan(FACTOR) || ratio.lessThan(1 / FACTOR)
}
