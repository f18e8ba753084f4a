<script setup lang="ts">
import { computed } from 'vue'
import type { ReadoutOf } from '@vivid/core/evaluate'
import { payOffSaid, payOffTable, type PayOffReadout } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'

/** Several loans paid off together: the orders beside each other, and which saves most. */
const { step, readout, calculator } = defineProps<{
  step: ReadoutOf<'payOff'>
  readout: PayOffReadout
  calculator: Calculator
}>()
const { say, figures, words } = calculator
const table = computed(() => payOffTable(readout, figures.value))
const sentence = computed(() => payOffSaid(readout, figures.value))
</script>

<template>
  <section class="result wide" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <p class="sentence">{{ sentence }}</p>
    <div class="scroll" tabindex="0" role="group" :aria-label="say(step.label)">
      <table class="comparison orders">
        <thead>
          <tr>
            <td></td>
            <th
              v-for="(head, at) in table.head.slice(1)"
              :key="at"
              scope="col"
              class="amount"
              :class="{ own: at === table.own }"
            >
              {{ head }}
              <span v-if="at === table.own" class="own-said">{{ words.loans.yours }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="[name, ...cells] in table.rows" :key="name">
            <th scope="row">{{ name }}</th>
            <td v-for="(cell, at) in cells" :key="at" class="amount" :class="{ own: at === table.own }">
              {{ cell }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
