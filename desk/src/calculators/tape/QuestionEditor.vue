<script setup lang="ts">
import { Checkbox, CheckboxGroup } from 'ant-design-vue'
import type { CheckboxChangeEvent } from 'ant-design-vue/es/checkbox/interface'
import { computed, ref, watchEffect } from 'vue'
import {
  mainLanguage,
  frequencyNames,
  MOST_LOANS,
  type CalculatorDocument,
  type Frequency,
  wantedOfBound,
  type Question,
  type Scope,
} from '@vivid/core'
import { cellQuestions, createFigures } from '@vivid/contract/wording'
import { useDraft } from '../draft/draft-store'
import AnswerField from '../../shared/fields/AnswerField.vue'
import PickField from '../../shared/fields/PickField.vue'
import TextsField from '../../shared/fields/TextsField.vue'
import FormulaField from '../formula/FormulaField.vue'
import OptionsEditor from './OptionsEditor.vue'
import { choicesOf, optionWords } from './option-words'
import ShownWhen from './ShownWhen.vue'
import StepPick from './StepPick.vue'

const { step, document } = defineProps<{ step: Question; document: CalculatorDocument; scope: Scope }>()
const draft = useDraft()

const set = (field: string) => (value: unknown) => void draft.changeStep(step.id, { [field]: value })
const fieldOf = (name: string) => `${step.id}.${name}`

const bounds = computed(() => boundsOf(step))
function boundsOf(step: Question) {
  switch (step.asks) {
    case 'money':
    case 'percent':
    case 'share':
    case 'number':
    case 'term':
      return [
        ['least', 'Least', step.least],
        ['most', 'Most', step.most],
        ['step', 'Step', step.step],
      ] as const
    case 'date':
      return [
        ['least', 'Earliest', step.least],
        ['most', 'Latest', step.most],
      ] as const
    case 'choice':
    case 'yesNo':
    case 'frequency':
    case 'loans':
      return []
  }
}

function setSample(answer: unknown): void {
  const { sample } = draft
  if (!sample) return
  const others = Object.entries(sample.answers).filter(([id]) => id !== step.id)
  const own = answer === null ? [] : [[step.id, answer]]
  const changed = { ...sample, answers: Object.fromEntries([...others, ...own]) }
  draft.change(
    { ...document, samples: document.samples.map((one) => (one.id === sample.id ? changed : one)) },
    `${step.id}.sample`,
  )
}

const figures = computed(() => createFigures(mainLanguage(document), document.currency))
const allFrequencies = computed(() =>
  frequencyNames.map((value) => ({ value, label: figures.value.every(value) })),
)
const amounts = computed(() =>
  document.steps.flatMap((one) =>
    one.kind === 'question' && one.asks === 'money' ? [{ value: one.id, label: one.name }] : [],
  ),
)
/** Bounds that follow from other answers; shown where there are any, or they are asked for. */
const narrowing = [
  ['leastBy', 'And at least, by a formula', 'no more than the figure'],
  ['mostBy', 'And at most, by a formula', 'no less than the figure'],
] as const
const isNarrowing = ref(false)
watchEffect(() => {
  if ('least' in step && (step.leastBy || step.mostBy)) isNarrowing.value = true
})
const loanCounts = Array.from({ length: MOST_LOANS }, (_, i) => ({
  value: String(i + 1),
  label: String(i + 1),
}))

/** The period an amount recurs in; what is usual is only asked where it recurs. */
function setPeriod(value: string): void {
  draft.changeStep(step.id, { per: value || null, ...(value ? {} : { usual: null }) })
}
function setUsual(side: 'least' | 'most', amount: unknown): void {
  if (step.asks !== 'money') return
  if (amount === null) return void draft.changeStep(step.id, { usual: null })
  const usual = step.usual ?? { least: 0, most: Number(amount) }
  draft.changeStep(step.id, { usual: { ...usual, [side]: amount } })
}

function setOptions(chosen: unknown): void {
  if (step.asks !== 'frequency' || !Array.isArray(chosen) || chosen.length === 0) return
  const options = frequencyNames.filter((name) => chosen.includes(name))
  const stays = step.default !== null && options.includes(step.default)
  draft.changeStep(step.id, { options, default: stays ? step.default : (options[0] as Frequency) })
}
const checked = ({ target }: CheckboxChangeEvent): boolean => target.checked
</script>

