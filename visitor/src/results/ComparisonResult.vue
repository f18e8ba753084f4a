<script setup lang="ts">
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import { lowestSaid } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import ComparedTable from '../pieces/ComparedTable.vue'

const { step, readout, calculator } = defineProps<{
  step: ReadoutOf<'comparison'>
  readout: Extract<Readout, { shows: 'comparison' }>
  calculator: Calculator
}>()
const { say, steps, figures } = calculator

const columns = computed(() => {
  const compared = steps.value.find(({ id }) => id === readout.comparison)
  const loans = compared?.kind === 'comparison' ? compared.loans : []
  return readout.columns.map((column) => {
    const loan = loans[column.at]
    return { column, label: (loan && say(loan.label)) || loan?.loan || '' }
  })
})
const lowest = computed(() =>
  lowestSaid(
    readout.columns,
    columns.value.map(({ label }) => label),
    figures.value,
    readout.turn,
  ),
)
</script>

<template>
  <section class="result wide" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <ComparedTable
      :columns="columns"
      :rows="readout.rows"
      :label="say(step.label)"
      :calculator="calculator"
    />
    <p v-if="lowest" class="sentence">{{ lowest }}</p>
  </section>
</template>
