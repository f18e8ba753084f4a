import { ref } from 'vue'
import { sentenceOf } from './api-error'

/** Asking the server on a page: whether it is busy, and what `say` makes of what went wrong; by default the server's sentence. */
export function useAsking(say: (error: unknown) => string = sentenceOf) {
  const busy = ref(false)
  const problem = ref('')
  /** Does something; whether it went well. */
  async function asking(work: () => Promise<void>): Promise<boolean> {
    busy.value = true
    problem.value = ''
    try {
      await work()
      return true
    } catch (error) {
      problem.value = say(error)
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, problem, asking }
}
