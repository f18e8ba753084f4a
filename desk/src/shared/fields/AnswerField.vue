<script setup lang="ts">
import { mainLanguage } from '@vivid/core'
import { Button, Input, RadioGroup, Textarea } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import type { CalculatorDocument, Question } from '@vivid/core'
import { useUnread } from './unread-store'
import {
  createFigures,
  hasGaps,
  isUnreadable,
  readTyped,
  textOfAnswer,
  unitOf,
} from '@vivid/contract/wording'

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
  loans:
    'Write a loan a line, like Card; 4,200; 18.9%; 120: its name, what is owed, its rate, what is paid a month.',
}

const figures = computed(() => createFigures(mainLanguage(props.document), props.document.currency))
const unread = useUnread()
/** What a text comes to: an answer; or why it is none, and what it could mean where that is more than one thing. */
type Judged =
  | { readonly isAnswer: true; readonly answer: unknown }
  | { readonly isAnswer: false; readonly problem: string; readonly couldBe: readonly unknown[] }

function judge(typed: string): Judged {
  const place = { locale: mainLanguage(props.document), currency: props.document.currency }
  const none = (problem: string, couldBe: readonly unknown[] = []): Judged => ({
    isAnswer: false,
    problem,
    couldBe,
  })
  const answer = readTyped(props.question, typed, unitOf(props.value), place)
  if (answer === null) return none(props.emptyMeans === undefined ? 'This cannot be empty.' : '')
  if (props.question.asks === 'date' && typed.trim() === 'today') return { isAnswer: true, answer: 'today' }
  if (isUnreadable(answer) && answer.couldBe.length > 0) return none('Which do you mean?', answer.couldBe)
  if (isUnreadable(answer) || hasGaps(answer) || isNegative(answer))
    return none(examples[props.question.asks])
  return { isAnswer: true, answer }
}

const left = unread.texts[props.id]
const text = ref(left ?? textOfAnswer(props.question, props.value, figures.value))
const typing = ref(false)
const problem = ref('')
/** What the text could mean where it could mean more than one thing; chosen by a click. */
const couldBe = ref<readonly unknown[]>([])
if (left !== undefined) say(judge(left))

function say(judged: Judged): void {
  problem.value = judged.isAnswer ? '' : judged.problem
  couldBe.value = judged.isAnswer ? [] : judged.couldBe
}

watch(
  () => props.value,
  (value) => {
    if (!typing.value && !problem.value) text.value = textOfAnswer(props.question, value, figures.value)
  },
)

function take(typed: string): void {
  text.value = typed
  typing.value = true
  const judged = judge(typed)
  say(judged)
  unread.set(props.id, problem.value ? typed : undefined)
  if (judged.isAnswer) emit('change', judged.answer)
}

/** One of the answers the text could mean. */
function mean(answer: unknown): void {
  say({ isAnswer: true, answer })
  text.value = textOfAnswer(props.question, answer, figures.value)
  unread.set(props.id, undefined)
  emit('change', answer)
}

function isNegative(answer: unknown): boolean {
  return (
    ['money', 'percent', 'share', 'loans'].includes(props.question.asks) &&
    JSON.stringify(answer).includes('-')
  )
}

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
      <component
        :is="question.asks === 'loans' ? Textarea : Input"
        :id="id"
        :value="text"
        :status="problem ? 'error' : ''"
        :placeholder="emptyMeans"
        :aria-invalid="Boolean(problem)"
        :aria-describedby="problem ? `${id}-problem` : undefined"
        autocomplete="off"
        v-bind="question.asks === 'loans' ? { autoSize: { minRows: 2, maxRows: 12 } } : {}"
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