<template>
  <TextsField
    :id="`${step.id}-label`"
    label="Label"
    :texts="step.label"
    :languages="document.languages"
    :field="fieldOf('label')"
    needed
    @change="set('label')($event)"
  />
  <TextsField
    :id="`${step.id}-help`"
    label="Help below the field"
    :texts="step.help"
    :languages="document.languages"
    :field="fieldOf('help')"
    long
    @change="set('help')($event)"
  />
  <div class="answers wide">
    <PickField
      v-if="step.asks === 'money'"
      :id="`${step.id}-per`"
      label="The amount is"
      :value="step.per ?? ''"
      :options="choicesOf(optionWords.per)"
      @change="setPeriod"
    />
    <StepPick
      v-if="step.asks === 'share'"
      :step="step"
      name="of"
      label="A part of"
      :value="step.of"
      :options="amounts"
    />
    <StepPick
      v-if="step.asks === 'number'"
      :step="step"
      name="counts"
      label="It counts"
      :value="step.counts"
      :options="choicesOf(optionWords.counts)"
    />
    <StepPick
      v-if="step.asks === 'date'"
      :step="step"
      name="precision"
      label="Asked as"
      :value="step.precision"
      :options="choicesOf(optionWords.precision)"
    />
    <AnswerField
      :id="`${step.id}-default`"
      :class="{ whole: step.asks === 'loans' }"
      :label="
        step.asks === 'loans' ? 'Default, a loan a line: its name; owed; rate; paid a month' : 'Default'
      "
      :question="step"
      :document="document"
      :value="step.default"
      :field="fieldOf('default')"
      :empty-means="step.required ? 'none: must be answered' : 'none'"
      @change="set('default')($event)"
    />
    <AnswerField
      v-for="[field, label, value] in bounds"
      :id="`${step.id}-${field}`"
      :key="field"
      :label="label"
      :question="step"
      :document="document"
      :value="value"
      :field="fieldOf(field)"
      v-bind="step.asks === 'date' ? { emptyMeans: 'any' } : {}"
      @change="set(field)($event)"
    />
    <template v-if="step.asks === 'loans'">
      <PickField
        v-for="[field, label, value] in [
          ['fewestLoans', 'Loans at least', step.fewestLoans],
          ['mostLoans', 'Loans at most', step.mostLoans],
        ] as const"
        :id="`${step.id}-${field}`"
        :key="field"
        :label="label"
        :value="String(value)"
        :options="loanCounts"
        :field="fieldOf(field)"
        @change="set(field)(Number($event))"
      />
      <AnswerField
        v-for="[field, label, asked, value] in [
          ['mostOwed', 'Most owed on one', cellQuestions.owed, step.mostOwed],
          ['mostRate', 'Rate at most', cellQuestions.rate, step.mostRate],
        ] as const"
        :id="`${step.id}-${field}`"
        :key="field"
        :label="label"
        :question="asked"
        :document="document"
        :value="value"
        :field="fieldOf(field)"
        @change="set(field)($event)"
      />
    </template>
    <template v-if="step.asks === 'money' && step.per !== null">
      <AnswerField
        :id="`${step.id}-usual-least`"
        label="Usually from"
        :question="step"
        :document="document"
        :value="step.usual?.least ?? null"
        empty-means="not known"
        @change="setUsual('least', $event)"
      />
      <AnswerField
        :id="`${step.id}-usual-most`"
        label="Usually to"
        :question="step"
        :document="document"
        :value="step.usual?.most ?? null"
        empty-means="not known"
        @change="setUsual('most', $event)"
      />
    </template>
    <div v-if="step.asks === 'frequency'" class="options">
      <span :id="`${step.id}-options-label`" class="group-label">Choices</span>
      <CheckboxGroup
        :id="`${step.id}-options`"
        :aria-labelledby="`${step.id}-options-label`"
        :value="step.options"
        :options="allFrequencies"
        @change="setOptions"
      />
    </div>
  </div>
  <template v-if="'least' in step">
    <button v-if="!isNarrowing" type="button" class="link group wide" @click="isNarrowing = true">
      A range that follows from other answers …
    </button>
    <template v-else>
      <FormulaField
        v-for="[field, label, empty] in narrowing"
        :id="`${step.id}-${field}`"
        :key="field"
        :label="label"
        :value="step[field] ?? ''"
        :scope="scope"
        :takes="wantedOfBound(step)"
        :field="fieldOf(field)"
        :empty-means="empty"
        small
        @change="set(field)($event)"
      />
    </template>
  </template>
  <OptionsEditor v-if="step.asks === 'choice'" class="wide" :step="step" :document="document" />
  <AnswerField
    v-if="draft.sample"
    :id="`${step.id}-sample`"
    :class="{ wide: step.asks === 'loans' }"
    :label="`${draft.sample.name} answers`"
    :question="step"
    :document="document"
    :value="draft.sample.answers[step.id] ?? null"
    empty-means="the default"
    @change="setSample"
  />
  <div class="ticks">
    <Checkbox :checked="step.required" @change="(event) => set('required')(checked(event))"
      >Has to be answered</Checkbox
    >
    <Checkbox
      v-if="step.asks === 'money' || step.asks === 'percent' || step.asks === 'number'"
      :checked="step.slider"
      @change="(event) => set('slider')(checked(event))"
    >
      With a slider below the field
    </Checkbox>
  </div>
  <ShownWhen :step="step" :scope="scope" />
  <StepPick
    v-if="step.shownWhen.trim() !== ''"
    :step="step"
    name="whenHidden"
    label="While it is hidden it counts as"
    :value="step.whenHidden ?? 'default'"
    :options="choicesOf(optionWords.whenHidden)"
  />
</template>
