<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import {
  compile,
  createEvaluator,
  headlineReadout,
  mainLanguage,
  ownThingsOf,
  readMoment,
  type Starter,
} from '@vivid/core'
import type { HouseStyle } from '@vivid/contract'
import { conventionsSaid, figuresFor } from '@vivid/contract/wording'
import PreviewFrame from '../shared/preview/PreviewFrame.vue'
import { localNow } from '../shared/time/local-today'
import { ownSaid, ownWords } from './own-words'

/** A starter before it is chosen: its page, alive; what it takes for granted; and what a lender makes its own of it. */
const { starter, houseStyle } = defineProps<{ starter: Starter; houseStyle: HouseStyle }>()

const document = computed(() => starter.make())
const program = computed(() => compile(document.value, starter.sheets).program)
const answers = computed(() => document.value.samples[0]?.answers ?? {})
const main = computed(() => mainLanguage(document.value))
const evaluation = computed(() => {
  const today = readMoment(localNow())
  return today && createEvaluator(program.value)(answers.value, { today, sheets: starter.sheets })
})
const conventions = computed(() =>
  evaluation.value
    ? conventionsSaid(evaluation.value, program.value, figuresFor(program.value, main.value))
    : [],
)
/** Its figure and meter first; what is asked stands above them. */
const headline = computed(() => headlineReadout(evaluation.value?.readouts ?? [])?.id)
/** Another starter begins anew. */
const turn = ref(0)
watch(
  () => starter.id,
  () => turn.value++,
)
const own = computed(() => ownThingsOf(document.value))
const proofs = computed(() => document.value.proofs.length)
</script>

<template>
  <section class="shown" tabindex="0" :aria-label="`${starter.title}, as a page`">
    <div class="page">
      <PreviewFrame
        :program="program"
        :answers="answers"
        :house-style="houseStyle"
        :sheets="starter.sheets"
        :language="main"
        :width="390"
        :turn="turn"
        :sight="headline"
        :title="`${starter.title}, as a visitor sees it`"
      />
    </div>
    <template v-if="conventions.length">
      <h3>What it takes for granted</h3>
      <ul>
        <li v-for="line in conventions" :key="line">{{ line }}</li>
      </ul>
    </template>
    <h3>What you make your own</h3>
    <ul>
      <li v-for="thing in own" :key="thing">{{ ownWords[thing] }}: {{ ownSaid(thing, document) }}</li>
    </ul>
    <p class="soft">
      {{ proofs === 0 ? 'No proof' : proofs === 1 ? '1 proof' : `${proofs} proofs` }} of its figures
      {{ proofs === 1 ? 'comes' : 'come' }} along, worked out by another route.
    </p>
  </section>
</template>

<style scoped>
.shown {
  min-width: 0;
}
.page {
  display: flex;
  flex-direction: column;
  height: 300px;
  margin-bottom: 10px;
  padding: 8px;
  border-radius: 9px;
  background: #ece6da;
}
h3 {
  margin: 10px 0 2px;
  font: 700 14px var(--text);
}
ul {
  margin: 0;
  padding-left: 18px;
  font-size: 14px;
}
p {
  margin: 8px 0 0;
  font-size: 14px;
}
</style>
