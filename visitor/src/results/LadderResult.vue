<script setup lang="ts">
import { computed } from 'vue'
import { mainLanguage, type Readout, type ReadoutOf } from '@vivid/core/evaluate'
import { ladderCells, ladderTable, refusedSaid } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'ladder'>
  readout: Extract<Readout, { shows: 'ladder' }>
  calculator: Calculator
}>()
const { figures, say } = calculator
const table = computed(() => ladderTable(readout, figures.value, mainLanguage(calculator.program.value)))
const refused = computed(() => refusedSaid(readout, figures.value))
/** Payments are shaded by size, and the visitor's own is framed. */
const cells = computed(() => {
  const of = calculator.steps.value.find(({ id }) => id === readout.ladder)
  const own = of?.kind === 'ladder' ? calculator.results.value?.terms.get(of.loan) : undefined
  return ladderCells(readout, own)
})
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
          <tr v-for="(row, at) in table.rows" :key="row[0]">
            <th scope="row">{{ row[0] }}</th>
            <td
              v-for="(cell, i) in row.slice(1)"
              :key="i"
              class="amount"
              :class="{ sized: cells[at]?.[i], own: cells[at]?.[i]?.isOwn }"
              :style="{ '--size': cells[at]?.[i]?.size }"
            >
              {{ cell }}
              <span v-if="cells[at]?.[i]?.isOwn" class="out-of-sight">{{
                calculator.words.value.yours
              }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-for="(one, i) in refused" :key="i" class="sentence">{{ one }}</p>
  </section>
</template>
