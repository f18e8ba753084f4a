<script setup lang="ts">
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import { saveText, scheduleCsv } from './save-schedule'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'actions'>
  readout: Extract<Readout, { shows: 'actions' }>
  calculator: Calculator
}>()
const { words, say, evaluation, program } = calculator

const ledger = computed(() => [...evaluation.value.ledgers.values()][0])
const actions = computed(() => readout.actions.filter((action) => action !== 'csv' || ledger.value))
const labels = computed(() => ({
  startAgain: words.value.startAgain,
  print: words.value.print,
  csv: words.value.csv,
}))

function act(action: 'startAgain' | 'print' | 'csv'): void {
  if (action === 'startAgain') calculator.startAgain()
  else if (action === 'print') window.print()
  else if (ledger.value)
    saveText(scheduleCsv(ledger.value, program.value, words.value), 'schedule.csv', 'text/csv;charset=utf-8')
}
</script>

<template>
  <section class="result wide actions" :aria-label="say(step.label)">
    <button v-for="action in actions" :key="action" type="button" class="action" @click="act(action)">
      {{ labels[action] }}
    </button>
  </section>
</template>
