<script setup lang="ts">
import type { QuestionOf } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

defineProps<{ id: string; question: QuestionOf<'frequency'>; calculator: Calculator; describedBy: string }>()
</script>

<template>
  <select
    :id="id"
    class="typed"
    :value="calculator.texts[question.id]"
    :aria-describedby="describedBy || undefined"
    @change="calculator.setAnswer(question, ($event.target as HTMLSelectElement).value)"
  >
    <option v-for="option in question.options" :key="option" :value="option">
      {{ calculator.figures.value.every(option) }}
    </option>
  </select>
</template>
