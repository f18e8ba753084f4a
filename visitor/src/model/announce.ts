import { ref, watch, type Ref } from 'vue'

const QUIET_MS = 900

/**
 * What a screen reader is told, politely: the latest text once nothing has changed for a moment, so that somebody who
 * types hears the result and not every step towards it. Nothing is told of what was there at the start.
 */
export function useAnnouncement(text: () => string): Ref<string> {
  const said = ref('')
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(text, (now) => {
    clearTimeout(timer)
    timer = setTimeout(() => (said.value = now), QUIET_MS)
  })
  return said
}
