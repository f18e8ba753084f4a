import { plainName, type RateSheet, type SheetKey } from '@vivid/core'
import { writeCsv } from '@vivid/contract/formats'
import type { DecimalMark, NumberKind } from '@vivid/contract/wording'
import { readNumbers, type NumberCell } from '../shared/text-tables/read-numbers'
import { readTable, type Separator, type TableFault } from '../shared/text-tables/read-table'

type Rows = RateSheet['versions'][number]['rows']
export type RowsRead =
  | {
      readonly ok: true
      readonly rows: Rows
      readonly separator: Separator
      readonly decimal: DecimalMark | undefined
    }
  | { readonly ok: false; readonly faults: readonly TableFault[]; readonly isAmbiguous: boolean }

const VALUE = 'value'

/** What the numbers of a key column can be; texts are none. */
export const kindOfKey = (unit: SheetKey['unit']): NumberKind | undefined =>
  unit === 'text' || unit === 'frequency'
    ? undefined
    : unit === 'percent'
      ? 'percent'
      : unit === 'term'
        ? 'whole'
        : 'number'
export const kindOfValue = (gives: RateSheet['gives']): NumberKind =>
  gives === 'percent' ? 'percent' : 'number'

/**
 * The rows of one version from CSV: a heading, then the keys and the value in each line, in any order, between commas,
 * semicolons or tabs, with a decimal point or comma. Columns are found by their headings. All or nothing: what has two
 * readings is refused with both, unless `decimal` says which mark stands before decimals.
 */
export function readRows(text: string, sheet: RateSheet, decimal?: DecimalMark): RowsRead {
  const wanted = [...sheet.keys.map(({ name }) => name), VALUE]
  const isColumn = (heading: string, name: string) => plainName(heading) === plainName(name)
  const table = readTable(text, (heading) => wanted.some((name) => isColumn(heading, name)))
  const faults = [...table.faults]
  const places = wanted.map((name) => table.head.findIndex((heading) => isColumn(heading, name)))
  for (const [i, name] of wanted.entries())
    if (places[i] === -1) faults.push({ row: 1, column: name, what: 'no column has this heading' })
  for (const heading of table.head)
    if (heading !== '' && !wanted.some((name) => isColumn(heading, name)))
      faults.push({
        row: 1,
        column: heading,
        what: `is no column of this sheet; it has ${wanted.join(', ')}`,
      })
  if (table.lines.length === 0 && faults.length === 0)
    faults.push({ row: 2, column: VALUE, what: 'there are no lines below the heading' })
  if (faults.length > 0) return { ok: false, faults, isAmbiguous: false }

  const kinds = [...sheet.keys.map(({ unit }) => kindOfKey(unit)), kindOfValue(sheet.gives)]
  const cells = table.lines.flatMap((line, i) =>
    wanted.map((column, j) => ({ row: i + 2, column, text: line[places[j] ?? -1] ?? '', kind: kinds[j] })),
  )
  const numbers = cells.filter((cell): cell is NumberCell => cell.kind !== undefined)
  const read = readNumbers(numbers, decimal)
  const empty = cells.filter(({ kind, text: cell }) => kind === undefined && cell === '')
  const all = [...read.faults, ...empty.map(({ row, column }) => ({ row, column, what: 'is empty' }))]
  const byPlace = (a: TableFault, b: TableFault) =>
    a.row - b.row || wanted.indexOf(a.column) - wanted.indexOf(b.column)
  if (all.length > 0) return { ok: false, faults: all.sort(byPlace), isAmbiguous: read.isAmbiguous }
  const plainOf = new Map(numbers.map((cell, i) => [`${cell.row} ${cell.column}`, read.plain[i] ?? '']))
  const rows = table.lines.map((_, i) => {
    const [value = '', ...keys] = [VALUE, ...sheet.keys.map(({ name }) => name)].map(
      (column, j) => plainOf.get(`${i + 2} ${column}`) ?? table.lines[i]?.[places[j - 1] ?? -1] ?? '',
    )
    return { keys, value }
  })
  return { ok: true, rows, separator: table.separator, decimal: read.decimal }
}

export const writeRows = (sheet: RateSheet, rows: Rows): string =>
  writeCsv([
    [...sheet.keys.map(({ name }) => name), VALUE],
    ...rows.map(({ keys, value }) => [...keys, value]),
  ])
