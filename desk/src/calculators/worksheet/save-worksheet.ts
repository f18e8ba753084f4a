import type { Answers, Around, CalculatorDocument } from '@vivid/core'
import { ApiError } from '../../shared/api/api-error'
import { saveBlob } from '../../shared/files/text-files'
import type { WorksheetReply, WriteRequest } from './worksheet-worker'

const TYPE = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/** Offers a calculator, for one visitor, as a worksheet with live formulas; it is written in a worker. */
export function saveWorksheet(
  document: CalculatorDocument,
  answers: Answers,
  around: Around,
  name: string,
): Promise<void> {
  const worker = new Worker(new URL('./worksheet-worker.ts', import.meta.url), { type: 'module' })
  const written = new Promise<void>((done, fail) => {
    worker.onmessage = ({ data }: MessageEvent<WorksheetReply>) => {
      if ('refused' in data) fail(new ApiError('WORKSHEET_REFUSED', data.refused))
      if (!('bytes' in data)) return
      saveBlob(new Blob([data.bytes.slice().buffer as ArrayBuffer], { type: TYPE }), name)
      done()
    }
    worker.onerror = () => fail(new Error('The worksheet cannot be written.'))
  })
  const request: WriteRequest = { document, answers, around }
  // Plain data only: what Vue watches cannot be sent to a worker.
  worker.postMessage(JSON.parse(JSON.stringify(request)))
  return written.finally(() => worker.terminate())
}
