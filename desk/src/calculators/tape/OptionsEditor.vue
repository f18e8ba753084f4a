<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { computed } from 'vue'
import { mainLanguage, renameOption, type CalculatorDocument, type QuestionOf } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import AnswerField from '../../shared/fields/AnswerField.vue'
import PickField from '../../shared/fields/PickField.vue'
import TextsField from '../../shared/fields/TextsField.vue'
import { questionOfOption } from './option-question'
import { choicesOf, optionWords } from './option-words'

/** The options of a choice: a name formulas use, a label visitors see, and a value where the choice gives one. */
const { step, document } = defineProps<{ step: QuestionOf<'choice'>; document: CalculatorDocument }>()
const draft = useDraft()
type Option = QuestionOf<'choice'>['options'][number]

const empty = { money: 0, percent: '0', number: 0, term: { years: 1, months: 0 }, name: null } as const

const valueQuestion = computed(() => questionOfOption(step))

const put = (options: Option[], key?: string) =>
  void draft.change(
    { ...document, steps: document.steps.map((one) => (one.id === step.id ? { ...step, options } : one)) },
    key,
  )
const set = (at: number, fields: Partial<Option>) =>
  put(
    step.options.map((option, i) => (i === at ? { ...option, ...fields } : option)),
    `${step.id}.option${at}.${Object.keys(fields).join()}`,
  )

/** A renamed option keeps its place as the default and in every answer. */
function rename(at: number, name: string): void {
  if (name.trim() !== '')
    draft.change(
      renameOption(document, step.id, step.options[at]?.name ?? '', name),
      `${step.id}.option${at}.name`,
    )
}
function setGives(value: string): void {
  const unit = value as QuestionOf<'choice'>['gives']
  const options = step.options.map((option) => ({ ...option, value: empty[unit] }))
  draft.changeStep(step.id, { gives: unit, options })
}
function add(): void {
  const name = `option ${step.options.length + 1}`
  put([...step.options, { name, label: { [mainLanguage(document)]: name }, value: empty[step.gives] }])
}
function remove(at: number): void {
  const options = step.options.filter((_, i) => i !== at)
  const isDefault = step.options[at]?.name === step.default
  draft.changeStep(step.id, { options, ...(isDefault ? { default: options[0]?.name ?? null } : {}) })
}
</script>

<template>
  <div class="options-editor">
    <PickField
      :id="`${step.id}-gives`"
      label="In formulas the choice gives"
      :value="step.gives"
      :options="choicesOf(optionWords.gives)"
      @change="setGives"
    />
    <div
      v-for="(option, at) in step.options"
      :key="at"
      class="option"
      :data-field="`${step.id}.options.${at}`"
    >
      <div>
        <label :for="`${step.id}-option-${at}`">Name</label>
        <Input
          :id="`${step.id}-option-${at}`"
          :value="option.name"
          :maxlength="80"
          @update:value="rename(at, $event)"
        />
      </div>
      <TextsField
        :id="`${step.id}-option-${at}-label`"
        label="Visitors read"
        :texts="option.label"
        :languages="document.languages"
        :field="`${step.id}.options.${at}.label`"
        @change="set(at, { label: $event })"
      />
      <AnswerField
        v-if="valueQuestion"
        :id="`${step.id}-option-${at}-value`"
        label="Value"
        :question="valueQuestion"
        :document="document"
        :value="option.value"
        @change="set(at, { value: $event as Option['value'] })"
      />
      <Button
        size="small"
        :disabled="step.options.length < 2"
        :aria-label="`Remove the option ${option.name}`"
        @click="remove(at)"
        >Remove</Button
      >
    </div>
    <button type="button" class="link" @click="add">Add an option</button>
  </div>
</template>

<style scoped>
.options-editor {
  display: grid;
  gap: 8px;
}
.option {
  display: grid;
  grid-template-columns: 1fr 1.5fr auto auto;
  gap: 10px;
  align-items: end;
}
.link {
  justify-self: start;
}
</style>
