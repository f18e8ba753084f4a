<script setup lang="ts">
import type { CalculatorDocument, StepOf } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import TextsField from '../../shared/fields/TextsField.vue'

defineProps<{ step: StepOf<'section'>; document: CalculatorDocument }>()
const draft = useDraft()
</script>

<template>
  <TextsField
    :id="`${step.id}-label`"
    class="wide"
    label="Heading visitors see"
    :texts="step.label"
    :languages="document.languages"
    :field="`${step.id}.label`"
    needed
    @change="draft.changeStep(step.id, { label: $event })"
  />
</template>
