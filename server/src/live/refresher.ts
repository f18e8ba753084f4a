import type { Logger } from 'pino'

export interface Refresher {
  /** Has something read anew. What is asked for while it is being read is read once more, after that. */
  refresh(what: string): void
  /** Since when something waits to be read; undefined while all is as it stands in the database. */
  readonly behindSince: Date | undefined
  /** Waits until all that was asked for is read. */
  settled(): Promise<void>
  stop(): Promise<void>
}

const FIRST_RETRY_MS = 100
const LAST_RETRY_MS = 2_000

/**
 * Keeps a copy of something up to date: one reading at a time, so that an older one never wins over a newer; one that
 * fails is tried again until it succeeds.
 */
export function createRefresher(read: (what: string) => Promise<void>, log: Logger): Refresher {
  const waiting = new Map<string, Date>()
  let running: Promise<void> | undefined
  let isStopped = false
  let wake: (() => void) | undefined
  /** Since when what is being read has waited. */
  let reading: Date | undefined

  async function run(): Promise<void> {
    let pause = FIRST_RETRY_MS
    for (;;) {
      const [next] = waiting
      if (!next || isStopped) return
      const [what, since] = next
      // Taken out before it is read: what changes meanwhile is announced anew and read again.
      waiting.delete(what)
      reading = since
      try {
        await read(what)
        pause = FIRST_RETRY_MS
      } catch (err) {
        log.warn({ err, what }, 'what changed could not be read; it is tried again')
        waiting.set(what, since)
        await new Promise<void>((resolve) => {
          wake = resolve
          setTimeout(resolve, pause).unref()
        })
        pause = Math.min(pause * 2, LAST_RETRY_MS)
      } finally {
        reading = undefined
      }
    }
  }
  return {
    refresh(what) {
      if (!waiting.has(what)) waiting.set(what, new Date())
      running ??= run().finally(() => (running = undefined))
    },
    get behindSince() {
      const all = [...waiting.values(), ...(reading ? [reading] : [])]
      return all.length === 0 ? undefined : new Date(Math.min(...all.map(Number)))
    },
    settled: async () => {
      while (running) await running
    },
    stop: async () => {
      isStopped = true
      wake?.()
      await running
    },
  }
}
