<script setup lang="ts">
import { Input, RadioGroup } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { minorDigitsOf, type CalculatorDocument, type Question } from '@vivid/core'
import { createFigures, isUnreadable, readTyped, textOfAnswer, unitOf } from '@vivid/contract/wording'

/**
 * One answer of a question's kind (a default, a bound, a step, a sample answer), typed as a visitor would type it.
 * What cannot be read stays as it was typed, with a sentence, and is not passed on.
 */
const props = defineProps<{
  id: string
  label: string
  question: Question
  document: CalculatorDocument
  value: unknown
  /** Whether the field may be empty, and what that means. */
  emptyMeans?: string
}>()
const emit = defineEmits<{ change: [answer: unknown] }>()

const figures = computed(() => createFigures(props.document.locale, props.document.currency))
const text = ref(textOfAnswer(props.question, props.value, figures.value))
const typing = ref(false)
const problem = ref('')

watch(
  () => props.value,
  (value) => {
    if (!typing.value && !problem.value) text.value = textOfAnswer(props.question, value, figures.value)
  },
)

const examples: Record<Question['asks'], string> = {
  money: 'Type an amount, like 250,000.',
  percent: 'Type a percentage, like 4.64%.',
  share: 'Type an amount or a percentage, like 60,000 or 15%.',
  term: 'Type a length of time, like 25 years or 12 years 6 months.',
  frequency: 'Choose one.',
}

function take(typed: string): void {
  text.value = typed
  typing.value = true
  const place = { locale: props.document.locale, minorDigits: minorDigitsOf[props.document.currency] }
  const answer = readTyped(props.question, typed, unitOf(props.value), place)
  if (answer === null) problem.value = props.emptyMeans === undefined ? 'This cannot be empty.' : ''
  else if (isUnreadable(answer) || isNegative(answer)) problem.value = examples[props.question.asks]
  else {
    problem.value = ''
    emit('change', answer)
  }
}

const isNegative = (answer: unknown) =>
  answer !== null && JSON.stringify(answer).includes('-') && props.question.asks !== 'frequency'

/** Only a field that is left empty is meant to be empty: on the way to another answer it is so for a moment. */
function leave(): void {
  typing.value = false
  if (text.value.trim() === '' && props.emptyMeans !== undefined && props.value !== null) emit('change', null)
  else if (!problem.value) text.value = textOfAnswer(props.question, props.value, figures.value)
}

const options = computed(() => {
  if (props.question.asks !== 'frequency') return []
  const offered = props.question.options.map((value) => ({
    value: value as string,
    label: figures.value.every(value),
  }))
  return props.emptyMeans === undefined ? offered : [...offered, { value: '', label: props.emptyMeans }]
})
</script>

<template>
  <div class="answer-field">
    <template v-if="question.asks === 'frequency'">
      <span :id="`${id}-label`" class="group-label">{{ label }}</span>
      <RadioGroup
        :id="id"
        :aria-labelledby="`${id}-label`"
        :value="(value as string | null) ?? ''"
        :options="options"
        @change="(event) => emit('change', event.target.value || null)"
      />
    </template>
    <template v-else>
      <label :for="id">{{ label }}</label>
      <Input
        :id="id"
        :value="text"
        :status="problem ? 'error' : ''"
        :placeholder="emptyMeans"
        :aria-invalid="Boolean(problem)"
        :aria-describedby="problem ? `${id}-problem` : undefined"
        autocomplete="off"
        @update:value="take"
        @blur="leave"
      />
    </template>
    <p v-if="problem" :id="`${id}-problem`" class="field-problem" role="alert">{{ problem }}</p>
  </div>
</template>
