<script setup lang="ts">
import { computed, type Component } from 'vue'
import type { Readout, ReadoutStep } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import ActionsResult from './ActionsResult.vue'
import AssumptionsResult from './AssumptionsResult.vue'
import ChartResult from './ChartResult.vue'
import ComparisonResult from './ComparisonResult.vue'
import ExplanationResult from './ExplanationResult.vue'
import FigureResult from './FigureResult.vue'
import LadderResult from './LadderResult.vue'
import MeterResult from './MeterResult.vue'
import PaymentTakenApart from './PaymentTakenApart.vue'
import ScheduleResult from './ScheduleResult.vue'
import SentenceResult from './SentenceResult.vue'

const { step, readout, calculator } = defineProps<{
  step: ReadoutStep
  readout: Readout
  calculator: Calculator
}>()

const kinds: Record<Readout['shows'], Component> = {
  figure: FigureResult,
  meter: MeterResult,
  sentence: SentenceResult,
  chart: ChartResult,
  schedule: ScheduleResult,
  ladder: LadderResult,
  comparison: ComparisonResult,
  payment: PaymentTakenApart,
  explanation: ExplanationResult,
  assumptions: AssumptionsResult,
  actions: ActionsResult,
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
  <component :is="kinds[readout.shows]" v-if="isDrawn" v-bind="properties" />
</template>
