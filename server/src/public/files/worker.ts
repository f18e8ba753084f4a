import { fetchAllLanguages } from '@vivid/contract/wording'
import type { FileKind } from '@vivid/contract'
import { shownFigures, type ShownFigures, type ShownInput } from '../shown-figures'
import { paymentsCalendar } from './payments-calendar'
import { resultsPdf } from './results-pdf'
import { scheduleWorkbook } from './schedule-workbook'

export interface FileTask {
  readonly kind: FileKind
  readonly input: ShownInput
}

const makers: Readonly<Record<FileKind, (shown: ShownFigures) => Promise<Buffer>>> = {
  pdf: resultsPdf,
  xlsx: scheduleWorkbook,
  calendar: paymentsCalendar,
}

const ready = fetchAllLanguages()

/** Makes a file in a thread of its own: a schedule of 1,560 payments takes seconds to set, and nobody else waits for it. */
export default async function makeInWorker({ kind, input }: FileTask): Promise<Uint8Array> {
  await ready
  return makers[kind](shownFigures(input))
}
