<script setup lang="ts">
import type { CalculatorStep } from '@vivid/core'
import { useDraft } from '../draft-store'
import TextField from './TextField.vue'

const { readout } = defineProps<{ readout: Extract<CalculatorStep, { kind: 'readout' }> }>()
const draft = useDraft()
</script>

<template>
  <div class="editor">
    <TextField
      :id="`${readout.id}-label`"
      label="Label"
      :value="readout.label"
      :most="80"
      required
      @change="draft.changeStep(readout.id, { label: $event })"
    />
    <TextField
      :id="`${readout.id}-name`"
      label="Name on the tape"
      :value="readout.name"
      :most="80"
      required
      @change="draft.changeStep(readout.id, { name: $event })"
    />
    <TextField
      v-if="readout.shows !== 'payment'"
      :id="`${readout.id}-help`"
      class="wide"
      label="Help below the figure"
      :value="readout.help"
      :most="400"
      long
      @change="draft.changeStep(readout.id, { help: $event })"
    />
  </div>
</template>
