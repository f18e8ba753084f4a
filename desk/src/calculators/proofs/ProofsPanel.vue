<script setup lang="ts">
import { Button, Input, message, Modal } from 'ant-design-vue'
import { closeOnEscape } from '../../shared/page/close-on-escape'
import { computed, ref } from 'vue'
import { checkFormula, freeId, proofFromNow, type CalculatorDocument, type Proof } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import { localNow } from '../../shared/time/local-today'
import { readTextFile, saveTextFile } from '../../shared/files/text-files'
import ProofLines from './ProofLines.vue'
import ProofsPaste from './ProofsPaste.vue'
import { writeProofs } from './proofs-csv'
import { useProofs } from './proofs-store'
import { useTape } from '../draft/tape-store'

/** All proofs: what was expected, what came out, by how much it differs and which workings lie between. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
const { document } = defineProps<{ document: CalculatorDocument }>()
const draft = useDraft()
const proofs = useProofs()
const tape = useTape()
const chosen = ref<string>()
const pasted = ref('')
const pasting = ref(false)

const rows = computed(() =>
  document.proofs.map((proof) => ({ proof, result: proofs.results.find(({ id }) => id === proof.id) })),
)
const shown = computed(
  () =>
    rows.value.find(({ proof }) => proof.id === chosen.value) ??
    rows.value.find(({ result }) => result && !result.agrees) ??
    rows.value[0],
)
const nameOf = (id: string) => document.steps.find((step) => step.id === id)?.name ?? id

const put = (next: Proof[], key?: string) => draft.change({ ...document, proofs: next }, key)
const set = (proof: Proof, fields: Partial<Proof>) =>
  put(
    document.proofs.map((one) => (one.id === proof.id ? { ...proof, ...fields } : one)),
    `proof.${proof.id}`,
  )
const setLine = (proof: Proof, at: number, fields: Partial<Proof['expected'][number]>) =>
  set(proof, { expected: proof.expected.map((line, i) => (i === at ? { ...line, ...fields } : line)) })

/** Figures worth proving: what the figures, meters and loans of the tape show now. */
const formulasNow = computed(() => {
  const { compiled } = draft
  if (!compiled) return []
  const shownValues = document.steps.flatMap((step) =>
    step.kind === 'readout' && step.shows === 'figure' && !step.shownWhen ? [step.value] : [],
  )
  const loans = document.steps.flatMap((step) =>
    step.kind === 'loan' && step.as === null ? [`${step.name}.payment`, `${step.name}.total interest`] : [],
  )
  return [...new Set([...shownValues, ...loans])]
    .slice(0, 12)
    .filter((of) => checkFormula(of, { is: 'shown' }, compiled.scope).formula)
})

/** One action: these answers must always give these figures. */
function makeFromNow(): void {
  const { compiled, sample } = draft
  if (!compiled || !sample) return
  const name = sample.name
  const id = freeId(document.proofs, name)
  const ready = formulasNow.value.map((of) => checkFormula(of, { is: 'shown' }, compiled.scope).formula)
  const made = proofFromNow(
    compiled,
    ready,
    { id, name, answers: sample.answers, of: formulasNow.value, on: localNow() },
    draft.sheets,
  )
  if (made.expected.length === 0)
    return void message.error('Nothing is worked out for this sample visitor yet.')
  put([...document.proofs, made])
  chosen.value = id
}

function addPasted(added: readonly Proof[]): void {
  put([...document.proofs, ...added])
  pasting.value = false
  pasted.value = ''
  void message.success(`${added.length} ${added.length === 1 ? 'proof' : 'proofs'} added.`)
}
async function load(): Promise<void> {
  const text = await readTextFile('.csv,text/csv')
  if (text === undefined) return
  pasting.value = true
  pasted.value = text
}
const save = () => saveTextFile(writeProofs(document), 'proofs.csv', 'text/csv;charset=utf-8')

function goTo(step: string): void {
  open.value = false
  void tape.goTo(step)
}
</script>

<template>
  <Modal v-model:open="open" title="Proofs" :footer="null" :width="940">
    <div class="top">
      <Button type="primary" :disabled="formulasNow.length === 0" @click="makeFromNow"
        >Make one from the present values</Button
      >
      <Button @click="pasting = !pasting">Paste from a table</Button>
      <Button @click="load">Load CSV</Button>
      <Button :disabled="document.proofs.length === 0" @click="save">Save as CSV</Button>
    </div>
    <ProofsPaste v-if="pasting" v-model:text="pasted" :document="document" @add="addPasted" />
    <p v-if="rows.length === 0" class="soft empty">
      A proof is a set of answers with the figures they must give, from your own system. It runs on every
      change; one that differs stops the calculator from being sent.
    </p>
    <div v-else class="both">
      <ul class="list" aria-label="All proofs">
        <li v-for="{ proof, result } in rows" :key="proof.id">
          <button type="button" :aria-pressed="proof.id === shown?.proof.id" @click="chosen = proof.id">
            <span class="sign" :class="result?.agrees ? 'good' : 'bad'" aria-hidden="true">{{
              result === undefined ? '…' : result.agrees ? '✓' : '●'
            }}</span>
            {{ proof.name }} <span v-if="result && !result.agrees" class="bad">differs</span>
          </button>
        </li>
      </ul>
      <div v-if="shown" class="one">
        <div class="head">
          <Input
            :value="shown.proof.name"
            aria-label="Name of the proof"
            :maxlength="80"
            @update:value="$event.trim() && set(shown.proof, { name: $event })"
          />
          <span class="soft"
            >on {{ shown.proof.on }}, {{ Object.keys(shown.proof.answers).length }} answers of its own</span
          >
          <Button size="small" danger @click="put(document.proofs.filter(({ id }) => id !== shown?.proof.id))"
            >Remove</Button
          >
        </div>
        <ProofLines
          :proof="shown.proof"
          :result="shown.result"
          :name-of="nameOf"
          @change="(at, fields) => shown && setLine(shown.proof, at, fields)"
          @go-to="goTo"
        />
        <p v-for="problem in shown.result?.problems.slice(0, 3) ?? []" :key="problem.field" class="bad">
          {{ nameOf(problem.field) }} does not fit these answers.
        </p>
      </div>
    </div>
  </Modal>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.empty {
  max-width: 60ch;
  padding: 26px 0;
}
.both {
  display: grid;
  grid-template-columns: 240px minmax(0, 1fr);
  gap: 20px;
  margin-top: 14px;
}
.list {
  max-height: 400px;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
.list button {
  width: 100%;
  padding: 6px 8px;
  border: 0;
  border-radius: 6px;
  background: none;
  text-align: left;
  cursor: pointer;
}
.list button[aria-pressed='true'] {
  background: var(--lilac);
}
.sign {
  display: inline-block;
  width: 18px;
}
.good {
  color: var(--leaf);
}
.bad {
  color: var(--red-text);
  font-weight: 600;
}
.head {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-bottom: 8px;
}
.head :deep(input) {
  max-width: 260px;
}
</style>
