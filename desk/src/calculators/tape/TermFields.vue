<script setup lang="ts">
import { computed } from 'vue'
import { formulasOf, type CalculatorStep, type Scope, type Wanted } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import FormulaField from '../formula/FormulaField.vue'

/** Some of a composite step's terms: each a formula, from a plain figure to whatever is needed. */
const {
  step,
  names,
  facts,
  words,
  inherited = undefined,
} = defineProps<{
  step: Extract<CalculatorStep, { terms: object }>
  names: readonly string[]
  facts: Readonly<Record<string, { readonly takes: Wanted }>>
  words: Readonly<Record<string, readonly [label: string, empty: string]>>
  scope: Scope
  /** What an empty term means for a loan that is as another. */
  inherited?: string | undefined
}>()
const draft = useDraft()

const terms = computed(() => step.terms as Readonly<Record<string, string | undefined>>)
const required = computed(
  () =>
    new Set(
      formulasOf(step)
        .filter((place) => place.required)
        .map(({ path }) => path),
    ),
)

function set(name: string, text: string): void {
  const others = Object.fromEntries(Object.entries(terms.value).filter(([one]) => one !== name))
  const stays = text.trim() !== '' || required.value.has(`terms.${name}`)
  draft.change(
    {
      ...draft.document!,
      steps: draft.document!.steps.map((one) =>
        one.id === step.id
          ? ({ ...step, terms: stays ? { ...others, [name]: text } : others } as CalculatorStep)
          : one,
      ),
    },
    `${step.id}.terms.${name}`,
  )
}
const emptyMeans = (name: string): string | undefined =>
  required.value.has(`terms.${name}`) ? undefined : words[name]?.[1] || 'not agreed'
</script>

<template>
  <FormulaField
    v-for="name in names"
    :id="`${step.id}-${name}`"
    :key="name"
    :label="words[name]?.[0] ?? name"
    :value="terms[name] ?? ''"
    :scope="scope"
    :takes="facts[name]?.takes ?? { is: 'shown' }"
    :field="`${step.id}.terms.${name}`"
    v-bind="emptyMeans(name) === undefined ? {} : { emptyMeans: inherited ?? emptyMeans(name) }"
    small
    @change="set(name, $event)"
  />
</template>
