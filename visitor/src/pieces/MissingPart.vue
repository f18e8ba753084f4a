<script setup lang="ts">
import { computed } from 'vue'
import type { Question, ReadoutStep } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

/** What stands where a part could not be fetched, with what it is called. */
const {
  step = undefined,
  question = undefined,
  calculator,
} = defineProps<{
  step?: ReadoutStep
  question?: Question
  calculator: Calculator
}>()
const label = computed(() => calculator.say((step ?? question)?.label ?? {}))
</script>

<template>
  <section class="result wide" :aria-label="label">
    <h2>{{ label }}</h2>
    <p class="setback note">{{ calculator.words.value.partMissing }}</p>
  </section>
</template>
