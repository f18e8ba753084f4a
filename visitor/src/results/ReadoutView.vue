<script setup lang="ts">
import { computed, defineAsyncComponent, type Component } from 'vue'
import type { Readout, ReadoutStep } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import type { TellHost } from '../frame/tell-host'
import AssumptionsResult from './AssumptionsResult.vue'
import FigureResult from './FigureResult.vue'
import MeterResult from './MeterResult.vue'
import SentenceResult from './SentenceResult.vue'

const { step, readout, calculator } = defineProps<{
  step: ReadoutStep
  readout: Readout
  calculator: Calculator
  tellHost: TellHost
}>()

/** What most pages begin with comes with the page; the rest is fetched by the pages that have it. */
const kinds: Record<Readout['shows'], Component> = {
  figure: FigureResult,
  meter: MeterResult,
  sentence: SentenceResult,
  assumptions: AssumptionsResult,
  schedule: defineAsyncComponent(() => import('./ScheduleResult.vue')),
  chart: defineAsyncComponent(() => import('./ChartResult.vue')),
  ladder: defineAsyncComponent(() => import('./LadderResult.vue')),
  comparison: defineAsyncComponent(() => import('./ComparisonResult.vue')),
  payment: defineAsyncComponent(() => import('./PaymentTakenApart.vue')),
  explanation: defineAsyncComponent(() => import('./ExplanationResult.vue')),
  whatIf: defineAsyncComponent(() => import('../what-if/WhatIfResult.vue')),
  actions: defineAsyncComponent(() => import('../keep/ActionsResult.vue')),
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
</script>

<template>
  <component
    :is="kinds[readout.shows]"
    v-if="isDrawn"
    v-bind="{ ...properties, ...(readout.shows === 'actions' && { tellHost }) }"
  />
</template>
