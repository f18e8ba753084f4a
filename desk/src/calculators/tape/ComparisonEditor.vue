<script setup lang="ts">
import type { CalculatorDocument, Scope, StepOf } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import FormulaField from '../formula/FormulaField.vue'
import LoanList from './LoanList.vue'

defineProps<{ step: StepOf<'comparison'>; document: CalculatorDocument; scope: Scope }>()
const draft = useDraft()
</script>

<template>
  <LoanList
    :id="step.id"
    class="wide"
    :loans="step.loans"
    :document="document"
    :most="4"
    @change="draft.changeStep(step.id, { loans: $event })"
  />
  <FormulaField
    :id="`${step.id}-stay`"
    class="wide"
    label="How long the visitor stays, for what is paid until then; nothing: to the end"
    :value="step.stay ?? ''"
    :scope="scope"
    :takes="{ is: 'years' }"
    :field="`${step.id}.stay`"
    @change="draft.changeStep(step.id, { stay: $event.trim() === '' ? undefined : $event })"
  />
</template>
