<script setup lang="ts">
import type { QuestionOf } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

const { question, calculator } = defineProps<{
  id: string
  question: QuestionOf<'date'>
  calculator: Calculator
  invalid: boolean
  describedBy: string
}>()

function pick(event: Event): void {
  const { value } = event.target as HTMLInputElement
  calculator.type(question, { text: value, caret: value.length })
}
const bound = (iso: string | null) =>
  iso && question.precision === 'month' ? iso.slice(0, 7) : (iso ?? undefined)
</script>

<template>
  <input
    :id="id"
    class="typed"
    :type="question.precision === 'month' ? 'month' : 'date'"
    :value="calculator.texts[question.id]"
    :min="bound(question.least)"
    :max="bound(question.most)"
    :aria-invalid="invalid"
    :aria-describedby="describedBy || undefined"
    @input="pick"
    @blur="calculator.leave(question)"
  />
</template>
