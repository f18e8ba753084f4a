import { readBook } from './book/read-book'
import { nameOfCell, type CellValue } from './book/book'
import { figuresOf, leftOutSaid, type CellFigure } from './draft/figures'
import type { Draft } from './draft/draft'
import { makeDraft, type Way } from './draft/make-draft'
import { understand } from './understand/understand'

export { NoAnswer, figuresOf, type CellFigure } from './draft/figures'
export { NoWorksheet, readBook } from './book/read-book'
export type { Book, CellValue } from './book/book'
export { readingOf, type CellPart, type Reading, type ShownCell } from './draft/reading'
export type { WorksheetChange } from './draft/read-again'
export type { Difference } from './draft/to-the-cent'
export type { Changes } from './understand/understand'
export { cellUnits, type CellUnit } from './understand/unit-of'
export { writeWorksheet } from './out/write-worksheet'
export type { Draft } from './draft/draft'
export type { Way } from './draft/make-draft'

/**
 * Reads a worksheet (.xlsx, ISO/IEC 29500; functions by OASIS OpenFormula 1.3) and makes a draft of it. `title`: what the draft is
 * called. Throws `NoWorksheet` where it cannot be read.
 */
export async function readWorksheet(
  bytes: Uint8Array,
  title: string,
  way: Way = 'worksheet',
): Promise<Draft> {
  const book = await readBook(bytes)
  return makeDraft(book, understand(book), title, { way })
}

/** What is read of a worksheet, as data: see `docs/worksheets.md`. */
export interface WorksheetReport {
  readonly document: Draft['document']
  readonly questions: readonly { cell: string; id: string; name: string; unit: string }[]
  readonly figures: readonly CellFigure[]
  readonly leftOut: readonly { cell: string; formula: string; why: string }[]
}

/** The draft, with every formula cell of the file among its figures or among what is left out. */
export const reportOf = (
  draft: Draft,
  answers: Readonly<Record<string, CellValue>> = {},
): WorksheetReport => ({
  document: draft.document,
  questions: draft.asked.map(({ cell, question, unit }) => ({
    cell: nameOfCell(cell),
    id: question.id,
    name: question.name,
    unit,
  })),
  figures: figuresOf(draft, answers),
  leftOut: draft.leftOut.map(leftOutSaid),
})
