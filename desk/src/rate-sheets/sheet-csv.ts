import Papa from 'papaparse'
import type { RateSheet } from '@vivid/core'

export interface SheetCsvFault {
  readonly row: number
  readonly column: string
  readonly what: string
}
type Rows = RateSheet['versions'][number]['rows']
export type RowsRead =
  { readonly ok: true; readonly rows: Rows } | { readonly ok: false; readonly faults: SheetCsvFault[] }

const isNumber = (text: string) => /^-?\d{1,16}(\.\d{1,12})?$/.test(text)

/** The rows of one version from CSV: a heading, then a key or two and the value in each line. All or nothing. */
export function readRows(text: string, sheet: RateSheet): RowsRead {
  const parsed = Papa.parse<string[]>(text.replace(/^\ufeff/, '').trim(), { skipEmptyLines: 'greedy' })
  const [, ...lines] = parsed.data
  const faults: SheetCsvFault[] = []
  const rows = lines.map((line, i) => {
    const cells = line.map((cell) => cell.trim().replace(/[%$,](?=\d|$)/g, ''))
    const row = i + 2
    sheet.keys.forEach(({ name, unit }, column) => {
      const isText = unit === 'text' || unit === 'frequency'
      const cell = cells[column] ?? ''
      if (cell === '') faults.push({ row, column: name, what: 'is empty' })
      else if (!isText && !isNumber(cell)) faults.push({ row, column: name, what: `“${cell}” is no number` })
    })
    const value = cells[sheet.keys.length] ?? ''
    if (!isNumber(value))
      faults.push({ row, column: 'value', what: value === '' ? 'is empty' : `“${value}” is no number` })
    return { keys: cells.slice(0, sheet.keys.length), value }
  })
  if (rows.length === 0)
    faults.push({ row: 2, column: 'value', what: 'there are no lines below the heading' })
  return faults.length > 0 ? { ok: false, faults } : { ok: true, rows }
}

export const writeRows = (sheet: RateSheet, rows: Rows): string =>
  Papa.unparse(
    [[...sheet.keys.map(({ name }) => name), 'value'], ...rows.map(({ keys, value }) => [...keys, value])],
    { escapeFormulae: true },
  )
