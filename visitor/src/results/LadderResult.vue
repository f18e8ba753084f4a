<script setup lang="ts">
import './tables.css'
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import { ladderTable } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'ladder'>
  readout: Extract<Readout, { shows: 'ladder' }>
  calculator: Calculator
}>()
const { figures, say } = calculator
const table = computed(() => ladderTable(readout, figures.value))
</script>

<template>
  <section class="result wide" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <div class="scroll" tabindex="0" role="group" :aria-label="say(step.label)">
      <table class="ladder">
        <thead>
          <tr>
            <th v-for="(name, i) in table.head" :key="i" scope="col" :class="{ amount: i > 0 }">
              {{ name }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in table.rows" :key="row[0]">
            <th scope="row">{{ row[0] }}</th>
            <td v-for="(cell, i) in row.slice(1)" :key="i" class="amount">{{ cell }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
