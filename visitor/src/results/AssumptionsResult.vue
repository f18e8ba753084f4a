<script setup lang="ts">
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import { ratesSaid } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import RichText from '../RichText.vue'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'assumptions'>
  readout: Extract<Readout, { shows: 'assumptions' }>
  calculator: Calculator
}>()
const { figures, program, say, sayRich, sheets } = calculator

const rates = computed(() => ratesSaid([readout], program.value, sheets.value, figures.value))
</script>

<template>
  <section class="result wide assumptions" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <RichText :text="sayRich(step.text)" />
    <p v-for="rate in rates" :key="rate" class="help">{{ rate }}</p>
  </section>
</template>
