import { readBy, readingsOf, type DecimalMark, type NumberKind } from '@vivid/contract/wording'
import type { TableFault } from './read-table'

/** A cell that has to be a number, and what for. */
export interface NumberCell {
  readonly row: number
  readonly column: string
  readonly text: string
  readonly kind: NumberKind
}

export interface NumbersRead {
  /** The mark before decimals throughout; undefined where no cell has any. */
  readonly decimal: DecimalMark | undefined
  /** Plain decimals in the order of the cells; undefined where there is a fault. */
  readonly plain: readonly (string | undefined)[]
  readonly faults: readonly TableFault[]
  /** Whether some cell has two readings, and nothing in the table says which. */
  readonly isAmbiguous: boolean
}

/**
 * Reads the numbers of one table, which all have the same mark before decimals: the one that cells with one reading show,
 * or that was said. What has two readings, or contradicts the others, is refused with both.
 */
export function readNumbers(cells: readonly NumberCell[], said?: DecimalMark): NumbersRead {
  const evidence = cells.flatMap((cell) => {
    const mark = markOf(cell)
    return mark ? [{ cell, mark }] : []
  })
  const first = evidence[0]
  const decimal = said ?? first?.mark
  let isAmbiguous = false
  const faults: TableFault[] = []
  const plain = cells.map((cell) => {
    const { row, column, text, kind } = cell
    const fault = (what: string) => void faults.push({ row, column, what })
    const shown = evidence.find((one) => one.cell === cell)?.mark
    const readings = readingsOf(text, kind)
    if (readings.length === 0) return fault(text === '' ? 'is empty' : `“${text}” is no number`)
    if (shown && decimal && shown !== decimal) {
      const other = first && !said ? `“${first.cell.text}” in row ${first.cell.row}` : 'the rest'
      return fault(`“${text}” has a decimal ${markWord(shown)}, and ${other} a decimal ${markWord(decimal)}`)
    }
    if (readings.length === 1) return withItsZeros(text, readings[0] ?? '')
    const read = decimal && readBy(text, decimal)
    if (read !== undefined) return withItsZeros(text, read)
    if (decimal) return fault(`“${text}” is no number with a decimal ${markWord(decimal)}`)
    isAmbiguous = true
    return fault(`“${text}” can be ${readings.join(' or ')}`)
  })
  return { decimal, plain: plain.map((one) => one ?? undefined), faults, isAmbiguous }
}

/** The number with as many decimals as it was written with: 3.00 stays 3.00. */
function withItsZeros(text: string, plain: string): string {
  const mark = text.lastIndexOf('.') > text.lastIndexOf(',') ? '.' : ','
  const written = text.split(mark)
  const decimals = /^(\d+)[^\da-z]*$/i.exec(written[1] ?? '')?.[1]?.length
  const isDecimal = written.length === 2 && decimals !== undefined && readBy(text, mark) === plain
  const other = readBy(text, mark === '.' ? ',' : '.')
  if (!isDecimal || (other === plain && decimals === 3)) return plain
  const [whole = '', part = ''] = plain.split('.')
  return `${whole}.${part.padEnd(decimals, '0')}`
}

export const markWord = (mark: DecimalMark): string => (mark === ',' ? 'comma' : 'point')

/** The decimal mark that a cell shows by having one reading only; undefined where it shows none. */
function markOf({ text, kind }: NumberCell): DecimalMark | undefined {
  if (!/[.,]/.test(text)) return undefined
  const [only, ...more] = readingsOf(text, kind)
  if (only === undefined || more.length > 0) return undefined
  const [point, comma] = [readBy(text, '.'), readBy(text, ',')]
  if (point === comma) return undefined
  return only === point ? '.' : ','
}
