<script setup lang="ts">
import type { CalculatorStep } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import PickField from '../../shared/fields/PickField.vue'

/** One setting of a step, of a few; nothing chosen is ''. */
defineProps<{
  step: CalculatorStep
  /** Of the step's own field. */
  name: string
  label: string
  value: string
  options: readonly { readonly value: string; readonly label: string }[]
}>()
const draft = useDraft()
</script>

<template>
  <PickField
    :id="`${step.id}-${name}`"
    :label="label"
    :value="value"
    :options="options"
    :field="`${step.id}.${name}`"
    @change="draft.changeStep(step.id, { [name]: $event })"
  />
</template>
