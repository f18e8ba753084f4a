<script setup lang="ts">
import type { CalculatorDocument, StepOf } from '@vivid/core'
import { useDraft } from '../draft-store'
import LoanList from './LoanList.vue'

defineProps<{ step: StepOf<'comparison'>; document: CalculatorDocument }>()
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
</template>
