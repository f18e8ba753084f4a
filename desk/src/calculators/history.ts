import { computed, shallowRef } from 'vue'
import { mergeDocuments, type CalculatorDocument } from '@vivid/core'

interface Entry {
  readonly before: CalculatorDocument
  readonly after: CalculatorDocument
  readonly key: string | undefined
  readonly at: number
}

/** Changes under one key this close together are one. */
const TOGETHER_MS = 1_500
const LONGEST = 500

/**
 * What can be undone and done again, through the whole session. Undoing takes back one person's own change and leaves
 * what others changed meanwhile: it is a three-way join of before, after, and the document as it stands.
 */
export function createHistory(now: () => number = Date.now) {
  const done = shallowRef<readonly Entry[]>([])
  const undone = shallowRef<readonly Entry[]>([])

  return {
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
    add(before: CalculatorDocument, after: CalculatorDocument, key?: string): void {
      const last = done.value.at(-1)
      const at = now()
      const joins = last && key !== undefined && last.key === key && at - last.at < TOGETHER_MS
      done.value = joins
        ? [...done.value.slice(0, -1), { ...last, after, at }]
        : [...done.value, { before, after, key, at }].slice(-LONGEST)
      undone.value = []
    },
    undo(current: CalculatorDocument): CalculatorDocument | undefined {
      const entry = done.value.at(-1)
      if (!entry) return undefined
      done.value = done.value.slice(0, -1)
      undone.value = [...undone.value, entry]
      return mergeDocuments(entry.after, entry.before, current).document
    },
    redo(current: CalculatorDocument): CalculatorDocument | undefined {
      const entry = undone.value.at(-1)
      if (!entry) return undefined
      undone.value = undone.value.slice(0, -1)
      done.value = [...done.value, { ...entry, key: undefined }]
      return mergeDocuments(entry.before, entry.after, current).document
    },
    clear(): void {
      done.value = []
      undone.value = []
    },
  }
}
