import type { HydrationStrategy } from 'vue'
import { keepTyped } from './keep-typed'

/** On the elements of a part that has not had its turn: what is pressed there is remembered (`before-scripts.js`). */
const WAITS = 'data-waits-its-turn'

const waiting: (() => void)[] = []
let running: Promise<void> | undefined

/** Each part takes over in a task of its own, so that the browser can answer in between. */
export const inTurn: HydrationStrategy = (takeOver, forEachElement) => {
  const elements: Element[] = []
  forEachElement((element) => elements.push(element))
  for (const element of elements) element.setAttribute(WAITS, '')
  waiting.push(() => {
    const typed = elements.map(keepTyped)
    takeOver()
    for (const element of elements) element.removeAttribute(WAITS)
    for (const one of typed) one.restore()
    for (const one of typed) one.tell()
  })
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
    const takeTurn = waiting.shift()
    if (!takeTurn) break
    takeTurn()
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
