<script setup lang="ts">
import { Select } from 'ant-design-vue'
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
      <label :for="`${loan.id}-compounding`">The yearly rate is quoted with</label>
      <Select
        :id="`${loan.id}-compounding`"
        :value="loan.compounding"
        :options="choices"
        style="width: 100%"
        @change="(compounding: unknown) => draft.changeStep(loan.id, { compounding })"
      />
    </div>
    <p class="soft wide">
      How often it is paid sets both the number of payments a year and the rate of each, so the two never
      part.
    </p>
  </div>
</template>
