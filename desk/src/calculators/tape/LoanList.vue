<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { CalculatorDocument, Texts } from '@vivid/core'
import PickField from '../fields/PickField.vue'
import TextsField from '../fields/TextsField.vue'

/** Loans chosen to stand side by side, each with the label visitors read. */
interface Chosen {
  loan: string
  label: Texts
}
const { id, loans, document, most } = defineProps<{
  id: string
  loans: readonly Chosen[]
  document: CalculatorDocument
  most: number
}>()
const emit = defineEmits<{ change: [loans: Chosen[]] }>()
const offered = computed(() =>
  document.steps.flatMap((one) => (one.kind === 'loan' ? [{ value: one.id, label: one.name }] : [])),
)
const set = (at: number, fields: Partial<Chosen>) =>
  emit(
    'change',
    loans.map((one, i) => (i === at ? { ...one, ...fields } : one)),
  )
function add(): void {
  const next =
    offered.value.find(({ value }) => !loans.some(({ loan }) => loan === value)) ?? offered.value[0]
  if (next)
    emit('change', [
      ...loans,
      { loan: next.value, label: { [document.languages[0] ?? 'en-CA']: next.label } },
    ])
}
</script>

<template>
  <div class="loans" :data-field="`${id}.loans`">
    <div v-for="(one, at) in loans" :key="at" class="chosen-loan" :data-field="`${id}.loans.${at}`">
      <PickField
        :id="`${id}-loan-${at}`"
        :label="`Loan ${at + 1}`"
        :value="one.loan"
        :options="offered"
        @change="set(at, { loan: $event })"
      />
      <TextsField
        :id="`${id}-loan-${at}-label`"
        label="Visitors read"
        :texts="one.label"
        :languages="document.languages"
        :field="`${id}.loans.${at}.label`"
        @change="set(at, { label: $event })"
      />
      <Button
        size="small"
        @click="
          emit(
            'change',
            loans.filter((_, i) => i !== at),
          )
        "
        >Remove</Button
      >
    </div>
    <button
      v-if="loans.length < most"
      type="button"
      class="link"
      :disabled="offered.length === 0"
      @click="add"
    >
      Add a loan
    </button>
    <p v-if="offered.length === 0" class="soft">There is no loan on the tape yet.</p>
  </div>
</template>

<style scoped>
.loans {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.chosen-loan {
  display: grid;
  grid-template-columns: 1fr 1.5fr auto;
  gap: 10px;
  align-items: end;
  width: 100%;
}
</style>
