<script setup lang="ts">
import { computed } from 'vue'
import type { QuestionOf } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

const { question, calculator } = defineProps<{
  question: QuestionOf<'money'> | QuestionOf<'percent'> | QuestionOf<'number'>
  label: string
  calculator: Calculator
}>()

/** Where the thumb stands: the answer where it can be read, else the least. */
const position = computed(() => {
  const answer = calculator.typedAnswers.value[question.id]
  return typeof answer === 'number' || typeof answer === 'string' ? answer : question.least
})
const share = computed(() => {
  const [at, least, most] = [position.value, question.least, question.most].map(Number) as [
    number,
    number,
    number,
  ]
  return most > least ? Math.min(1, Math.max(0, (at - least) / (most - least))) : 0
})

function slide(event: Event): void {
  const { value } = event.target as HTMLInputElement
  calculator.setAnswer(question, question.asks === 'percent' ? value : Number(value))
}
</script>

<template>
  <input
    type="range"
    class="slider"
    :min="question.least"
    :max="question.most"
    :step="question.step"
    :value="position"
    :style="{ '--share': share }"
    :aria-label="calculator.words.value.slider(label)"
    :aria-valuetext="calculator.texts[question.id]"
    @input="slide"
  />
</template>
