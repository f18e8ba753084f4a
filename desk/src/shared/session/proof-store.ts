import { defineStore } from 'pinia'
import { ref } from 'vue'

/** Proving once more who one is: the server asked, a dialog is open, and whatever waits goes on when it is done. */
export const useProof = defineStore('proof', () => {
  const isAsked = ref(false)
  let waiting: ((isProved: boolean) => void)[] = []

  /** Asks the person at the desk; whether they proved it. */
  function prove(): Promise<boolean> {
    isAsked.value = true
    return new Promise((done) => waiting.push(done))
  }
  function end(isProved: boolean): void {
    isAsked.value = false
    for (const done of waiting) done(isProved)
    waiting = []
  }
  return { isAsked, prove, end }
})
