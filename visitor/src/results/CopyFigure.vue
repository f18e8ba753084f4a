<script setup lang="ts">
import { ref } from 'vue'

/** Copies a figure with one tap. What is copied is the figure as it is read. */
const { text, label, copied } = defineProps<{ text: string; label: string; copied: string }>()

const done = ref(false)
async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(text)
    done.value = true
    setTimeout(() => (done.value = false), 1600)
  } catch {
    // The browser does not let pages copy here: the figure stands beside the button, to be selected by hand.
  }
}
</script>

<template>
  <button type="button" class="copy" :aria-label="label" :title="label" @click="copy">
    <svg viewBox="0 0 16 16" aria-hidden="true">
      <path
        d="M5 2.5h6.5a2 2 0 0 1 2 2V11M2.5 6.5a1 1 0 0 1 1-1h6a1 1 0 0 1 1 1v6a1 1 0 0 1-1 1h-6a1 1 0 0 1-1-1z"
      />
    </svg>
    <span v-if="done" class="copied" role="status">{{ copied }}</span>
  </button>
</template>
