import { shallowRef, watch, type Ref } from 'vue'
import { nextTask } from '../taking-over/in-turn'
import { afterPaint } from './after-paint'

/**
 * What is typed, followed a moment later: it is painted first, then what follows from it is prepared in a task, and drawn in
 * another, so that a slow telephone answers in between. Of what is typed meanwhile the last is followed.
 */
export function useFollowing<T>(typed: Readonly<Ref<T>>, begin: T, prepare: (typed: T) => unknown) {
  const following = shallowRef(begin)
  let isUnderWay = false
  async function follow(): Promise<void> {
    if (isUnderWay) return
    isUnderWay = true
    await afterPaint()
    try {
      if (following.value !== typed.value) prepare(typed.value)
    } catch {
      // It fails again where it is drawn, behind the boundary there.
    }
    await nextTask()
    isUnderWay = false
    catchUp()
  }
  /** At once, where somebody asks for what follows. */
  function catchUp(): void {
    following.value = typed.value
  }
  watch(typed, follow)
  return { following, catchUp }
}
