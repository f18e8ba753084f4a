<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, reactive } from 'vue'
import { mainLanguage, plainName, type CalculatorDocument, type Texts } from '@vivid/core'
import PickField from '../../shared/fields/PickField.vue'
import { loansThere } from './loans-there'
import TextsField from '../../shared/fields/TextsField.vue'

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
const offered = computed(() => loansThere(document))
const set = (at: number, fields: Partial<Chosen>) =>
  emit(
    'change',
    loans.map((one, i) => (i === at ? { ...one, ...fields } : one)),
  )
/** Another loan: a label that said the old one's name says the new one's; words of its author's stay, marked to be read again. */
function pick(at: number, loan: string): void {
  const nameOf = (id: string | undefined) => offered.value.find(({ value }) => value === id)?.label ?? ''
  const old = loans[at]
  const following = Object.fromEntries(
    Object.entries(old?.label ?? {}).map(([language, text]) => [
      language,
      plainName(text) === plainName(nameOf(old?.loan)) ? nameOf(loan) : text,
    ]),
  )
  const keepsWords = Object.values(following).some((text) => text !== '' && text !== nameOf(loan))
  if (keepsWords) stale.add(at)
  set(at, { loan, label: following })
}
const stale = reactive(new Set<number>())
function add(): void {
  const next =
    offered.value.find(({ value }) => !loans.some(({ loan }) => loan === value)) ?? offered.value[0]
  if (next) emit('change', [...loans, { loan: next.value, label: { [mainLanguage(document)]: next.label } }])
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
        @change="pick(at, $event)"
      />
      <TextsField
        :id="`${id}-loan-${at}-label`"
        label="Visitors read"
        :texts="one.label"
        :languages="document.languages"
        :field="`${id}.loans.${at}.label`"
        @change="(stale.delete(at), set(at, { label: $event }))"
      />
      <p v-if="stale.has(at)" class="soft" role="status">
        The label is still that of the loan before: write what visitors should read of this one.
      </p>
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
