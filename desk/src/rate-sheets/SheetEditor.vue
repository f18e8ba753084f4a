<script setup lang="ts">
import { sheetFaultSaid } from '@vivid/contract'
import { Alert, Button } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { keysText, sheetChanges, startOf, type RateSheet, type SheetVersion } from '@vivid/core'
import type { DecimalMark } from '@vivid/contract/wording'
import { entered } from '../shared/fields/entered'
import { localNow, localToday } from '../shared/time/local-today'
import { dayOf } from '../shared/time/moments'
import { readTextFile, saveTextFile } from '../shared/files/text-files'
import { useSession } from '../shared/session/session-store'
import SheetActions from './SheetActions.vue'
import SheetEditions from './SheetEditions.vue'
import SheetHead from './SheetHead.vue'
import SheetImpact from './SheetImpact.vue'
import SheetTable from './SheetTable.vue'
import IncomingRows from './IncomingRows.vue'
import { loaded, pastedRows, type Incoming } from './incoming'
import { readRows, writeRows } from './sheet-csv'
import { addVersion, isBefore, pasteBlock, readBlock, withVersion, type Cell } from './sheet-edit'
import { startSaid } from '../shared/time/start-said'
import { partOf } from './sheet-words'
import { useSheets } from './sheets-store'

/** The sheet that is open: what it is found by, and a table for each day it takes effect. */
const { sheet } = defineProps<{ sheet: RateSheet }>()
const sheets = useSheets()
const session = useSession()
const readOnly = computed(() => !session.can('edit'))

const minute = () => localNow()
const inOrder = computed(() =>
  sheet.versions.map((version, at) => ({ version, at })).sort((a, b) => isBefore(a.version, b.version)),
)
const shown = ref(inOrder.value.at(-1)?.at ?? 0)
watch(
  () => sheet.id,
  () => (shown.value = inOrder.value.at(-1)?.at ?? 0),
)
const current = computed(() => sheet.versions[shown.value] ?? sheet.versions[0])
/** Rows from a file or a spreadsheet that wait until it is said that they were understood. */
const incoming = ref<Incoming>()
watch([() => sheet.id, shown], () => (incoming.value = undefined))

/** Cells of the shown version whose figure is another one than in force. */
const changed = computed(() => {
  const version = current.value
  if (!version || !sheets.isReadable) return new Set<string>()
  const rowAt = new Map(version.rows.map(({ keys }, row) => [keysText(keys), row]))
  const changes = sheetChanges(sheets.saved?.live ?? undefined, sheet)
  return new Set(
    changes
      .filter(({ start }) => start === startOf(version))
      .flatMap(({ keys }) => rowAt.get(keysText(keys)) ?? [])
      .map((row) => `${row} ${sheet.keys.length}`),
  )
})
const changeVersion = (fields: Partial<SheetVersion>, key?: string) =>
  sheets.change(
    withVersion(sheet, shown.value, (version) => ({ ...version, ...fields })),
    key && `${shown.value} ${key}`,
  )
function changeTime(event: Event): void {
  const value = entered(event)
  const { at: _, ...version } = current.value ?? { from: localToday(), rows: [] }
  sheets.change(
    withVersion(sheet, shown.value, () => (value && value !== '00:00' ? { ...version, at: value } : version)),
  )
}
function another(): void {
  sheets.change(addVersion(sheet, localToday()))
  shown.value = sheet.versions.length
}
function removeVersion(): void {
  sheets.change({ ...sheet, versions: sheet.versions.filter((_, i) => i !== shown.value) })
  shown.value = 0
}
async function loadRows(): Promise<void> {
  const text = await readTextFile('.csv,text/csv')
  if (text !== undefined) incoming.value = { read: (decimal) => loaded(readRows(text, sheet, decimal)) }
}
/** A pasted block is taken at once where nothing in it had to be understood. */
function paste(at: Cell, text: string): void {
  const { rows } = current.value ?? { rows: [] }
  const read = (decimal?: DecimalMark) => pastedRows(pasteBlock(sheet, rows, at, readBlock(text), decimal))
  const found = read()
  if (found.ok && found.understood.length === 0) changeVersion({ rows: found.rows })
  else incoming.value = { read }
}
function take(rows: SheetVersion['rows']): void {
  changeVersion({ rows })
  incoming.value = undefined
}
function saveRows(): void {
  if (!current.value) return
  const name = `${sheet.id}-${current.value.from}.csv`
  saveTextFile(writeRows(sheet, current.value.rows), name, 'text/csv;charset=utf-8')
}

