<script setup lang="ts">
import type { CalculatorStep, Scope } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import FormulaField from '../formula/FormulaField.vue'

/** When visitors see a step at all. */
defineProps<{ step: CalculatorStep & { readonly shownWhen: string }; scope: Scope }>()
const draft = useDraft()
</script>

<template>
  <FormulaField
    :id="`${step.id}-shownWhen`"
    class="wide"
    label="Shown only when"
    :value="step.shownWhen"
    :scope="scope"
    :takes="{ is: 'yesNo' }"
    :field="`${step.id}.shownWhen`"
    empty-means="always shown"
    small
    @change="draft.changeStep(step.id, { shownWhen: $event })"
  />
</template>
