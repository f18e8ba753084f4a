import { sheetFaults, startOf, type RateSheet, type SheetFault } from '@vivid/core'
import { sheetFaultSaid } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'

/** Refuses a sheet that cannot be looked up in or cannot be meant, naming row and column as people count. */
export function refuseFaulty(sheet: RateSheet): void {
  const [fault] = sheetFaults(sheet)
  if (!fault) return
  throw new AppError('SHEET_INVALID', {
    field: `versions.${fault.version}.rows.${fault.row}`,
    details: { what: `${placeOf(fault, sheet)}: ${sheetFaultSaid(fault, sheet, cellOf(fault, sheet))}.` },
  })
}

function placeOf({ version, row, column }: SheetFault, { versions, keys }: RateSheet): string {
  const which = versions[version]
  const start = which ? startOf(which).replace('T00:00', '').replace('T', ' ') : ''
  if (row < 0) return `version ${start}`
  return `version ${start}, row ${row + 1}, ${keys[column]?.name ?? 'value'}`
}

function cellOf({ version, row, column }: SheetFault, { versions }: RateSheet): string {
  const cells = versions[version]?.rows[row]
  return cells ? (cells.keys[column] ?? cells.value) : ''
}
