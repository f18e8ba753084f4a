import { constants, setPriority } from 'node:os'
import { isMainThread } from 'node:worker_threads'
import { AppError } from './platform/http/app-error'
import type { Done, Outcome, Task } from './platform/threads/task'
import { tasks } from './tasks'

// The thread that answers goes first, whatever is worked out here. (On Linux a priority is the calling thread's own.)
if (!isMainThread && process.platform === 'linux') setPriority(0, constants.priority.PRIORITY_LOW)

/** Does a task in this thread. */
export default async function work({ name, input }: Task): Promise<Outcome> {
  try {
    const task = tasks[name as keyof typeof tasks] as (input: unknown) => Promise<Done<unknown>>
    return { ok: true, done: await task(input) }
  } catch (error) {
    if (!(error instanceof AppError)) throw error
    return { ok: false, code: error.code, extras: error.extras }
  }
}
