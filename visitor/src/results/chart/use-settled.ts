import { onBeforeUnmount, shallowRef, watch, type ShallowRef } from 'vue'

const QUIET_MS = 120

/** What a value is once it rests: pictures follow a moment after the figures, so that typing never waits for them. */
export function useSettled<T>(value: () => T): Readonly<ShallowRef<T>> {
  const settled = shallowRef(value())
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(value, (now) => {
    clearTimeout(timer)
    timer = setTimeout(() => (settled.value = now), QUIET_MS)
  })
  onBeforeUnmount(() => clearTimeout(timer))
  return settled
}
