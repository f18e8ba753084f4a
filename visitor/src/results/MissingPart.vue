<script setup lang="ts">
import type { ReadoutStep } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

/** What stands where a part could not be fetched, with what it is called. */
const { step, calculator } = defineProps<{ step: ReadoutStep; calculator: Calculator }>()
</script>

<template>
  <section class="result wide" :aria-label="calculator.say(step.label)">
    <h2>{{ calculator.say(step.label) }}</h2>
    <p class="setback note">{{ calculator.words.value.partMissing }}</p>
  </section>
</template>
