<script setup lang="ts">
import type { ComparedColumn, ComparisonRow, Readout, ReadoutOf } from '@vivid/core/evaluate'
import { computed } from 'vue'
import type { Calculator } from '../model/use-calculator'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'comparison'>
  readout: Extract<Readout, { shows: 'comparison' }>
  calculator: Calculator
}>()
const { figures, words, say, steps } = calculator

const labels = computed(() => {
  const step = steps.value.find(({ id }) => id === readout.comparison)
  return step?.kind === 'comparison' ? step.loans.map(({ label, loan }) => say(label) || loan) : []
})
function cell(row: ComparisonRow, column: ComparedColumn): string {
  switch (row) {
    case 'payments':
      return figures.value.count(column.payments)
    case 'endDate':
      return column.endDate ? figures.value.month(column.endDate) : '–'
    case 'difference':
      return column.at === 0
        ? '–'
        : `${column.difference > 0 ? '+' : ''}${figures.value.money(column.difference)}`
    default:
      return figures.value.money(column[row])
  }
}
const differs = (row: ComparisonRow, column: ComparedColumn) =>
  column.at > 0 &&
  row !== 'difference' &&
  readout.columns[0] !== undefined &&
  column[row] !== readout.columns[0][row]
</script>

<template>
  <section class="result wide" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <div class="scroll" tabindex="0" role="group" :aria-label="say(step.label)">
      <table class="comparison">
        <thead>
          <tr>
            <td></td>
            <th v-for="column in readout.columns" :key="column.at" scope="col" class="amount">
              {{ labels[column.at] }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in readout.rows" :key="row">
            <th scope="row">{{ words.rows[row] }}</th>
            <td
              v-for="column in readout.columns"
              :key="column.at"
              class="amount"
              :class="{ differs: differs(row, column) }"
            >
              {{ cell(row, column) }}
              <span v-if="differs(row, column)" class="out-of-sight">{{ words.differs }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
