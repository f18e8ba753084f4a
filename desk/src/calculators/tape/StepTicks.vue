<script setup lang="ts" generic="Name extends string">
import { CheckboxGroup } from 'ant-design-vue'
import { computed } from 'vue'
import type { CalculatorStep } from '@vivid/core'
import { useDraft } from '../draft/draft-store'

/** Several of a few, in the order they are offered; never nothing. */
const { step, name, all, words } = defineProps<{
  step: CalculatorStep
  /** Of the step's own field. */
  name: string
  label: string
  ticked: readonly Name[]
  all: readonly Name[]
  words: Readonly<Record<Name, string>>
}>()
const draft = useDraft()
const options = computed(() => all.map((value) => ({ value, label: words[value] })))

function tick(chosen: unknown): void {
  if (Array.isArray(chosen) && chosen.length > 0)
    draft.changeStep(step.id, { [name]: all.filter((one) => chosen.includes(one)) })
}
</script>

<template>
  <div>
    <span :id="`${step.id}-${name}-label`" class="group-label">{{ label }}</span>
    <CheckboxGroup
      :id="`${step.id}-${name}`"
      :aria-labelledby="`${step.id}-${name}-label`"
      :value="[...ticked]"
      :options="options"
      @change="tick"
    />
  </div>
</template>
