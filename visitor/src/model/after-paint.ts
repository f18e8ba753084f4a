import { nextTask } from '../taking-over/in-turn'

/** The longest a page is waited for that draws no frames, as one behind another. */
const NO_FRAME_MS = 100

/** Once what stands now is painted: what takes its time then does not hold it up. */
export async function afterPaint(): Promise<void> {
  await new Promise<void>((done) => {
    const timer = setTimeout(done, NO_FRAME_MS)
    requestAnimationFrame(() => {
      clearTimeout(timer)
      done()
    })
  })
  await nextTask()
}
