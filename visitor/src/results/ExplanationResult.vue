<script setup lang="ts">
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'explanation'>
  readout: Extract<Readout, { shows: 'explanation' }>
  calculator: Calculator
}>()
const { figures, say, steps } = calculator
const lines = computed(() =>
  readout.lines.flatMap(({ step: id, value }) => {
    const step = steps.value.find((one) => one.id === id)
    return step?.kind === 'working'
      ? [{ id, label: say(step.label) || step.name, value: figures.value.value(value) }]
      : []
  }),
)
</script>

<template>
  <section v-if="lines.length" class="result wide" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <dl class="lines">
      <div v-for="line in lines" :key="line.id">
        <dt>{{ line.label }}</dt>
        <dd>{{ line.value }}</dd>
      </div>
    </dl>
  </section>
</template>
