<script setup lang="ts">
import { nextTick, useTemplateRef } from 'vue'
import type { Question } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

const { question, calculator } = defineProps<{
  id: string
  question: Question
  calculator: Calculator
  invalid: boolean
  describedBy: string
}>()
const field = useTemplateRef<HTMLInputElement>('field')

async function onInput(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const { caret } = calculator.type(question, {
    text: input.value,
    caret: input.selectionStart ?? input.value.length,
  })
  await nextTick()
  field.value?.setSelectionRange(caret, caret)
}
</script>

<template>
  <input
    :id="id"
    ref="field"
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
