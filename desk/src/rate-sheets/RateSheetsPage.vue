<script setup lang="ts">
import { Alert, Button, Input, message, Skeleton } from 'ant-design-vue'
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { z } from 'zod'
import type { RateSheet } from '@vivid/core'
import { SheetListed } from '@vivid/contract'
import { sentenceOf } from '../api/api-error'
import { request } from '../api/request'
import CallToAction from '../app/CallToAction.vue'
import DeskHeader from '../app/DeskHeader.vue'
import PickField from '../calculators/fields/PickField.vue'
import { localToday } from '../calculators/local-today'
import { readTextFile, saveTextFile } from '../calculators/text-files'
import { useSession } from '../people/session-store'
import { readRows, writeRows, type SheetCsvFault } from './sheet-csv'

/** The lender's rate sheets, edited plainly: a table for each day it takes effect. */
const route = useRoute()
const router = useRouter()
const session = useSession()
const sheets = ref<SheetListed[]>()
const problem = ref('')
const draft = ref<{ sheet: RateSheet; revision: number }>()
const version = ref(0)
const faults = ref<readonly SheetCsvFault[]>([])
const busy = ref(false)

async function load(): Promise<void> {
  problem.value = ''
  try {
    sheets.value = await request(z.array(SheetListed), 'GET', '/rate-sheets')
    const asked = String(route.query.sheet ?? '')
    choose(sheets.value.find(({ sheet }) => sheet.id === asked) ?? sheets.value[0])
  } catch (error) {
    problem.value = sentenceOf(error)
  }
}
onMounted(load)

function choose(listed: SheetListed | undefined): void {
  faults.value = []
  problem.value = ''
  if (!listed) return
  draft.value = { sheet: structuredClone(toPlain(listed.sheet)), revision: listed.revision }
  version.value = listed.sheet.versions.length - 1
  void router.replace({ query: { sheet: listed.sheet.id } })
}
const toPlain = <T,>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const saved = computed(() => sheets.value?.find(({ sheet }) => sheet.id === draft.value?.sheet.id))
const isChanged = computed(() => JSON.stringify(saved.value?.sheet) !== JSON.stringify(draft.value?.sheet))
const current = computed(() => draft.value?.sheet.versions[version.value])
const today = localToday()
const stateOf = (from: string) => {
  const inForce = [...(draft.value?.sheet.versions ?? [])]
    .filter((one) => one.from <= today)
    .sort((a, b) => (a.from < b.from ? 1 : -1))[0]?.from
  return from === inForce ? 'in force' : from > today ? 'coming' : 'past'
}

const units = [
  { value: 'percent', label: 'a percentage' },
  { value: 'number', label: 'a number' },
  { value: 'money', label: 'an amount' },
  { value: 'term', label: 'a length, in months' },
  { value: 'text', label: 'a text' },
  { value: 'frequency', label: 'a payment frequency' },
]
const matches = [
  { value: 'exact', label: 'exactly' },
  { value: 'from', label: 'from this on' },
  { value: 'upTo', label: 'up to this' },
]

function addSheet(): void {
  const taken = new Set(sheets.value?.map(({ sheet }) => sheet.id))
  let id = 'new-sheet'
  for (let n = 2; taken.has(id); n++) id = `new-sheet-${n}`
  draft.value = {
    revision: 0,
    sheet: {
      id,
      name: 'New rate sheet',
      keys: [{ id: 'key', name: 'Length', unit: 'term', match: 'from' }],
      gives: 'percent',
      versions: [{ from: today, rows: [{ keys: ['12'], value: '5' }] }],
    },
  }
  version.value = 0
}
/** The address follows the name of a sheet that is not kept yet. */
function rename(name: string): void {
  if (!draft.value) return
  draft.value.sheet.name = name
  if (draft.value.revision === 0)
    draft.value.sheet.id =
      name
        .toLowerCase()
        .normalize('NFD')
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .slice(0, 60) || 'new-sheet'
}
function addKey(): void {
  draft.value?.sheet.keys.push({ id: 'second', name: 'Second key', unit: 'text', match: 'exact' })
  draft.value?.sheet.versions.forEach((one) => one.rows.forEach((row) => row.keys.push('')))
}
function removeKey(): void {
  draft.value?.sheet.keys.pop()
  draft.value?.sheet.versions.forEach((one) => one.rows.forEach((row) => row.keys.splice(1)))
}
function addVersion(): void {
  const { sheet } = draft.value ?? {}
  if (!sheet || !current.value) return
  sheet.versions.push({ from: today, rows: toPlain(current.value.rows) })
  version.value = sheet.versions.length - 1
}
function removeVersion(): void {
  draft.value?.sheet.versions.splice(version.value, 1)
  version.value = Math.max(0, version.value - 1)
}
const addRow = () =>
  current.value?.rows.push({ keys: (draft.value?.sheet.keys ?? []).map(() => ''), value: '' })

