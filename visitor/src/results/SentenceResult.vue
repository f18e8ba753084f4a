<script setup lang="ts">
import { mainLanguage } from '@vivid/core/evaluate'
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import { sentenceText } from '@vivid/contract/wording'
import ExplainedText from '../pieces/ExplainedText.vue'
import type { Calculator } from '../model/use-calculator'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'sentence'>
  readout: Extract<Readout, { shows: 'sentence' }>
  calculator: Calculator
}>()
const sentence = computed(() =>
  sentenceText(readout.sentence, calculator.figures.value, mainLanguage(calculator.program.value)),
)
</script>

<template>
  <section class="result said" :aria-label="calculator.say(step.label)">
    <p class="label">{{ calculator.say(step.label) }}</p>
    <p class="sentence"><ExplainedText :text="sentence" :calculator="calculator" /></p>
  </section>
</template>
