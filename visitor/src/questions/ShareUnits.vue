<script setup lang="ts">
import { computed } from 'vue'
import type { QuestionOf } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

const { question, calculator } = defineProps<{
  question: QuestionOf<'share'>
  label: string
  calculator: Calculator
}>()
const unit = computed(() => calculator.units[question.id])
/** The currency's sign in this locale: "$", "₹". */
const sign = computed(() => calculator.figures.value.moneyShort(0).replace(/[\d\s.,]/g, ''))
</script>

<template>
  <div class="units" role="group">
    <button
      type="button"
      :aria-pressed="unit === 'money'"
      :aria-label="`${label} ${calculator.words.value.inMoney}`"
      @click="calculator.switchUnit(question, 'money')"
    >
      {{ sign }}
    </button>
    <button
      type="button"
      :aria-pressed="unit === 'percent'"
      :aria-label="`${label} ${calculator.words.value.inPercent}`"
      @click="calculator.switchUnit(question, 'percent')"
    >
      %
    </button>
  </div>
</template>
