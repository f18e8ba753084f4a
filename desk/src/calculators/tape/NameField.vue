<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import {
  mainLanguage,
  nameFault,
  plainName,
  renameStep,
  type CalculatorDocument,
  type CalculatorStep,
} from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import { useUnread } from '../../shared/fields/unread-store'
import { labelFromName } from './step-kinds'

/**
 * The name of a step. It is taken once it is left, not letter by letter: on the way to a new name every formula would
 * follow names nobody meant. One that formulas cannot take stays as typed, says what would do, and changes nothing.
 */
const { step, named } = defineProps<{ step: CalculatorStep; named: boolean }>()
const draft = useDraft()
const unread = useUnread()
const id = computed(() => `${step.id}-name`)
const text = ref(unread.texts[id.value] ?? step.name)

watch(
  () => step.name,
  (name) => {
    if (!(id.value in unread.texts)) text.value = name
  },
)

const fault = computed(() => {
  if (text.value.trim() === '') return 'This cannot be empty.'
  if (!named) return undefined
  const odd = nameFault(text.value)
  if (odd) return `“${odd.word}” cannot be part of a name that formulas use; try “${odd.instead}”.`
  const isTaken = draft.document?.steps.some(
    (other) => other.id !== step.id && plainName(other.name) === plainName(text.value),
  )
  return isTaken ? 'Another step has this name already.' : undefined
})

function leave(): void {
  unread.set(id.value, fault.value ? text.value : undefined)
  if (!fault.value && draft.document) draft.change(renamed(draft.document, text.value.trim()))
}
/** A question's label goes with its name until somebody writes another. */
function renamed(document: CalculatorDocument, name: string): CalculatorDocument {
  const next = renameStep(document, step.id, name)
  const main = mainLanguage(document)
  if (step.kind !== 'question' || step.label[main] !== labelFromName(step.name)) return next
  const label = { ...step.label, [main]: labelFromName(name) }
  return { ...next, steps: next.steps.map((one) => (one.id === step.id ? { ...one, label } : one)) }
}
onBeforeUnmount(leave)
</script>

<template>
  <div :data-field="`${step.id}.name`">
    <label :for="id">{{ named ? 'Name in formulas' : 'Name on the tape' }}</label>
    <Input
      :id="id"
      v-model:value="text"
      :maxlength="80"
      :status="fault ? 'error' : ''"
      @blur="leave"
      @press-enter="leave"
    />
    <p v-if="fault" class="field-problem" role="alert">{{ fault }}</p>
  </div>
</template>
