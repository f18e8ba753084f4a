import type { RateSheet, SheetFault } from '@vivid/core'

/**
 * What is wrong with a cell, a row or a version of a rate sheet. With the cell's own text it stands alone; without, beside the
 * cell in its editor.
 */
export function sheetFaultSaid(
  { code, keys = [] }: SheetFault,
  { gives }: Pick<RateSheet, 'gives'>,
  cell?: string,
): string {
  const it = cell === undefined ? '' : `${cell} `
  switch (code) {
    case 'KEY_UNREADABLE':
      if (cell === undefined) return 'is empty, or is no number'
      return cell.trim() === '' ? 'is empty' : 'is no number'
    case 'KEY_ABSURD':
      return `${it}cannot be meant`
    case 'KEYS_TWICE':
      return 'is there twice'
    case 'KEYS_MISSING':
      return 'is missing'
    case 'GAP':
      return `there is no row for ${keys.join(' with ')}`
    case 'NO_ROWS':
      return 'it has no rows: nothing could be looked up from then on'
    case 'VALUE_ABSURD':
      if (gives !== 'percent') return `${it}cannot be meant`
      return cell === undefined
        ? 'lies outside 0 to 100 %'
        : `${cell} % cannot be meant; a percentage here lies between 0 and 100`
    case 'VERSION_TWICE':
      return 'another version begins at the same minute'
    case 'VERSION_ABSURD':
      return 'a version takes effect between 1990 and 2100'
  }
}
