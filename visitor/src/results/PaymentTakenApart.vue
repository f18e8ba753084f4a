<script setup lang="ts">
import { computed } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import CopyFigure from './CopyFigure.vue'
import PartsMeter from './PartsMeter.vue'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'payment'>
  readout: Extract<Readout, { shows: 'payment' }>
  calculator: Calculator
}>()
const { figures, words, say } = calculator
const parts = computed(() => [
  { at: 0, amount: readout.row.principal, label: words.value.columns.principal },
  { at: 1, amount: readout.row.interest, label: words.value.columns.interest },
])
</script>

<template>
  <section class="result wide" :aria-label="say(step.label)">
    <p class="label">{{ say(step.label) }}</p>
    <p class="figure small">
      {{ figures.money(readout.row.payment) }}
      <CopyFigure
        :text="figures.money(readout.row.payment)"
        :label="words.copy(figures.money(readout.row.payment))"
        :copied="words.copied"
      />
    </p>
    <div class="whole">
      <PartsMeter :parts="parts" />
      <dl class="parts">
        <div v-for="part in parts" :key="part.at">
          <dt><span class="swatch" :class="`part-${part.at}`"></span>{{ part.label }}</dt>
          <dd>{{ figures.money(part.amount) }}</dd>
        </div>
        <div>
          <dt>{{ words.columns.balance }}</dt>
          <dd>{{ figures.money(readout.row.closing) }}</dd>
        </div>
      </dl>
    </div>
    <p class="sentence">
      {{
        words.paymentNumber(
          figures.count(readout.number),
          readout.row.date ? figures.date(readout.row.date) : '',
        )
      }}
    </p>
  </section>
</template>
