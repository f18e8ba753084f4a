<script setup lang="ts">
import { RadioGroup } from 'ant-design-vue'
import type { CalculatorStep } from '@vivid/core'
import { useDraft } from '../draft-store'
import { compoundingWords } from './step-clause'
import TextField from './TextField.vue'

type Loan = Extract<CalculatorStep, { kind: 'loan' }>
const { loan } = defineProps<{ loan: Loan }>()
const draft = useDraft()

const choices: { value: Loan['compounding']; label: string }[] = (
  ['perPayment', 1, 2, 4, 12, 365] as const
).map((value) => ({
  value,
  label: compoundingWords[value],
}))
</script>

<template>
  <div class="editor">
    <TextField
      :id="`${loan.id}-name`"
      label="Name on the tape"
      :value="loan.name"
      :most="80"
      required
      @change="draft.changeStep(loan.id, { name: $event })"
    />
    <div>
      <span :id="`${loan.id}-compounding-label`" class="group-label">The yearly rate is quoted with</span>
      <RadioGroup
        :id="`${loan.id}-compounding`"
        :aria-labelledby="`${loan.id}-compounding-label`"
        :value="loan.compounding"
        :options="choices"
        @change="(event) => draft.changeStep(loan.id, { compounding: event.target.value })"
      />
    </div>
    <p class="soft wide">
      How often it is paid sets both the number of payments a year and the rate of each, so the two never
      part.
    </p>
  </div>
</template>
