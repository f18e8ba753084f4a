<script setup lang="ts">
import { computed } from 'vue'
import type { Question } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import { words } from '../words'
import FrequencyChoice from './FrequencyChoice.vue'
import ShareUnits from './ShareUnits.vue'
import TypedField from './TypedField.vue'
import ValueSlider from './ValueSlider.vue'

const { question, calculator } = defineProps<{ question: Question; calculator: Calculator }>()

const problem = computed(() => calculator.problemAt(question.id))
const fieldId = computed(() => `answer-${question.id}`)
const describedBy = computed(() =>
  [question.help && `${fieldId.value}-help`, problem.value && `${fieldId.value}-problem`]
    .filter(Boolean)
    .join(' '),
)

/** What an amount or percentage comes to in the other of the two, or the least it may be. */
const aside = computed(() => {
  if (question.asks !== 'share') return ''
  const { figures, evaluation } = calculator
  const value = evaluation.value.values[question.id]
  if (value?.unit === 'share') {
    const other =
      value.typed === 'percent' ? figures.value.moneyShort(value.money) : figures.value.percent(value.percent)
    return words.worksOutTo(other)
  }
  const least = calculator.leastShare(question)
  return least === undefined ? '' : words.from(figures.value.moneyShort(least))
})
</script>

<template>
  <div class="question" :class="{ wrong: problem }">
    <div class="head">
      <label :for="fieldId">{{ question.label }}</label>
      <span v-if="aside" class="aside">{{ aside }}</span>
    </div>
    <FrequencyChoice
      v-if="question.asks === 'frequency'"
      :id="fieldId"
      :question="question"
      :calculator="calculator"
      :described-by="describedBy"
    />
    <div v-else class="entry">
      <TypedField
        :id="fieldId"
        :question="question"
        :calculator="calculator"
        :invalid="Boolean(problem)"
        :described-by="describedBy"
      />
      <ShareUnits v-if="question.asks === 'share'" :question="question" :calculator="calculator" />
    </div>
    <ValueSlider
      v-if="(question.asks === 'money' || question.asks === 'percent') && question.slider"
      :question="question"
      :calculator="calculator"
    />
    <p v-if="problem" :id="`${fieldId}-problem`" class="problem" role="alert">{{ problem }}</p>
    <p v-if="question.help" :id="`${fieldId}-help`" class="help">{{ question.help }}</p>
  </div>
</template>
