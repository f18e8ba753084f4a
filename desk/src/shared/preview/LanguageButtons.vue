<script setup lang="ts">
import { languageName } from '../fields/language-name'

/** Which of a calculator's languages its page is shown in. */
const language = defineModel<string>({ required: true })
defineProps<{ languages: readonly string[] }>()
</script>

<template>
  <div v-if="languages.length > 1" class="pressed" role="group" aria-label="Language of the preview">
    <button
      v-for="one in languages"
      :key="one"
      type="button"
      :aria-pressed="one === language"
      :title="languageName(one)"
      @click="language = one"
    >
      {{ one.slice(0, 2) }}
    </button>
  </div>
</template>

<style scoped>
button {
  text-transform: uppercase;
}
</style>
