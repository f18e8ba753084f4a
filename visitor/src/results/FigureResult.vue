<script setup lang="ts">
import { mainLanguage } from '@vivid/core/evaluate'
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import { labelSaid, figureText } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import ExplainedText from '../pieces/ExplainedText.vue'
import CopyFigure from './CopyFigure.vue'
import PartsOfWhole from './PartsOfWhole.vue'

const { step, readout, calculator } = defineProps<{
  step: ReadoutOf<'figure'>
  readout: Extract<Readout, { shows: 'figure' }>
  calculator: Calculator
}>()
const { figures, say, words } = calculator

const text = computed(() => figureText(readout, figures.value, mainLanguage(calculator.program.value)))
const label = computed(() => say(step.label))
const called = computed(() => labelSaid(label.value, readout.value, figures.value))
const isWhole = computed(() => readout.parts.some(({ value }) => 'money' in value && value.money > 0))
</script>

<template>
  <section :class="readout.headline ? 'payment' : 'result'" :aria-label="label">
    <p class="label">{{ called }}</p>
    <p class="figure" :class="{ small: !readout.headline }">
      {{ text.figure }}
      <CopyFigure :text="text.figure" :label="words.copy(`${label} ${text.figure}`)" :copied="words.copied" />
    </p>
    <PartsOfWhole v-if="isWhole" :parts="readout.parts" :labels="step.parts" :calculator="calculator" />
    <p v-if="text.sentence" class="sentence">
      <ExplainedText :text="text.sentence" :also="[label]" :calculator="calculator" />
    </p>
    <p v-if="say(step.help)" class="help">
      <ExplainedText :text="say(step.help)" :calculator="calculator" />
    </p>
  </section>
</template>