function onKey(event: KeyboardEvent): void {
  if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
  event.preventDefault()
  if (event.shiftKey) sheets.redo()
  else sheets.undo()
}
</script>

<template>
  <div class="one" @keydown="onKey">
    <div v-if="sheets.saved?.sentBack" class="words">
      <strong>{{ sheets.saved.sentBack.by }}</strong> sent it back, {{ dayOf(sheets.saved.sentBack.at) }}:
      {{ sheets.saved.sentBack.text }}
    </div>
    <div v-else-if="sheets.saved?.sentNote" class="words">
      <strong>{{ sheets.saved.sentBy }}</strong> says: {{ sheets.saved.sentNote }}
    </div>
    <SheetHead :sheet="sheet" :read-only="readOnly" />
    <div class="versions" role="group" aria-label="Versions by the moment they take effect">
      <button
        v-for="{ version, at } in inOrder"
        :key="at"
        type="button"
        :aria-pressed="at === shown"
        @click="shown = at"
      >
        {{ startSaid(startOf(version)) }}
        <span class="soft">{{ partOf(version, sheets.saved?.live ?? undefined, minute()) }}</span>
      </button>
      <button v-if="!readOnly" type="button" class="link" @click="another">Add a version</button>
    </div>
    <template v-if="current">
      <div class="day">
        <label for="version-from">Takes effect on</label>
        <input
          id="version-from"
          :value="current.from"
          type="date"
          class="pick"
          required
          :readonly="readOnly"
          @change="changeVersion({ from: entered($event) || current.from })"
        />
        <label for="version-at">at</label>
        <input
          id="version-at"
          :value="current.at ?? '00:00'"
          type="time"
          class="pick"
          :readonly="readOnly"
          @change="changeTime"
        />
        <span class="files">
          <template v-if="!readOnly">
            <Button
              size="small"
              type="text"
              :disabled="!sheets.canUndo"
              title="Undo (Ctrl Z)"
              @click="sheets.undo"
              >Undo</Button
            >
            <Button
              size="small"
              type="text"
              :disabled="!sheets.canRedo"
              title="Ctrl Shift Z"
              @click="sheets.redo"
              >Redo</Button
            >
            <Button v-if="sheet.versions.length > 1" size="small" @click="removeVersion"
              >Remove this version</Button
            >
            <Button size="small" @click="loadRows">Load CSV</Button>
          </template>
          <Button size="small" @click="saveRows">Save CSV</Button>
        </span>
      </div>
      <IncomingRows
        v-if="incoming"
        :sheet="sheet"
        :incoming="incoming"
        @take="take"
        @leave="incoming = undefined"
      />
      <Alert
        v-if="!sheets.isReadable"
        type="warning"
        role="status"
        message="Some cells are no numbers yet."
      />
      <Alert v-else-if="sheets.faults.length" type="error" role="status" message="This cannot be kept yet.">
        <template #description>
          <p v-for="(fault, i) in sheets.faults.slice(0, 6)" :key="i">
            <template v-if="fault.row >= 0"
              >Row {{ fault.row + 1 }}, {{ sheet.keys[fault.column]?.name ?? 'value' }}</template
            ><template v-else>{{ startSaid(startOf(sheet.versions[fault.version] ?? current)) }}</template
            >: {{ sheetFaultSaid(fault, sheet) }}.
          </p>
        </template>
      </Alert>
      <SheetTable
        :sheet="sheet"
        :version="current"
        :changed="changed"
        :read-only="readOnly"
        @change="(rows, key) => changeVersion({ rows }, key)"
        @paste="paste"
      />
      <p v-if="changed.size" class="soft">
        Marked at the left: {{ changed.size }} {{ changed.size === 1 ? 'figure' : 'figures' }} that
        {{ changed.size === 1 ? 'is' : 'are' }} not in force yet.
      </p>
    </template>
    <SheetActions />
    <SheetImpact v-if="sheets.impact" :impact="sheets.impact" />
    <SheetEditions :read-only="readOnly" />
    <p v-if="sheets.saved?.usedBy.length" class="soft">Looked up by {{ sheets.saved.usedBy.join(', ') }}.</p>
  </div>
</template>

<style scoped>
.one {
  display: grid;
  gap: 14px;
  padding: 18px 20px;
  border: 1px solid var(--line);
  border-radius: 9px;
  background: var(--card);
}
.words {
  padding: 8px 12px;
  border-left: 4px solid var(--sun);
  background: var(--paper);
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
  gap: 8px 12px;
  align-items: center;
}
.day .pick {
  width: auto;
}
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-left: auto;
}
.link {
  justify-self: start;
}
</style>