async function loadRows(): Promise<void> {
  const text = await readTextFile('.csv,text/csv')
  if (text === undefined || !draft.value || !current.value) return
  const read = readRows(text, draft.value.sheet)
  faults.value = read.ok ? [] : read.faults
  if (read.ok) current.value.rows = read.rows
}
function saveRows(): void {
  if (draft.value && current.value)
    saveTextFile(
      writeRows(draft.value.sheet, current.value.rows),
      `${draft.value.sheet.id}-${current.value.from}.csv`,
      'text/csv;charset=utf-8',
    )
}

async function save(): Promise<void> {
  if (!draft.value) return
  busy.value = true
  problem.value = ''
  try {
    const kept = await request(SheetListed, 'PUT', '/rate-sheets', draft.value)
    sheets.value = await request(z.array(SheetListed), 'GET', '/rate-sheets')
    const at = version.value
    choose(kept)
    version.value = Math.min(at, kept.sheet.versions.length - 1)
    void message.success('Saved: calculators look it up from its day on.')
  } catch (error) {
    problem.value = sentenceOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DeskHeader />
  <main class="sheets">
    <div class="head">
      <h1>Rate sheets</h1>
      <p class="soft">rates, premiums and fees, with the day they take effect</p>
      <Button v-if="session.can('edit')" class="new" @click="addSheet">New rate sheet</Button>
    </div>
    <Alert v-if="problem" type="error" role="alert" :message="problem" class="alert" />
    <Skeleton v-if="!sheets && !problem" active />
    <div v-else-if="sheets" class="both">
      <ul class="list" aria-label="All rate sheets">
        <li v-for="one in sheets" :key="one.sheet.id">
          <button type="button" :aria-pressed="one.sheet.id === draft?.sheet.id" @click="choose(one)">
            <strong>{{ one.sheet.name }}</strong>
            <span class="soft">{{
              one.usedBy.length ? `used by ${one.usedBy.length}` : 'not used yet'
            }}</span>
          </button>
        </li>
        <li v-if="sheets.length === 0" class="soft">
          No rate sheet yet: rates that change often stand here, so that a calculator needs no new edition for
          them.
        </li>
      </ul>
      <div v-if="draft" class="one" :inert="!session.can('edit') || undefined">
        <div class="editor">
          <div>
            <label for="sheet-name">Name</label>
            <Input id="sheet-name" :value="draft.sheet.name" :maxlength="80" @update:value="rename" />
          </div>
          <PickField
            id="sheet-gives"
            label="Each row gives"
            :value="draft.sheet.gives"
            :options="[
              { value: 'percent', label: 'a percentage' },
              { value: 'money', label: 'an amount' },
              { value: 'number', label: 'a number' },
            ]"
            @change="draft.sheet.gives = $event as RateSheet['gives']"
          />
          <div v-for="(key, i) in draft.sheet.keys" :key="i" class="key wide">
            <div>
              <label :for="`key-${i}`">Found by</label>
              <Input :id="`key-${i}`" v-model:value="key.name" :maxlength="80" />
            </div>
            <PickField
              :id="`key-${i}-unit`"
              label="which is"
              :value="key.unit"
              :options="units"
              @change="key.unit = $event as 'text'"
            />
            <PickField
              :id="`key-${i}-match`"
              label="matched"
              :value="key.match"
              :options="matches"
              @change="key.match = $event as 'exact'"
            />
            <Button v-if="i === 1" size="small" @click="removeKey">Remove</Button>
          </div>
          <button v-if="draft.sheet.keys.length < 2" type="button" class="link wide" @click="addKey">
            Find by a second key too
          </button>
        </div>
        <div class="versions" role="group" aria-label="Versions by the day they take effect">
          <button
            v-for="(one, i) in draft.sheet.versions"
            :key="i"
            type="button"
            :aria-pressed="i === version"
            @click="version = i"
          >
            {{ one.from }} <span class="soft">{{ stateOf(one.from) }}</span>
          </button>
          <button type="button" class="link" @click="addVersion">Add a version</button>
        </div>
        <template v-if="current">
          <div class="day">
            <label for="version-from">Takes effect on</label>
            <input id="version-from" v-model="current.from" type="date" class="pick" required />
            <Button v-if="draft.sheet.versions.length > 1" size="small" @click="removeVersion"
              >Remove this version</Button
            >
            <span class="files">
              <Button size="small" @click="loadRows">Load CSV</Button>
              <Button size="small" @click="saveRows">Save CSV</Button>
            </span>
          </div>
          <Alert v-if="faults.length" type="error" role="alert" message="Nothing was loaded.">
            <template #description
              ><p v-for="(fault, i) in faults.slice(0, 10)" :key="i">
                Row {{ fault.row }}, {{ fault.column }}: {{ fault.what }}.
              </p></template
            >
          </Alert>
          <table>
            <thead>
              <tr>
                <th v-for="key in draft.sheet.keys" :key="key.id" scope="col">{{ key.name }}</th>
                <th scope="col">
                  {{ { percent: 'percent', money: 'amount', number: 'number' }[draft.sheet.gives] }}
                </th>
                <td></td>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, at) in current.rows" :key="at">
                <td v-for="(key, i) in draft.sheet.keys" :key="key.id">
                  <Input
                    v-model:value="row.keys[i]"
                    size="small"
                    :aria-label="`Row ${at + 1}, ${key.name}`"
                  />
                </td>
                <td><Input v-model:value="row.value" size="small" :aria-label="`Row ${at + 1}, value`" /></td>
                <td>
                  <Button
                    size="small"
                    type="text"
                    :aria-label="`Remove row ${at + 1}`"
                    @click="current.rows.splice(at, 1)"
                    >Remove</Button
                  >
                </td>
              </tr>
            </tbody>
          </table>
          <button type="button" class="link" @click="addRow">Add a row</button>
        </template>
        <div class="foot">
          <span v-if="saved?.usedBy.length" class="soft">Looked up by {{ saved.usedBy.join(', ') }}</span>
          <CallToAction :disabled="!isChanged" :loading="busy" @click="save">Save</CallToAction>
        </div>
      </div>
    </div>
  </main>
