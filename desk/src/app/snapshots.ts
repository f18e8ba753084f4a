import { computed, shallowRef } from 'vue'

const LONGEST = 200
const TOGETHER_MS = 1_200

/** Undo and redo for something that one person edits: whole states. Changes under one key that follow closely are one. */
export function createSnapshots<State>(now: () => number = Date.now) {
  const past = shallowRef<readonly State[]>([])
  const future = shallowRef<readonly State[]>([])
  let last: { key: string; at: number } | undefined

  return {
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    /** Keeps the state before a change. */
    keep(before: State, key?: string): void {
      const joins = key !== undefined && last?.key === key && now() - last.at < TOGETHER_MS
      last = key === undefined ? undefined : { key, at: now() }
      future.value = []
      if (!joins) past.value = [...past.value, before].slice(-LONGEST)
    },
    undo(current: State): State {
      const before = past.value.at(-1)
      if (before === undefined) return current
      last = undefined
      past.value = past.value.slice(0, -1)
      future.value = [...future.value, current]
      return before
    },
    redo(current: State): State {
      const after = future.value.at(-1)
      if (after === undefined) return current
      last = undefined
      future.value = future.value.slice(0, -1)
      past.value = [...past.value, current]
      return after
    },
    clear(): void {
      last = undefined
      past.value = []
      future.value = []
    },
  }
}
