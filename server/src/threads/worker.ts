import { constants, setPriority } from 'node:os'
import { isMainThread } from 'node:worker_threads'
import { AppError, type ErrorExtras } from '../http/app-error'
import type { ErrorCode } from '@vivid/contract'
import { tasks, type Done, type TaskName } from './tasks'

export interface Task {
  readonly name: TaskName
  readonly input: unknown
}
/** A refusal has to be said as plain data to come out of a thread. */
export type Outcome =
  | { readonly ok: true; readonly done: Done<unknown> }
  | { readonly ok: false; readonly code: ErrorCode; readonly extras: ErrorExtras }

// The thread that answers goes first, whatever is worked out here. (On Linux a priority is the calling thread's own.)
if (!isMainThread && process.platform === 'linux') setPriority(0, constants.priority.PRIORITY_LOW)

/** Does a task in this thread. */
export default async function work({ name, input }: Task): Promise<Outcome> {
  try {
    const task = tasks[name] as (input: unknown) => Promise<Done<unknown>>
    return { ok: true, done: await task(input) }
  } catch (error) {
    if (!(error instanceof AppError)) throw error
    return { ok: false, code: error.code, extras: error.extras }
  }
}
