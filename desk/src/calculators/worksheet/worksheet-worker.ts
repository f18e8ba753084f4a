import type { Answers, Around, CalculatorDocument } from '@vivid/core'
import {
  NoWorksheet,
  readBook,
  readingOf,
  writeWorksheet,
  type Book,
  type Changes,
  type Reading,
} from '@vivid/worksheet'

/** What the desk asks: read this file, or look at the one that is read again with other guesses. */
export interface WorksheetRequest {
  readonly bytes?: Uint8Array
  readonly title: string
  readonly changes: Changes
}
/** A calculator for one visitor, to be written as a worksheet. */
export interface WriteRequest {
  readonly document: CalculatorDocument
  readonly answers: Answers
  readonly around: Around
}

/** What the worker answers: how far it is, what it read, or why it cannot. */
export type WorksheetReply =
  | { readonly done: number }
  | { readonly reading: Reading }
  | { readonly refused: string }
  | { readonly bytes: Uint8Array }

let book: Book | undefined

const tell = (reply: WorksheetReply) => self.postMessage(reply)

// A failure within a promise is no error event of a worker: it is said like any other answer.
self.onmessage = async ({ data }: MessageEvent<WorksheetRequest | WriteRequest>) => {
  try {
    if ('document' in data) tell({ bytes: await writeWorksheet(data.document, data.answers, data.around) })
    else await read(data)
  } catch (error) {
    if (error instanceof NoWorksheet) return tell({ refused: error.message })
    // eslint-disable-next-line no-console -- whoever looks into it finds the cause
    console.error(error)
    const what = 'document' in data ? 'The worksheet cannot be written' : 'This worksheet cannot be read'
    tell({ refused: `${what}: something in it is not provided for.` })
  }
}

async function read({ bytes, title, changes }: WorksheetRequest): Promise<void> {
  tell({ done: 0.05 })
  if (bytes) book = await readBook(bytes)
  if (!book) throw new NoWorksheet('There is no worksheet to look at.')
  tell({ done: 0.3 })
  tell({ reading: readingOf(book, title, changes, (done) => tell({ done })) })
}
