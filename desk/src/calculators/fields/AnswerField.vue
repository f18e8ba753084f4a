<script setup lang="ts">
import { Button, Input, RadioGroup } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import type { CalculatorDocument, Question } from '@vivid/core'
import { useUnread } from './unread-store'
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
  field?: string
}>()
const emit = defineEmits<{ change: [answer: unknown] }>()

const examples: Record<Question['asks'], string> = {
  money: 'Type an amount, like 250,000.',
  percent: 'Type a percentage, like 4.64%.',
  share: 'Type an amount or a percentage, like 60,000 or 15%.',
  number: 'Type a whole number, like 12.',
  term: 'Type a length of time, like 25 years or 12 years 6 months.',
  choice: 'Choose one.',
  yesNo: 'Choose yes or no.',
  date: 'Type a date, like 2026-11-25.',
  frequency: 'Choose one.',
}

const figures = computed(() => createFigures(props.document.languages[0] ?? 'en-CA', props.document.currency))
const unread = useUnread()
const text = ref(unread.texts[props.id] ?? textOfAnswer(props.question, props.value, figures.value))
const typing = ref(false)
const problem = ref(props.id in unread.texts ? examples[props.question.asks] : '')
/** What the text could mean where it could mean more than one thing; chosen by a click. */
const couldBe = ref<readonly unknown[]>([])

watch(
  () => props.value,
  (value) => {
    if (!typing.value && !problem.value) text.value = textOfAnswer(props.question, value, figures.value)
  },
)

function take(typed: string): void {
  text.value = typed
  typing.value = true
  const place = {
    locale: props.document.languages[0] ?? 'en-CA',
    currency: props.document.currency,
  }
  couldBe.value = []
  const answer = readTyped(props.question, typed, unitOf(props.value), place)
  if (answer === null) problem.value = props.emptyMeans === undefined ? 'This cannot be empty.' : ''
  else if (props.question.asks === 'date' && typed.trim() === 'today') accept('today')
  else if (isUnreadable(answer) && answer.couldBe.length > 0) {
    couldBe.value = answer.couldBe
    problem.value = 'Which do you mean?'
  } else if (isUnreadable(answer) || isNegative(answer)) problem.value = examples[props.question.asks]
  else accept(answer)
  unread.set(props.id, problem.value ? typed : undefined)
}

function accept(answer: unknown): void {
  problem.value = ''
  emit('change', answer)
}

/** One of the answers the text could mean. */
function mean(answer: unknown): void {
  couldBe.value = []
  text.value = textOfAnswer(props.question, answer, figures.value)
  unread.set(props.id, undefined)
  accept(answer)
}

const isNegative = (answer: unknown) =>
  ['money', 'percent', 'share'].includes(props.question.asks) && JSON.stringify(answer).includes('-')

/** Only a field that is left empty is meant to be empty: on the way to another answer it is so for a moment. */
function leave(): void {
  typing.value = false
  if (text.value.trim() === '' && props.emptyMeans !== undefined && props.value !== null) emit('change', null)
  else if (!problem.value) text.value = textOfAnswer(props.question, props.value, figures.value)
}

/** The options of a question that is answered by choosing. */
const options = computed(() => {
  const { question } = props
  const offered =
    question.asks === 'frequency'
      ? question.options.map((value) => ({ value: value as string, label: figures.value.every(value) }))
      : question.asks === 'choice'
        ? question.options.map(({ name }) => ({ value: name, label: name }))
        : question.asks === 'yesNo'
          ? [
              { value: 'yes', label: 'yes' },
              { value: 'no', label: 'no' },
            ]
          : undefined
  return (
    offered &&
    (props.emptyMeans === undefined ? offered : [...offered, { value: '', label: props.emptyMeans }])
  )
})
const chosen = computed(() =>
  typeof props.value === 'boolean' ? (props.value ? 'yes' : 'no') : ((props.value as string | null) ?? ''),
)
const choose = (value: string) =>
  emit('change', value === '' ? null : props.question.asks === 'yesNo' ? value === 'yes' : value)
</script>

<template>
  <div class="answer-field" :data-field="field">
    <template v-if="options">
      <span :id="`${id}-label`" class="group-label">{{ label }}</span>
      <RadioGroup
        :id="id"
        :aria-labelledby="`${id}-label`"
        :value="chosen"
        :options="options"
        @change="(event) => choose(event.target.value)"
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
    <p v-if="problem" :id="`${id}-problem`" class="field-problem" role="alert">
      {{ problem }}
      <Button v-for="(one, i) in couldBe" :key="i" size="small" @click="mean(one)">{{
        textOfAnswer(question, one, figures)
      }}</Button>
    </p>
  </div>
</template>
