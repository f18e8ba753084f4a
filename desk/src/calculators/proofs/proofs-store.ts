import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { ProofResult } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import type { ProofsProgress, ProofsRequest } from './proofs-worker'

/** The proofs of the draft, run in a worker on every change; how far the run has come, and what differs. */
export const useProofs = defineStore('proofs', () => {
  const draft = useDraft()
  const results = shallowRef<readonly ProofResult[]>([])
  const of = shallowRef(0)
  const running = shallowRef(false)
  let worker: Worker | undefined
  let run = 0

  function start(): void {
    worker ??= new Worker(new URL('./proofs-worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<ProofsProgress>) => {
      if (data.run !== run) return
      results.value = data.results
      of.value = data.of
      running.value = data.results.length < data.of
    }
    const { document } = draft
    if (!document) return
    run += 1
    running.value = document.proofs.length > 0
    of.value = document.proofs.length
    if (document.proofs.length === 0) results.value = []
    const request: ProofsRequest = { run, document, sheets: draft.sheets }
    // Plain data only: what Vue watches cannot be sent to a worker.
    worker.postMessage(JSON.parse(JSON.stringify(request)))
  }

  /** Ends a run that is under way; what is known so far stays. */
  function stop(): void {
    run += 1
    running.value = false
    worker?.terminate()
    worker = undefined
  }

  const stopWatching = watch(() => [draft.document, draft.sheets] as const, start, { immediate: true })

  return {
    results,
    of,
    running,
    stop,
    start,
    differing: computed(() => results.value.filter(({ agrees }) => !agrees)),
    /** All are run and agree. */
    allAgree: computed(
      () =>
        !running.value && results.value.length === of.value && results.value.every(({ agrees }) => agrees),
    ),
    dispose(): void {
      stopWatching()
      stop()
    },
  }
})
