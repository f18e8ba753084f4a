import { computed, shallowRef } from 'vue'

interface Entry<State> {
  readonly before: State
  readonly after: State
  readonly key: string | undefined
  readonly at: number
}

/** Changes under one key this close together are one. */
const TOGETHER_MS = 1_500
const LONGEST = 500

/** What a change comes to where its state has become another meanwhile. */
export type Join<State> = (from: State, to: State, current: State) => State

/**
 * What can be undone and done again, through the whole session. `join` says how a change is taken back (or done again) on what
 * stands there by then; for what only one person edits, the state before it (or after it) is that.
 */
export function createHistory<State>(join: Join<State> = (_from, to) => to, now: () => number = Date.now) {
  const done = shallowRef<readonly Entry<State>[]>([])
  const undone = shallowRef<readonly Entry<State>[]>([])

  return {
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
    add(before: State, after: State, key?: string): void {
      const last = done.value.at(-1)
      const at = now()
      const joins = last && key !== undefined && last.key === key && at - last.at < TOGETHER_MS
      done.value = joins
        ? [...done.value.slice(0, -1), { ...last, after, at }]
        : [...done.value, { before, after, key, at }].slice(-LONGEST)
      undone.value = []
    },
    /** The state as it is without the last change; as it stands where there is none. */
    undo(current: State): State {
      const entry = done.value.at(-1)
      if (!entry) return current
      done.value = done.value.slice(0, -1)
      undone.value = [...undone.value, entry]
      return join(entry.after, entry.before, current)
    },
    redo(current: State): State {
      const entry = undone.value.at(-1)
      if (!entry) return current
      undone.value = undone.value.slice(0, -1)
      done.value = [...done.value, { ...entry, key: undefined }]
      return join(entry.before, entry.after, current)
    },
    clear(): void {
      done.value = []
      undone.value = []
    },
  }
}
