/** Work that is done again and again for as long as the server runs. */
export interface Background {
  /** Does it right away, or right after what is being done; resolves once it is done. */
  hurry(): Promise<void>
  /** Waits for what is being done, and does it no more. */
  stop(): Promise<void>
}

/**
 * Does a piece of work every so often, never twice at once; the first time right away. What it throws goes to
 * `onFault`, and it is tried again the next time. Server processes share work by claiming rows, not by knowing of each
 * other.
 */
export function inBackground(
  work: (isStopped: () => boolean) => Promise<void>,
  everyMs: number,
  onFault: (err: unknown) => void,
): Background {
  let running = Promise.resolve()
  let isStopped = false
  let isQueued = false
  const timer = setInterval(() => void hurry(), everyMs)
  timer.unref()
  void hurry()
  return {
    hurry,
    stop: async () => {
      isStopped = true
      clearInterval(timer)
      await running
    },
  }

  function hurry(): Promise<void> {
    if (isStopped || isQueued) return running
    isQueued = true
    running = running.then(async () => {
      isQueued = false
      await work(() => isStopped).catch(onFault)
    })
    return running
  }
}
