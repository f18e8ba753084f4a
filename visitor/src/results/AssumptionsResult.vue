<script setup lang="ts">
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import RichText from '../RichText.vue'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'assumptions'>
  readout: Extract<Readout, { shows: 'assumptions' }>
  calculator: Calculator
}>()
const { figures, words, say, sayRich, steps } = calculator

/** The days the looked-up rates took effect, each sheet once. */
const rates = computed(() => {
  const named = readout.rates.map(({ step: id, effective }) => {
    const step = steps.value.find((one) => one.id === id)
    const sheet = calculator.sheets.value.find((one) => step?.kind === 'lookUp' && one.id === step.sheet)
    return words.value.ratesFrom(sheet?.name ?? step?.name ?? id, figures.value.date(effective))
  })
  return [...new Set(named)]
})
</script>

<template>
  <section class="result wide assumptions" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <RichText :text="sayRich(step.text)" />
    <p v-for="rate in rates" :key="rate" class="help">{{ rate }}</p>
  </section>
</template>
