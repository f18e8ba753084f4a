import { once } from 'node:events'
import { Worker } from 'node:worker_threads'

/** Everything that is kept, taken out in a thread of its own, piece by piece. `worker` is the built worker's file. */
export async function* archiveInThread(worker: string, databaseUrl: string): AsyncGenerator<Uint8Array> {
  const thread = new Worker(worker, { workerData: databaseUrl })
  const failed = once(thread, 'error').then(([error]) => Promise.reject(error as Error))
  try {
    for (;;) {
      const answered = once(thread, 'message')
      thread.postMessage('next')
      const [piece] = (await Promise.race([answered, failed])) as [Uint8Array | null]
      if (piece === null) return
      yield piece
    }
  } finally {
    failed.catch(() => undefined)
    await thread.terminate()
  }
}
