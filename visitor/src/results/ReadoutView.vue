<script setup lang="ts">
import { computed, defineAsyncComponent, type Component } from 'vue'
import type { Readout, ReadoutStep } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import type { TellHost } from '../frame/tell-host'
import { fetchAgain } from './fetch-again'
import FigureResult from './FigureResult.vue'
import MeterResult from './MeterResult.vue'
import MissingPart from './MissingPart.vue'
import SentenceResult from './SentenceResult.vue'

const { step, readout, calculator } = defineProps<{
  step: ReadoutStep
  readout: Readout
  calculator: Calculator
  tellHost: TellHost
}>()

/** A part that is fetched when it is first shown. */
const fetched = (loader: () => Promise<Component>) =>
  defineAsyncComponent({ loader: () => fetchAgain(loader), errorComponent: MissingPart })

/** What most pages begin with comes with the page; the rest is fetched by the pages that have it. */
const kinds: Record<Readout['shows'], Component> = {
  figure: FigureResult,
  meter: MeterResult,
  sentence: SentenceResult,
  assumptions: fetched(() => import('./AssumptionsResult.vue')),
  schedule: fetched(() => import('./ScheduleResult.vue')),
  chart: fetched(() => import('./ChartResult.vue')),
  ladder: fetched(() => import('./LadderResult.vue')),
  comparison: fetched(() => import('./ComparisonResult.vue')),
  payment: fetched(() => import('./PaymentTakenApart.vue')),
  explanation: fetched(() => import('./ExplanationResult.vue')),
  whatIf: fetched(() => import('../what-if/WhatIfResult.vue')),
  actions: fetched(() => import('../keep/ActionsResult.vue')),
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
