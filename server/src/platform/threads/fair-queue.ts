export interface FairQueue {
  /** Runs something once it is somebody's turn; undefined where too much of theirs, or of all, waits already. */
  run<Result>(who: string, act: () => Promise<Result>): Promise<Result> | undefined
  readonly waiting: number
}

interface Waiting {
  readonly start: () => void
}

/**
 * Lets so many things run at once, and of one person or address never all of them while others wait: whoever asks for
 * much waits in a line of their own, and the lines take turns.
 */
export function createFairQueue({
  atOnce,
  mostWaiting,
  mostWaitingOfOne,
}: {
  readonly atOnce: number
  readonly mostWaiting: number
  readonly mostWaitingOfOne: number
}): FairQueue {
  const atOnceOfOne = Math.max(1, atOnce - 1)
  /** In the order of their turns. */
  const lines = new Map<string, Waiting[]>()
  const running = new Map<string, number>()
  let runningInAll = 0
  let waiting = 0

  function next(): void {
    if (runningInAll >= atOnce) return
    for (const [who, line] of lines) {
      if ((running.get(who) ?? 0) >= atOnceOfOne) continue
      const first = line.shift()
      // Behind all others, or gone where nothing of theirs waits.
      lines.delete(who)
      if (line.length > 0) lines.set(who, line)
      waiting--
      first?.start()
      return next()
    }
  }

  function ended(who: string): void {
    runningInAll--
    const left = (running.get(who) ?? 1) - 1
    if (left > 0) running.set(who, left)
    else running.delete(who)
    next()
  }

  return {
    get waiting() {
      return waiting
    },
    run<Result>(who: string, act: () => Promise<Result>) {
      const line = lines.get(who) ?? []
      if (waiting >= mostWaiting || line.length >= mostWaitingOfOne) return undefined
      return new Promise<Result>((resolve, reject) => {
        line.push({
          start: () => {
            runningInAll++
            running.set(who, (running.get(who) ?? 0) + 1)
            act()
              .finally(() => ended(who))
              .then(resolve, reject)
          },
        })
        lines.set(who, line)
        waiting++
        next()
      })
    },
  }
}
