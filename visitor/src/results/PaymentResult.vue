<script setup lang="ts">
import { computed } from 'vue'
import type { Readout } from '@vivid/core/evaluate'
import { readoutText, type Figures } from '@vivid/contract/wording'
import { words } from '../words'
import PartsMeter from './PartsMeter.vue'

const { readout, figures } = defineProps<{
  label: string
  readout: Extract<Readout, { shows: 'payment' }>
  figures: Figures
}>()
const text = computed(() => readoutText(readout, figures))
const parts = computed(() => [
  { key: 'principal' as const, amount: readout.first.principal },
  { key: 'interest' as const, amount: readout.first.interest },
])
</script>

<template>
  <section class="payment" :aria-label="label">
    <p class="label">{{ label }} {{ figures.every(readout.frequency) }}</p>
    <p class="figure">{{ text.figure }}</p>
    <template v-if="readout.count > 0">
      <PartsMeter :parts="parts" />
      <dl class="parts">
        <div v-for="part in parts" :key="part.key">
          <dt><span class="swatch" :class="part.key"></span>{{ words[part.key] }}</dt>
          <dd>{{ figures.money(part.amount) }}</dd>
        </div>
      </dl>
    </template>
    <p class="sentence">{{ text.sentence }}</p>
  </section>
</template>