</template>

<style scoped>
.sheets {
  max-width: 1280px;
  margin: 0 auto;
  padding: 22px 22px 40px;
}
.head {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 18px;
}
.new {
  margin-left: auto;
}
.alert {
  margin-bottom: 12px;
}
.both {
  display: grid;
  grid-template-columns: 260px minmax(0, 1fr);
  gap: 26px;
}
.list {
  margin: 0;
  padding: 0;
  list-style: none;
}
.list button {
  display: grid;
  width: 100%;
  padding: 9px 12px;
  border: 1px solid transparent;
  border-radius: 8px;
  background: none;
  text-align: left;
  cursor: pointer;
}
.list button[aria-pressed='true'] {
  border-color: var(--plum);
  background: var(--lilac);
}
.one {
  display: grid;
  gap: 14px;
  padding: 18px 20px;
  border: 1px solid var(--line);
  border-radius: 9px;
  background: var(--card);
}
.key {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr auto;
  gap: 12px;
  align-items: end;
}
.versions {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.versions button:not(.link) {
  padding: 5px 12px;
  border: 1px solid var(--control-line);
  border-radius: 6px;
  background: var(--card);
  cursor: pointer;
}
.versions button[aria-pressed='true'] {
  border-color: var(--plum);
  background: var(--lilac);
}
.day {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
.day .pick {
  width: auto;
}
.files {
  display: flex;
  gap: 6px;
  margin-left: auto;
}
table {
  border-collapse: collapse;
}
th,
td {
  padding: 3px 10px 3px 0;
  text-align: left;
  font-weight: 600;
}
.link {
  justify-self: start;
}
.foot {
  display: flex;
  justify-content: flex-end;
  align-items: center;
  gap: 14px;
}
@media (max-width: 800px) {
  .both {
    grid-template-columns: 1fr;
  }
}
</style>
