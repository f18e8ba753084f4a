import { parentPort, workerData } from 'node:worker_threads'
import { NoAnswer, NoWorksheet, readWorksheet, reportOf, type CellValue, type Way } from '.'

interface Asked {
  readonly bytes: Uint8Array
  readonly title: string
  readonly as: Way
  readonly answers: Readonly<Record<string, CellValue>>
}

/** Reads one worksheet in a thread, which whoever started it may end: a file can be made to take for ever. */
async function read({
  bytes,
  title,
  as,
  answers,
}: Asked): Promise<{ report: unknown } | { refused: string }> {
  try {
    return { report: reportOf(await readWorksheet(bytes, title, as), answers) }
  } catch (error) {
    if (error instanceof NoWorksheet || error instanceof NoAnswer) return { refused: error.message }
    throw error
  }
}
parentPort?.postMessage(await read(workerData as Asked))
