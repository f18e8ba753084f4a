<script setup lang="ts">
import { Checkbox, CheckboxGroup } from 'ant-design-vue'
import { computed } from 'vue'
import { frequencyNames, type CalculatorDocument, type Frequency, type Question } from '@vivid/core'
import { createFigures } from '@vivid/contract/wording'
import { useDraft } from '../draft-store'
import AnswerField from './AnswerField.vue'
import TextField from './TextField.vue'

const { question, document } = defineProps<{ question: Question; document: CalculatorDocument }>()
const draft = useDraft()

const set = (field: string) => (value: unknown) => void draft.changeStep(question.id, { [field]: value })

const bounds = computed(() =>
  question.asks === 'frequency'
    ? []
    : ([
        ['least', 'Least', question.least],
        ['most', 'Most', question.most],
        ['step', 'Step', question.step],
      ] as const),
)

function setSample(answer: unknown): void {
  const { sample } = document
  const others = Object.entries(sample.answers).filter(([id]) => id !== question.id)
  const own = answer === null ? [] : [[question.id, answer]]
  draft.change({ ...document, sample: { ...sample, answers: Object.fromEntries([...others, ...own]) } })
}

const figures = computed(() => createFigures(document.locale, document.currency))
const allFrequencies = computed(() =>
  frequencyNames.map((value) => ({ value, label: figures.value.every(value) })),
)

function setOptions(chosen: unknown): void {
  if (question.asks !== 'frequency' || !Array.isArray(chosen) || chosen.length === 0) return
  const options = frequencyNames.filter((name) => chosen.includes(name))
  const stays = question.default !== null && options.includes(question.default)
  draft.changeStep(question.id, { options, default: stays ? question.default : (options[0] as Frequency) })
}
</script>

<template>
  <div class="editor">
    <TextField
      :id="`${question.id}-label`"
      label="Label"
      :value="question.label"
      :most="80"
      required
      @change="set('label')($event)"
    />
    <TextField
      :id="`${question.id}-name`"
      label="Name on the tape"
      :value="question.name"
      :most="80"
      required
      @change="set('name')($event)"
    />
    <TextField
      :id="`${question.id}-help`"
      class="wide"
      label="Help below the field"
      :value="question.help"
      :most="400"
      long
      @change="set('help')($event)"
    />
    <div class="answers wide">
      <AnswerField
        :id="`${question.id}-default`"
        label="Default"
        :question="question"
        :document="document"
        :value="question.default"
        empty-means="none: must be answered"
        @change="set('default')($event)"
      />
      <AnswerField
        v-for="[field, label, value] in bounds"
        :id="`${question.id}-${field}`"
        :key="field"
        :label="label"
        :question="question"
        :document="document"
        :value="value"
        @change="set(field)($event)"
      />
      <div v-if="question.asks === 'frequency'" class="options">
        <span :id="`${question.id}-options-label`" class="group-label">Choices</span>
        <CheckboxGroup
          :id="`${question.id}-options`"
          :aria-labelledby="`${question.id}-options-label`"
          :value="question.options"
          :options="allFrequencies"
          @change="setOptions"
        />
      </div>
    </div>
    <AnswerField
      :id="`${question.id}-sample`"
      :label="`${document.sample.name} answers`"
      :question="question"
      :document="document"
      :value="document.sample.answers[question.id] ?? null"
      empty-means="the default"
      @change="setSample"
    />
    <Checkbox
      v-if="question.asks === 'money' || question.asks === 'percent'"
      class="slider-choice"
      :checked="question.slider"
      @change="(event: { target: { checked: boolean } }) => set('slider')(event.target.checked)"
    >
      With a slider below the field
    </Checkbox>
  </div>
</template>
