<script setup lang="ts">
import { onErrorCaptured, ref, watch } from 'vue'
import type { PageWords } from '@vivid/contract/wording'

/** Keeps what breaks in one part of the page in that part, and says so; it is tried again when the figures change. */
const { follows } = defineProps<{ words: PageWords; follows: unknown }>()
const isBroken = ref(false)
const attempt = ref(0)
onErrorCaptured((error) => {
  isBroken.value = true
  // For whoever looks after the page; nobody else sees the console.
  // eslint-disable-next-line no-console
  console.warn(error)
  return false
})
function again(): void {
  if (!isBroken.value) return
  isBroken.value = false
  attempt.value++
}
watch(() => follows, again)
</script>

<template>
  <p v-if="isBroken" class="setback note wide" role="status">
    {{ words.partFailed }} <button type="button" class="plain" @click="again">{{ words.tryAgain }}</button>
  </p>
  <slot v-else :key="attempt"></slot>
</template>
