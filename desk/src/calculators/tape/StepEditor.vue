<script setup lang="ts">
import { computed, type Component } from 'vue'
import type { CalculatorDocument, CalculatorStep, Scope } from '@vivid/core'
import CompositeEditor from './CompositeEditor.vue'
import ComparisonEditor from './ComparisonEditor.vue'
import LoanEditor from './LoanEditor.vue'
import LookUpEditor from './LookUpEditor.vue'
import QuestionEditor from './QuestionEditor.vue'
import ReadoutEditor from './ReadoutEditor.vue'
import SectionEditor from './SectionEditor.vue'
import StepHead from './StepHead.vue'
import WorkingEditor from './WorkingEditor.vue'

const { step, document, scope } = defineProps<{
  step: CalculatorStep
  document: CalculatorDocument
  scope: Scope
}>()

const editors: Record<CalculatorStep['kind'], Component> = {
  section: SectionEditor,
  question: QuestionEditor,
  working: WorkingEditor,
  lookUp: LookUpEditor,
  loan: LoanEditor,
  affordability: CompositeEditor,
  refinance: CompositeEditor,
  equity: CompositeEditor,
  aim: CompositeEditor,
  ladder: CompositeEditor,
  comparison: ComparisonEditor,
  payOff: CompositeEditor,
  readout: ReadoutEditor,
}
const editor = computed(() => editors[step.kind])
</script>

<template>
  <div class="editor">
    <StepHead :step="step" />
    <component :is="editor" :step="step" :document="document" :scope="scope" />
  </div>
</template>
