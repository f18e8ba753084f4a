import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import type { TellBroken } from '../broken-steps'
import { AppError } from '../http/app-error'
import { tooMany } from '../http/limits'
import { createFairQueue } from './fair-queue'
import type { TaskInput, TaskName, TaskResult } from './tasks'
import type { Outcome, Task } from './worker'

/** For whom something is done: those of one `who` never hold up those of another. */
export interface ForWhom {
  /** A person's id, a key's, or the network of an address. */
  readonly who: string
  /** What the log is told where it is broken: "draft raft-loan". */
  readonly what: string
  /** Nobody waits for it any more: it is not begun. */
  readonly signal?: AbortSignal
}

export interface Work {
  /** Does a task elsewhere. Refuses it where too much of theirs waits, and stops it where it takes too long. */
  do<Name extends TaskName>(name: Name, input: TaskInput<Name>, forWhom: ForWhom): Promise<TaskResult<Name>>
  close(): Promise<void>
}

/** How long each may take, in seconds, from when its turn comes. */
const SECONDS: Readonly<Record<TaskName, number>> = {
  evaluate: 5,
  draw: 5,
  file: 20,
  handOver: 5,
  card: 5,
  check: 30,
  impact: 30,
  presets: 10,
}
/** What visitors wait for has threads of its own: nothing at the desk holds it up. */
const VISITORS: ReadonlySet<TaskName> = new Set(['evaluate', 'draw', 'file', 'handOver'])
const [MOST_WAITING, MOST_WAITING_OF_ONE] = [400, 30]

/** How a task is done: given to a thread, or, in tests, done here. */
export type Run = (task: Task, signal: AbortSignal) => Promise<Outcome>

export function createWork(tellBroken: TellBroken, visitors: Run, desk: Run, threads = threadsHere()): Work {
  const queue = (atOnce: number) =>
    createFairQueue({ atOnce, mostWaiting: MOST_WAITING, mostWaitingOfOne: MOST_WAITING_OF_ONE })
  const queues = { visitors: queue(threads.visitors), desk: queue(threads.desk) }

  return {
    async do<Name extends TaskName>(name: Name, input: TaskInput<Name>, { who, what, signal }: ForWhom) {
      const [queue, run] = VISITORS.has(name) ? [queues.visitors, visitors] : [queues.desk, desk]
      const outcome = await queue.run(who, async () => {
        // Once begun it goes on to its end, which is near: to end a thread and begin another costs more.
        if (signal?.aborted) throw stopped('nobody waits for it')
        const deadline = AbortSignal.timeout(SECONDS[name] * 1000)
        try {
          return await run({ name, input }, deadline)
        } catch (error) {
          if (deadline.aborted) throw stopped(`it took longer than ${SECONDS[name]} seconds`)
          if ((error as { code?: unknown }).code === 'ERR_WORKER_OUT_OF_MEMORY')
            throw stopped('it took more memory than there is for it')
          throw error
        }
      })
      if (outcome === undefined) throw tooMany(3)
      if (!outcome.ok) throw new AppError(outcome.code, outcome.extras)
      tellBroken(what, { problems: outcome.done.broken })
      return outcome.done.result as TaskResult<Name>
    },
    close: async () => undefined,
  }
}

const stopped = (why: string) => new AppError('WORK_STOPPED', { details: { why } })

/** Work in threads. `worker` is the built worker's file. */
export function createThreadedWork(worker: string, tellBroken: TellBroken): Work {
  const threads = threadsHere()
  const pools = [threads.visitors, threads.desk].map(
    (maxThreads) =>
      new Piscina<Task, Outcome>({
        filename: worker,
        minThreads: 1,
        maxThreads,
        idleTimeout: 60_000,
        resourceLimits: { maxOldGenerationSizeMb: 768 },
      }),
  )
  const [visitors, desk] = pools.map(
    (pool): Run =>
      (task, signal) =>
        pool.run(task, { signal }),
  )
  if (!visitors || !desk) throw new Error('there are two pools')
  const work = createWork(tellBroken, visitors, desk, threads)
  return { ...work, close: async () => void (await Promise.all(pools.map((pool) => pool.destroy()))) }
}

/** Sized to the machine: one thread is left to answer with. */
const threadsHere = () => {
  const all = availableParallelism()
  return { visitors: Math.max(1, all - 1), desk: Math.max(1, Math.ceil(all / 2)) }
}
