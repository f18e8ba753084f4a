import { onBeforeUnmount, onMounted, type Ref } from 'vue'

/** Escape closes a dialog wherever the focus is: a button that went away with what it did takes the focus along. */
export function closeOnEscape(open: Ref<boolean>): void {
  const onKey = ({ key }: KeyboardEvent) => {
    if (key === 'Escape' && open.value) open.value = false
  }
  onMounted(() => window.addEventListener('keydown', onKey))
  onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
}
