<script setup lang="ts">
import type { Question } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

const { question, calculator, options } = defineProps<{
  id: string
  question: Question
  options: readonly { value: string; label: string }[]
  /** Few options stand as buttons, many in a list. */
  buttons: boolean
  calculator: Calculator
  describedBy: string
}>()

const choose = (value: string) =>
  calculator.setAnswer(question, question.asks === 'yesNo' ? value === 'yes' : value)
const isFirst = (index: number) =>
  index ===
  Math.max(
    0,
    options.findIndex(({ value }) => value === calculator.texts[question.id]),
  )
</script>

<template>
  <div v-if="buttons" class="choices">
    <label v-for="(option, i) in options" :key="option.value" class="choice">
      <input
        :id="isFirst(i) ? id : undefined"
        type="radio"
        :name="id"
        :value="option.value"
        :checked="calculator.texts[question.id] === option.value"
        @change="choose(option.value)"
      />
      <span>{{ option.label }}</span>
    </label>
  </div>
  <select
    v-else
    :id="id"
    class="typed"
    :value="calculator.texts[question.id]"
    :aria-describedby="describedBy || undefined"
    @change="choose(($event.target as HTMLSelectElement).value)"
  >
    <option v-if="!calculator.texts[question.id]" value="" disabled>
      {{ calculator.words.value.choose }}
    </option>
    <option
      v-for="option in options"
      :key="option.value"
      :value="option.value"
      :selected="calculator.texts[question.id] === option.value"
    >
      {{ option.label }}
    </option>
  </select>
</template>
