<script setup lang="ts">
import { ref, watch } from 'vue'
import { mainLanguage, type Answers, type Program, type RateSheet } from '@vivid/core'
import type { HouseStyle } from '@vivid/contract'
import { localNow } from '../time/local-today'
import LanguageButtons from './LanguageButtons.vue'
import PreviewFrame from './PreviewFrame.vue'
import WidthRuler from './WidthRuler.vue'

/** The visitor's own page beside the tape, alive with the draft. */
const {
  program,
  now = localNow(),
  title = 'As the visitor sees it',
} = defineProps<{
  program: Program
  answers: Answers
  houseStyle: HouseStyle
  sheets: readonly RateSheet[]
  /** The minute it is shown for, "2026-11-25T09:41"; now where nothing is said. */
  now?: string
  title?: string
}>()

const language = ref(mainLanguage(program))
const width = ref(390)
const scale = ref(1)
watch(
  () => program.languages,
  (now) => {
    if (!now.includes(language.value)) language.value = now[0] ?? 'en-CA'
  },
)
</script>

<template>
  <section class="preview" :aria-label="title">
    <div class="head">
      <h3>{{ title }}</h3>
      <span class="soft"
        >{{ width }} px wide{{ scale < 1 ? `, drawn at ${Math.round(scale * 100)}%` : '' }}</span
      >
    </div>
    <LanguageButtons v-model="language" class="languages" :languages="program.languages" />
    <WidthRuler v-model="width" />
    <PreviewFrame
      :program="program"
      :answers="answers"
      :house-style="houseStyle"
      :sheets="sheets"
      :now="now"
      :language="language"
      :width="width"
      title="The calculator as the visitor sees it"
      @scale="scale = $event"
    />
  </section>
</template>

<style scoped>
.preview {
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 14px 18px 16px;
  background: #ece6da;
}
.languages {
  position: absolute;
  top: 10px;
  right: 18px;
}
.head:has(+ .languages) {
  padding-right: 90px;
}
.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 12px;
}
h3 {
  font: 700 15px var(--text);
}
</style>
