<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { formulasOf, type CalculatorDocument, type Scope, type StepOf } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import PickField from '../../shared/fields/PickField.vue'
import FormulaField from '../formula/FormulaField.vue'

const { step } = defineProps<{ step: StepOf<'lookUp'>; document: CalculatorDocument; scope: Scope }>()
const draft = useDraft()

const sheets = computed(() => draft.sheets.map(({ id, name }) => ({ value: id, label: name })))
const sheet = computed(() => draft.sheets.find(({ id }) => id === step.sheet))
const matchWords = {
  exact: 'exactly',
  from: 'in the band that begins at or below it',
  upTo: 'in the band up to it',
} as const
const places = computed(() => new Map(formulasOf(step, draft.sheets).map((place) => [place.path, place])))

/** Another sheet has other keys: those of the same name stay. */
function choose(id: string): void {
  const next = draft.sheets.find((one) => one.id === id)
  const keys = Object.fromEntries((next?.keys ?? []).map((column) => [column.id, step.keys[column.id] ?? '']))
  draft.changeStep(step.id, { sheet: id, keys })
}
</script>

<template>
  <PickField
    :id="`${step.id}-sheet`"
    label="Rate sheet"
    :value="step.sheet"
    :options="sheets"
    :field="`${step.id}.sheet`"
    @change="choose"
  />
  <p class="soft sheet-note">
    <template v-if="sheet"
      >{{ sheet.versions.length }} {{ sheet.versions.length === 1 ? 'version' : 'versions' }}, gives
      {{ { percent: 'a percentage', money: 'an amount', number: 'a number' }[sheet.gives] }}.
    </template>
    <RouterLink :to="sheet ? `/rate-sheets?sheet=${sheet.id}` : '/rate-sheets'" class="link"
      >Look at the sheets</RouterLink
    >
  </p>
  <FormulaField
    v-for="column in sheet?.keys ?? []"
    :id="`${step.id}-key-${column.id}`"
    :key="column.id"
    class="wide"
    :label="`${column.name}, found ${matchWords[column.match]}`"
    :value="step.keys[column.id] ?? ''"
    :scope="scope"
    :takes="places.get(`keys.${column.id}`)?.takes ?? { is: 'shown' }"
    :field="`${step.id}.keys.${column.id}`"
    small
    @change="draft.changeStep(step.id, { keys: { ...step.keys, [column.id]: $event } })"
  />
  <FormulaField
    :id="`${step.id}-on`"
    class="wide"
    label="With the rates of"
    :value="step.on"
    :scope="scope"
    :takes="{ is: 'date' }"
    :field="`${step.id}.on`"
    empty-means="today"
    small
    @change="draft.changeStep(step.id, { on: $event })"
  />
</template>
