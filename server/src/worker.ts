import { setPriority } from 'node:os'
import { isMainThread } from 'node:worker_threads'
import { AppError } from './platform/http/app-error'
import type { Done, Outcome, Task } from './platform/threads/task'
import { tasks } from './tasks'

/**
 * The thread that answers goes first, whatever is worked out here: it has three times the share. Not more, as other
 * processes of the machine go first as well, and visitors wait for this. (On Linux a priority is the calling thread's own.)
 */
const A_LITTLE_LESS = 5
if (!isMainThread && process.platform === 'linux') setPriority(0, A_LITTLE_LESS)

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
