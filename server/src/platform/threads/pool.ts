import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import { AppError } from '../http/app-error'
import { tooMany } from '../http/limits'
import type { TellBroken } from './broken-steps'
import { createFairQueue } from './fair-queue'
import type { Doing, ForWhom, Outcome, Task, TaskRules, TaskTable } from './task'

export interface Work<Table extends TaskTable> {
  /** Each task, done elsewhere. Refused where too much of theirs waits, and stopped where it takes too long. */
  readonly do: Doing<Table>
  close(): Promise<void>
}

const [MOST_WAITING, MOST_WAITING_OF_ONE] = [400, 30]

/** How a task is done: given to a thread, or, in tests, done here. */
export type Run = (task: Task, signal: AbortSignal) => Promise<Outcome>

/** What visitors wait for has threads of its own: nothing at the desk holds it up. */
interface Runs {
  readonly visitors: Run
  readonly desk: Run
}

export function createWork<Table extends TaskTable>(
  rules: TaskRules<Table>,
  tellBroken: TellBroken,
  runs: Runs,
  threads = threadsHere(),
): Work<Table> {
  const queue = (atOnce: number) =>
    createFairQueue({ atOnce, mostWaiting: MOST_WAITING, mostWaitingOfOne: MOST_WAITING_OF_ONE })
  const queues = { visitors: queue(threads.visitors), desk: queue(threads.desk) }

  async function doTask(name: keyof Table & string, input: unknown, { who, what, signal }: ForWhom) {
    const { seconds, awaitedBy } = rules[name]
    const outcome = await queues[awaitedBy].run(who, async () => {
      // Once begun it goes on to its end, which is near: to end a thread and begin another costs more.
      if (signal?.aborted) throw stopped('nobody waits for it')
      const deadline = AbortSignal.timeout(seconds * 1000)
      try {
        return await runs[awaitedBy]({ name, input }, deadline)
      } catch (error) {
        if (deadline.aborted) throw stopped(`it took longer than ${seconds} seconds`)
        if ((error as { code?: unknown }).code === 'ERR_WORKER_OUT_OF_MEMORY')
          throw stopped('it took more memory than there is for it')
        throw error
      }
    })
    if (outcome === undefined) throw tooMany(3)
    if (!outcome.ok) throw new AppError(outcome.code, outcome.extras)
    tellBroken(what, { problems: outcome.done.broken })
    return outcome.done.result
  }

  const names = Object.keys(rules) as (keyof Table & string)[]
  return {
    do: Object.fromEntries(
      names.map((name) => [name, (input: unknown, forWhom: ForWhom) => doTask(name, input, forWhom)]),
    ) as Doing<Table>,
    close: async () => undefined,
  }
}

const stopped = (why: string) => new AppError('WORK_STOPPED', { details: { why } })

/** Work in threads. `worker` is the built worker's file. */
export function createThreadedWork<Table extends TaskTable>(
  rules: TaskRules<Table>,
  worker: string,
  tellBroken: TellBroken,
): Work<Table> {
  const threads = threadsHere()
  const poolOf = (maxThreads: number) =>
    new Piscina<Task, Outcome>({
      filename: worker,
      minThreads: 1,
      maxThreads,
      idleTimeout: 60_000,
      // Node.js 20 aborts where a process ends while a thread takes a module by `require`; by `import` it ends.
      execArgv: ['--no-experimental-require-module'],
      resourceLimits: { maxOldGenerationSizeMb: 768 },
    })
  const pools = { visitors: poolOf(threads.visitors), desk: poolOf(threads.desk) }
  const runs: Runs = {
    visitors: (task, signal) => pools.visitors.run(task, { signal }),
    desk: (task, signal) => pools.desk.run(task, { signal }),
  }
  return {
    ...createWork(rules, tellBroken, runs, threads),
    close: async () => void (await Promise.all([pools.visitors.destroy(), pools.desk.destroy()])),
  }
}

/** Sized to the machine: one thread is left to answer with. */
const threadsHere = () => {
  const all = availableParallelism()
  return { visitors: Math.max(1, all - 1), desk: Math.max(1, Math.ceil(all / 2)) }
}
