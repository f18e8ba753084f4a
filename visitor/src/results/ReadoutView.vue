<script setup lang="ts">
import { computed, ref, watch, type Component } from 'vue'
import type { Readout, ReadoutStep } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import type { TellHost } from '../frame/tell-host'
import FigureResult from './FigureResult.vue'
import MeterResult from './MeterResult.vue'
import { fetchedParts } from './parts'
import SentenceResult from './SentenceResult.vue'

const { step, readout, calculator } = defineProps<{
  step: ReadoutStep
  readout: Readout
  calculator: Calculator
  tellHost: TellHost
}>()

const kinds: Record<Readout['shows'], Component> = {
  figure: FigureResult,
  meter: MeterResult,
  sentence: SentenceResult,
  ...fetchedParts,
}

const ledger = computed(() =>
  readout.shows === 'schedule' ? calculator.results.value?.ledgers.get(readout.loan) : undefined,
)
const properties = computed(() => ({
  step,
  readout,
  calculator,
  ...(ledger.value && { ledger: ledger.value }),
}))
const isDrawn = computed(() => readout.shows !== 'schedule' || ledger.value !== undefined)

/** Where the figures change before a part has taken over what the server drew, it is drawn anew. */
const isThere = ref(false)
const anew = ref(0)
watch(calculator.results, () => {
  if (!isThere.value) anew.value++
})
</script>

<template>
  <component
    :is="kinds[readout.shows]"
    v-if="isDrawn"
    :key="anew"
    v-bind="{ ...properties, ...(readout.shows === 'actions' && { tellHost }) }"
    @vue:mounted="isThere = true"
  />
</template>
