<script setup lang="ts">
import type { Question } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

const { question, calculator } = defineProps<{
  id: string
  question: Question
  calculator: Calculator
  invalid: boolean
  describedBy: string
}>()

function onInput(event: Event): void {
  const input = event.target as HTMLInputElement
  const { text, caret } = calculator.type(question, {
    text: input.value,
    caret: input.selectionStart ?? input.value.length,
  })
  // At once, while nothing else has changed: after the figures a browser would lay the whole page out for it, and then again.
  if (input.value !== text) input.value = text
  input.setSelectionRange(caret, caret)
}
</script>

<template>
  <input
    :id="id"
    class="typed"
    type="text"
    autocomplete="off"
    :inputmode="question.asks === 'term' ? 'text' : question.asks === 'number' ? 'numeric' : 'decimal'"
    :value="calculator.texts[question.id]"
    :aria-invalid="invalid"
    :aria-describedby="describedBy || undefined"
    @input="onInput"
    @blur="calculator.leave(question)"
  />
</template>
