import Papa from 'papaparse'
import { unmarkedCell } from '@vivid/contract/formats'

/** A fault in a table that was pasted or loaded; rows and columns are counted as people count them, the heading is row 1. */
export interface TableFault {
  readonly row: number
  readonly column: string
  readonly what: string
}

export interface TextTable {
  readonly separator: Separator
  readonly head: readonly string[]
  /** The lines below the heading, each as long as it. */
  readonly lines: readonly (readonly string[])[]
  readonly faults: readonly TableFault[]
}

const separators = [';', '\t', ',', '|'] as const
export type Separator = (typeof separators)[number]
export const separatorWords: Readonly<Record<Separator, string>> = {
  ';': 'semicolons',
  '\t': 'tabs',
  ',': 'commas',
  '|': 'bars',
}

/**
 * Takes a table of text apart: by the separator that makes the most headings known. A line with more cells than the
 * heading is a fault and never shifted: a number with a comma in it, saved between commas.
 */
export function readTable(text: string, isKnown: (heading: string) => boolean): TextTable {
  const plain = text.replace(/^\ufeff/, '').trim()
  const tried = separators.map((separator) => {
    const { data } = Papa.parse<string[]>(plain, { delimiter: separator, skipEmptyLines: 'greedy' })
    const [head = [], ...lines] = data.map((line) => line.map((cell) => unmarkedCell(cell.trim())))
    return { separator, head, lines, known: head.filter(isKnown).length }
  })
  const best = tried.reduce((a, b) =>
    b.known > a.known || (b.known === a.known && b.head.length > a.head.length) ? b : a,
  )
  const wide = best.head.length
  const faults = best.lines.flatMap((line, i): TableFault[] =>
    line.slice(wide).every((cell) => cell === '')
      ? []
      : [
          {
            row: i + 2,
            column: best.head.at(-1) ?? '',
            what: `has ${line.length} cells where the heading has ${wide}; a number with a comma in it needs quotation marks, or another separator`,
          },
        ],
  )
  const lines = best.lines.map((line) => Array.from({ length: wide }, (_, i) => line[i] ?? ''))
  return { separator: best.separator, head: best.head, lines, faults }
}
