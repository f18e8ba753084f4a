<script setup lang="ts">
import { computed, nextTick } from 'vue'
import { hasWord, textOfAnswer } from '@vivid/contract/wording'
import type { Question } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import ExplainedText from '../pieces/ExplainedText.vue'
import WhichMeant from '../pieces/WhichMeant.vue'
import DateField from './DateField.vue'
import { loansPart } from './loans-part'
import OptionChoice from './OptionChoice.vue'
import ShareUnits from './ShareUnits.vue'
import TypedField from './TypedField.vue'
import ValueSlider from './ValueSlider.vue'

const { question, calculator } = defineProps<{ question: Question; calculator: Calculator }>()

const label = computed(() => calculator.say(question.label) || question.name)
const help = computed(() => calculator.say(question.help))
/** Its words besides the help, which may need explaining. */
const named = computed(() => [label.value, ...(options.value ?? []).map((option) => option.label)])
const explains = computed(() => named.value.some((text) => hasWord(calculator.explain.value(text))))
const problem = computed(() => calculator.problemAt(question.id))
const doubt = computed(() => calculator.doubtAt(question.id))
const fieldId = computed(() => `answer-${question.id}`)
const describedBy = computed(() =>
  [
    (help.value || explains.value) && `${fieldId.value}-help`,
    problem.value && `${fieldId.value}-problem`,
    meanings.value.length > 0 && `${fieldId.value}-meanings`,
    doubt.value && `${fieldId.value}-doubt`,
  ]
    .filter(Boolean)
    .join(' '),
)

/** The options of a question that is answered by choosing, with their labels. */
const options = computed(() => {
  const { say, words, figures } = calculator
  switch (question.asks) {
    case 'choice':
      return question.options.map(({ name, label: text }) => ({ value: name, label: say(text) || name }))
    case 'yesNo':
      return [
        { value: 'yes', label: words.value.yes },
        { value: 'no', label: words.value.no },
      ]
    case 'frequency':
      return question.options.map((one) => ({ value: one, label: figures.value.every(one) }))
    default:
      return undefined
  }
})
/** Answered by more than one control. */
const isGroup = computed(() => question.asks === 'loans' || hasButtons.value)
const hasButtons = computed(
  () => question.asks === 'yesNo' || (question.asks === 'choice' && question.options.length <= 4),
)

/** What the text could mean, where it could mean more than one thing. */
const meanings = computed(() =>
  calculator.couldBe(question.id).map((answer) => ({
    answer,
    said: textOfAnswer(question, answer, calculator.figures.value),
  })),
)
async function mean(answer: unknown): Promise<void> {
  calculator.setAnswer(question, answer)
  await nextTick()
  document.getElementById(fieldId.value)?.focus()
}

/** What an amount or percentage comes to in the other of the two, or the least it may be. */
const aside = computed(() => {
  const { figures, words, evaluation } = calculator
  const understood = calculator.understood(question)
  if (understood) return `= ${understood}`
  if (question.asks === 'money' && question.per !== null) return figures.value.per(question.per)
  if (!question.required && question.asks !== 'yesNo') return words.value.optional
  if (question.asks !== 'share') return ''
  const value = evaluation.value.values[question.id]
  if (value?.unit === 'share') {
    const other =
      value.typed === 'percent' ? figures.value.moneyShort(value.money) : figures.value.percent(value.percent)
    return words.value.worksOutTo(other)
  }
  const least = calculator.leastShare(question)
  return least === undefined ? '' : words.value.from(figures.value.moneyShort(least))
})
</script>

<template>
  <component
    :is="isGroup ? 'fieldset' : 'div'"
    class="question"
    :class="{ wrong: problem }"
    :aria-describedby="isGroup ? describedBy || undefined : undefined"
  >
    <legend v-if="isGroup" class="head">{{ label }}</legend>
    <div v-else class="head">
      <label :for="fieldId">{{ label }}</label>
      <span v-if="aside" class="aside">{{ aside }}</span>
    </div>
    <OptionChoice
      v-if="options"
      :id="fieldId"
      :question="question"
      :options="options"
      :buttons="hasButtons"
      :calculator="calculator"
      :described-by="describedBy"
    />
    <DateField
      v-else-if="question.asks === 'date'"
      :id="fieldId"
      :question="question"
      :calculator="calculator"
      :invalid="Boolean(problem)"
      :described-by="describedBy"
    />
    <component
      :is="loansPart.component"
      v-else-if="question.asks === 'loans'"
      :id="fieldId"
      :question="question"
      :calculator="calculator"
      :invalid="Boolean(problem)"
    />
    <div v-else class="entry">
      <TypedField
        :id="fieldId"
        :question="question"
        :calculator="calculator"
        :invalid="Boolean(problem)"
        :described-by="describedBy"
      />
      <ShareUnits
        v-if="question.asks === 'share'"
        :question="question"
        :label="label"
        :calculator="calculator"
      />
    </div>
    <ValueSlider
      v-if="
        (question.asks === 'money' || question.asks === 'percent' || question.asks === 'number') &&
        question.slider
      "
      :question="question"
      :label="label"
      :calculator="calculator"
    />
    <WhichMeant
      v-if="meanings.length && question.asks !== 'loans'"
      :id="`${fieldId}-meanings`"
      :asks="calculator.words.value.whichMeant"
      :meanings="meanings"
      @mean="mean"
    />
    <p v-else-if="problem" :id="`${fieldId}-problem`" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="doubt" :id="`${fieldId}-doubt`" class="doubt" role="status">{{ doubt }}</p>
    <p v-if="help || explains" :id="`${fieldId}-help`" class="help">
      <ExplainedText :text="help" :also="named" :calculator="calculator" />
    </p>
  </component>
</template>
