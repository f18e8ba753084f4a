<script setup lang="ts">
import { mainLanguage } from '@vivid/core'
import { computed } from 'vue'
import type { Scope, Wanted } from '@vivid/core'
import { figuresFor } from '@vivid/contract/wording'
import { useDraft } from '../draft/draft-store'
import { localNow } from '../../shared/time/local-today'
import { readBack } from './read-back'

const { text, takes, scope } = defineProps<{ text: string; takes: Wanted; scope: Scope }>()
const draft = useDraft()

const sentence = computed(() => {
  const { compiled, sample } = draft
  if (!compiled || !sample || text.trim() === '') return undefined
  const { program } = compiled
  return readBack(text, takes, {
    program,
    scope,
    answers: sample.answers,
    now: localNow(),
    sheets: draft.sheets,
    figures: figuresFor(program, mainLanguage(program)),
  })
})
</script>

<template>
  <p v-if="sentence" class="read-back" role="status"><span class="soft">Reads as:</span> {{ sentence }}</p>
</template>

<style scoped>
.read-back {
  margin-top: 6px;
  padding-left: 10px;
  border-left: 3px solid var(--leaf);
  font-size: 14px;
}
</style>
