<script setup lang="ts">
import { mainLanguage } from '@vivid/core/evaluate'
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import { figureText } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import ExplainedText from '../pieces/ExplainedText.vue'
import CopyFigure from './CopyFigure.vue'
import PartsOfWhole from './PartsOfWhole.vue'

const { step, readout, calculator } = defineProps<{
  step: ReadoutOf<'meter'>
  readout: Extract<Readout, { shows: 'meter' }>
  calculator: Calculator
}>()
const text = computed(() =>
  figureText(readout, calculator.figures.value, mainLanguage(calculator.program.value)),
)
const label = computed(() => calculator.say(step.label))
</script>

<template>
  <section class="result wide" :aria-label="label">
    <p class="label">{{ label }}</p>
    <p class="figure small">
      {{ text.figure }}
      <CopyFigure
        :text="text.figure"
        :label="calculator.words.value.copy(`${label} ${text.figure}`)"
        :copied="calculator.words.value.copied"
      />
    </p>
    <PartsOfWhole :parts="readout.parts" :labels="step.parts" :calculator="calculator" />
    <p v-if="text.sentence" class="sentence">
      <ExplainedText :text="text.sentence" :also="[label]" :calculator="calculator" />
    </p>
  </section>
</template>
