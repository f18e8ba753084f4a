import { randomUUID } from 'node:crypto'
import type { HandOverBody, HandOversStore } from './hand-overs-store'

export type HandOvers = ReturnType<typeof createHandOvers>

/** Takes what visitors hand over: it is kept before the visitor is told so, and delivered from there. */
export function createHandOvers(store: HandOversStore, hurry: () => void) {
  return {
    async accept(body: HandOverBody): Promise<void> {
      await store.add(randomUUID(), body)
      hurry()
    },
  }
}
