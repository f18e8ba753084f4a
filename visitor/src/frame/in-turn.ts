import type { HydrationStrategy } from 'vue'

const waiting: (() => void)[] = []
let running: Promise<void> | undefined

/** Each part takes over in a task of its own, so that the browser can answer in between. */
export const inTurn: HydrationStrategy = (takeOver) => {
  waiting.push(takeOver)
  running ??= run()
}

/** Once every part that waits has had its turn. */
export async function turnsTaken(): Promise<void> {
  await nextTask()
  await running
}

async function run(): Promise<void> {
  for (;;) {
    await nextTask()
    const takeOver = waiting.shift()
    if (!takeOver) break
    takeOver()
  }
  running = undefined
}

/** Lets the browser answer before going on. */
export const nextTask = (): Promise<void> =>
  new Promise((done) => {
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = () => done()
    port2.postMessage(undefined)
  })
