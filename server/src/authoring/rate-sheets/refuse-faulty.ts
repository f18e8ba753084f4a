import { sheetFaults, startOf, type RateSheet, type SheetFault } from '@vivid/core'
import { AppError } from '../../platform/http/app-error'

/** Refuses a sheet that cannot be looked up in or cannot be meant, naming row and column as people count. */
export function refuseFaulty(sheet: RateSheet): void {
  const [fault] = sheetFaults(sheet)
  if (!fault) return
  throw new AppError('SHEET_INVALID', {
    field: `versions.${fault.version}.rows.${fault.row}`,
    details: { what: `${placeOf(fault, sheet)}: ${whatIs(fault, sheet)}.` },
  })
}

function placeOf({ version, row, column }: SheetFault, { versions, keys }: RateSheet): string {
  const which = versions[version]
  const start = which ? startOf(which).replace('T00:00', '').replace('T', ' ') : ''
  if (row < 0) return `version ${start}`
  return `version ${start}, row ${row + 1}, ${keys[column]?.name ?? 'value'}`
}

function whatIs({ code, keys = [], version, row, column }: SheetFault, sheet: RateSheet): string {
  const cells = sheet.versions[version]?.rows[row]
  const text = cells ? (cells.keys[column] ?? cells.value) : ''
  switch (code) {
    case 'KEY_UNREADABLE':
      return text.trim() === '' ? 'is empty' : 'is no number'
    case 'KEY_ABSURD':
      return `${text} cannot be meant`
    case 'KEYS_TWICE':
      return 'is there twice'
    case 'KEYS_MISSING':
      return 'is missing'
    case 'GAP':
      return `there is no row for ${keys.join(' with ')}`
    case 'NO_ROWS':
      return 'it has no rows, so nothing could be looked up from then on'
    case 'VALUE_ABSURD':
      return sheet.gives === 'percent'
        ? `${text} % cannot be meant; a percentage here lies between 0 and 100`
        : `${text} cannot be meant`
    case 'VERSION_TWICE':
      return 'another version begins at the same minute'
    case 'VERSION_ABSURD':
      return 'a version takes effect between 1990 and 2100'
  }
}
