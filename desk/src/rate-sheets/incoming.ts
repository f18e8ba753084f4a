import type { SheetVersion } from '@vivid/core'
import type { DecimalMark } from '@vivid/contract/wording'
import { markWord } from '../shared/text-tables/read-numbers'
import { separatorWords, type TableFault } from '../shared/text-tables/read-table'
import type { RowsRead } from './sheet-csv'
import type { Pasted } from './sheet-edit'

/** Rows as they were understood, or what keeps them from being taken. */
export type IncomingRead =
  | {
      readonly ok: true
      readonly rows: SheetVersion['rows']
      /** How the numbers and columns were read, in a sentence. */
      readonly how: string
      readonly understood: readonly { readonly text: string; readonly plain: string }[]
    }
  | { readonly ok: false; readonly faults: readonly TableFault[]; readonly isAmbiguous: boolean }

/** Rows on their way into a sheet, read with one mark before decimals or another. */
export interface Incoming {
  readonly read: (decimal?: DecimalMark) => IncomingRead
}

const decimalSaid = (decimal: DecimalMark | undefined) =>
  decimal === undefined ? 'no decimals' : `a decimal ${markWord(decimal)}`

export const loaded = (read: RowsRead): IncomingRead =>
  read.ok
    ? {
        ok: true,
        rows: read.rows,
        how: `Read as lines between ${separatorWords[read.separator]}, with ${decimalSaid(read.decimal)}.`,
        understood: [],
      }
    : read

export const pastedRows = (read: Pasted): IncomingRead =>
  read.ok
    ? {
        ok: true,
        rows: read.rows,
        how: `Read with ${decimalSaid(read.decimal)}.`,
        understood: read.understood,
      }
    : read
