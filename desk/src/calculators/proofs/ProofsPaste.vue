<script setup lang="ts">
import { Alert, Button, Textarea } from 'ant-design-vue'
import { ref, watch } from 'vue'
import type { CalculatorDocument, Proof } from '@vivid/core'
import type { DecimalMark } from '@vivid/contract/wording'
import type { TableFault } from '../../shared/text-tables/read-table'
import { localToday } from '../../shared/time/local-today'
import { readProofs } from './proofs-csv'

/** Proofs from a table: read, said as they were understood, and then added; all or nothing. */
const text = defineModel<string>('text', { required: true })
const { document } = defineProps<{ document: CalculatorDocument }>()
const emit = defineEmits<{ add: [proofs: readonly Proof[]] }>()

const faults = ref<readonly TableFault[]>([])
const isAmbiguous = ref(false)
/** Proofs that were understood and wait to be taken. */
const understood = ref<{ readonly proofs: Proof[]; readonly how: string }>()

function read(decimal?: DecimalMark): void {
  const result = readProofs(text.value, document, localToday(), decimal)
  faults.value = result.ok ? [] : result.faults
  isAmbiguous.value = !result.ok && result.isAmbiguous
  understood.value = result.ok ? result : undefined
}
watch(text, () => {
  understood.value = undefined
  faults.value = []
  isAmbiguous.value = false
})
/** "2 answers; the loan.payment 1850.25" */
function saidShortly({ answers, expected }: Proof): string {
  const count = Object.keys(answers).length
  const figures = expected.map(({ of, figure }) => `${of} ${figure}`).join(', ')
  return `${count} ${count === 1 ? 'answer' : 'answers'}; ${figures}`
}
</script>

<template>
  <div class="paste">
    <label for="pasted-proofs"
      >A heading, then one proof a line. Columns: proof, day, questions by name, “= figure”, “±
      figure”.</label
    >
    <Textarea
      id="pasted-proofs"
      v-model:value="text"
      :auto-size="{ minRows: 3, maxRows: 9 }"
      placeholder="proof,home price,= the loan.payment,± the loan.payment"
      spellcheck="false"
    />
    <Button v-if="!understood" :disabled="!text.trim()" @click="read()">Read these</Button>
    <Alert
      v-else
      type="info"
      role="status"
      :message="`${understood.proofs.length} ${understood.proofs.length === 1 ? 'proof was' : 'proofs were'} understood.`"
    >
      <template #description>
        <p>{{ understood.how }}</p>
        <p v-for="proof in understood.proofs.slice(0, 4)" :key="proof.id">
          {{ proof.name }}: {{ saidShortly(proof) }}
        </p>
        <p v-if="understood.proofs.length > 4">and {{ understood.proofs.length - 4 }} more.</p>
        <Button type="primary" @click="emit('add', understood.proofs)">Add these</Button>
      </template>
    </Alert>
    <Alert v-if="faults.length" type="error" role="alert" message="Nothing was added.">
      <template #description>
        <p v-for="(fault, i) in faults.slice(0, 12)" :key="i">
          Row {{ fault.row }}, {{ fault.column }}: {{ fault.what }}.
        </p>
        <p v-if="faults.length > 12">and {{ faults.length - 12 }} more.</p>
        <p v-if="isAmbiguous" class="readings">
          <Button @click="read('.')">Read with a decimal point</Button>
          <Button @click="read(',')">Read with a decimal comma</Button>
        </p>
      </template>
    </Alert>
  </div>
</template>

<style scoped>
.paste {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-top: 12px;
}
.paste > :deep(textarea),
.paste > .ant-alert {
  width: 100%;
}
</style>
