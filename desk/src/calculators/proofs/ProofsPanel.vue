<script setup lang="ts">
import { Alert, Button, Input, message, Modal, Textarea } from 'ant-design-vue'
import { closeOnEscape } from '../../app/close-on-escape'
import { computed, ref, watch } from 'vue'
import { checkFormula, freeId, proofFromNow, type CalculatorDocument, type Proof } from '@vivid/core'
import { figuresFor } from '@vivid/contract/wording'
import { useDraft } from '../draft-store'
import { localNow, localToday } from '../local-today'
import { readTextFile, saveTextFile } from '../text-files'
import type { DecimalMark } from '@vivid/contract/wording'
import { readProofs, writeProofs } from './proofs-csv'
import type { TableFault } from '../../text-tables/read-table'
import { useProofs } from './proofs-store'
import { useTape } from '../tape-store'

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
const faults = ref<readonly TableFault[]>([])
const isAmbiguous = ref(false)
/** Proofs that were understood and wait to be taken. */
const understood = ref<{ readonly proofs: Proof[]; readonly how: string }>()

const figures = computed(
  () => draft.compiled && figuresFor(draft.compiled.program, document.languages[0] ?? 'en-CA'),
)
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
/** The figure got becomes the one expected; the record says by whom, and what it was. */
function takePresent(proof: Proof, at: number, got: string): void {
  setLine(proof, at, { figure: got })
  void message.success('The proof expects the present figure now. This goes on record; Undo takes it back.')
}
const isTolerance = (text: string) => /^\d{1,10}(\.\d{1,6})?$/.test(text)

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

function take(text: string, decimal?: DecimalMark): void {
  const read = readProofs(text, document, localToday(), decimal)
  faults.value = read.ok ? [] : read.faults
  isAmbiguous.value = !read.ok && read.isAmbiguous
  understood.value = read.ok ? read : undefined
}
watch(pasted, () => {
  understood.value = undefined
  faults.value = []
  isAmbiguous.value = false
})
/** "2 answers; the loan.payment 1850.25" */
const saidShortly = ({ answers, expected }: Proof): string => {
  const count = Object.keys(answers).length
  const figuresSaid = expected.map(({ of, figure }) => `${of} ${figure}`).join(', ')
  return `${count} ${count === 1 ? 'answer' : 'answers'}; ${figuresSaid}`
}
function keepUnderstood(): void {
  const added = understood.value?.proofs ?? []
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
  take(text)
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
    <div v-if="pasting" class="paste">
      <label for="pasted-proofs"
        >A heading, then one proof a line. Columns: proof, day, questions by name, “= figure”, “±
        figure”.</label
      >
      <Textarea
        id="pasted-proofs"
        v-model:value="pasted"
        :auto-size="{ minRows: 3, maxRows: 9 }"
        placeholder="proof,home price,= the loan.payment,± the loan.payment"
        spellcheck="false"
      />
      <Button v-if="!understood" :disabled="!pasted.trim()" @click="take(pasted)">Read these</Button>
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
          <Button type="primary" @click="keepUnderstood">Add these</Button>
        </template>
      </Alert>
      <Alert v-if="faults.length" type="error" role="alert" message="Nothing was added.">
        <template #description>
          <p v-for="(fault, i) in faults.slice(0, 12)" :key="i">
            Row {{ fault.row }}, {{ fault.column }}: {{ fault.what }}.
          </p>
          <p v-if="faults.length > 12">and {{ faults.length - 12 }} more.</p>
          <p v-if="isAmbiguous" class="readings">
            <Button @click="take(pasted, '.')">Read with a decimal point</Button>
            <Button @click="take(pasted, ',')">Read with a decimal comma</Button>
          </p>
        </template>
      </Alert>
    </div>
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
        <table>
          <thead>
            <tr>
              <th scope="col">Figure</th>
              <th scope="col">Expected</th>
              <th scope="col">Within</th>
              <th scope="col">Got</th>
              <th scope="col">Difference</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="(line, at) in shown.proof.expected"
              :key="at"
              :class="{ differs: shown.result?.lines[at]?.agrees === false }"
            >
              <th scope="row">{{ line.of }}</th>
              <td>
                <Input
                  size="small"
                  :value="line.figure"
                  :value-modifiers="{ lazy: true }"
                  :aria-label="`Expected, ${line.of}`"
                  @update:value="setLine(shown.proof, at, { figure: $event })"
                />
              </td>
              <td>
                <Input
                  size="small"
                  class="narrow"
                  :value="line.tolerance"
                  :value-modifiers="{ lazy: true }"
                  :aria-label="`Tolerance, ${line.of}`"
                  @update:value="isTolerance($event) && setLine(shown.proof, at, { tolerance: $event })"
                />
              </td>
              <td class="amount">{{ shown.result?.lines[at]?.got ?? 'no value' }}</td>
              <td class="amount">
                {{ shown.result?.lines[at]?.difference ?? '–' }}
                <template v-if="shown.result?.lines[at]?.agrees === false">
                  <span class="bad">differs</span>
                  <Button
                    v-if="shown.result.lines[at].got !== undefined"
                    size="small"
                    :aria-label="`Take the present figure, ${line.of}`"
                    @click="takePresent(shown.proof, at, shown.result.lines[at].got)"
                    >Take the present figure</Button
                  >
                </template>
              </td>
            </tr>
          </tbody>
        </table>
        <template v-for="(line, at) in shown.result?.lines ?? []" :key="at">
          <details v-if="!line.agrees && line.between.length" class="between" open>
            <summary>What lies between the answers and “{{ line.of }}”</summary>
            <dl>
              <div v-for="part in line.between" :key="part.step">
                <dt>
                  <button type="button" class="link" @click="goTo(part.step)">{{ nameOf(part.step) }}</button>
                </dt>
                <dd>{{ figures?.value(part.value) }}</dd>
              </div>
            </dl>
          </details>
        </template>
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
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 4px 10px 4px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  font-weight: 400;
}
tbody th {
  font-weight: 600;
}
.amount {
  text-align: right;
}
.narrow {
  width: 70px;
}
.between {
  margin-top: 12px;
}
.between dl > div {
  display: flex;
  justify-content: space-between;
  gap: 20px;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}
</style>
