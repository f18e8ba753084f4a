import { Piscina } from 'piscina'
import { AppError } from '../../http/app-error'
import type { FileTask } from './worker'

export interface FileMaker {
  make(task: FileTask): Promise<Uint8Array>
  close(): Promise<void>
}

/** How many files may wait for their turn; whoever comes after is asked to come again. */
const MOST_WAITING = 20

/** Makes files in worker threads, at most two at a time. `worker` is the built worker's file. */
export function createFileMaker(worker: string): FileMaker {
  const pool = new Piscina<FileTask, Uint8Array>({
    filename: worker,
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 60_000,
    maxQueue: MOST_WAITING,
  })
  return {
    make: async (task) => {
      if (pool.queueSize >= MOST_WAITING)
        throw new AppError('TOO_MANY_REQUESTS', {
          details: { seconds: '5' },
          headers: { 'retry-after': '5' },
        })
      return pool.run(task)
    },
    close: () => pool.destroy(),
  }
}
