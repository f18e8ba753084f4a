<script setup lang="ts">
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import { conventionsSaid, ratesSaid } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import ExplainedText from '../pieces/ExplainedText.vue'
import RichText from '../pieces/RichText.vue'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'assumptions'>
  readout: Extract<Readout, { shows: 'assumptions' }>
  calculator: Calculator
}>()
const { figures, program, say, sayRich, sheets } = calculator

const conventions = computed(() => {
  const shown = calculator.results.value
  return shown ? conventionsSaid(shown, program.value, figures.value) : []
})
const rates = computed(() => ratesSaid([readout], program.value, sheets.value, figures.value))
</script>

<template>
  <section class="result wide assumptions" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <RichText v-if="sayRich(step.text)" :text="sayRich(step.text)" :calculator="calculator" />
    <div v-if="conventions.length" class="rich">
      <ul>
        <li v-for="line in conventions" :key="line">
          <ExplainedText :text="line" :calculator="calculator" />
        </li>
      </ul>
    </div>
    <p v-for="rate in rates" :key="rate" class="help">{{ rate }}</p>
  </section>
</template>
