<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { OwnWords } from '@vivid/contract'
import { languageName } from '../../shared/fields/language-name'
import WordsDialog from './WordsDialog.vue'

/** What the lender words otherwise on its pages, language by language. */
const { words } = defineProps<{ words: OwnWords }>()
const emit = defineEmits<{ change: [words: OwnWords] }>()
const open = ref(false)
const summary = computed(() =>
  Object.entries(words)
    .map(([letters, phrases]) => `${languageName(letters)}: ${Object.keys(phrases).length}`)
    .join(', '),
)
</script>

<template>
  <fieldset class="words-section">
    <legend>Words of the page</legend>
    <p class="soft">
      {{ summary ? `Phrases in your own words. ${summary}.` : 'The page speaks in the product’s own words.' }}
    </p>
    <Button @click="open = true">Word it otherwise, or add a language</Button>
    <WordsDialog v-model:open="open" :words="words" @change="emit('change', $event)" />
  </fieldset>
</template>

<style scoped>
.words-section {
  display: block;
}
legend {
  width: auto;
  margin: 0;
  padding: 0 8px;
  border: 0;
  font-size: 15px;
  font-weight: 600;
}
p {
  margin: 0 0 10px;
}
</style>
