<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { nextTick, ref, useTemplateRef } from 'vue'
import type { RateSheet, SheetVersion } from '@vivid/core'
import { entered } from '../shared/fields/entered'
import { cellText, columnsOf, copyBlock, emptyRow, writeCell, type Cell } from './sheet-edit'

/**
 * One version's rows as a table that is edited by keyboard: arrows and Enter walk it, Shift marks a block, Ctrl C and
 * Ctrl V take blocks from and to a spreadsheet, Delete empties the marked cells.
 */
const { sheet, version, changed } = defineProps<{
  sheet: RateSheet
  version: SheetVersion
  /** Places ("row column") whose figure is another one than in force. */
  changed: ReadonlySet<string>
  readOnly?: boolean
}>()
const emit = defineEmits<{
  change: [rows: SheetVersion['rows'], key?: string]
  /** A block was pasted from a cell on; what it means is for the editor to ask. */
  paste: [at: Cell, text: string]
}>()

const table = useTemplateRef<HTMLTableElement>('table')
const anchor = ref<Cell>({ row: 0, column: 0 })
const end = ref<Cell>({ row: 0, column: 0 })
const isMarked = (row: number, column: number) => {
  const within = (at: number, a: number, b: number) => at >= Math.min(a, b) && at <= Math.max(a, b)
  const isBlock = anchor.value.row !== end.value.row || anchor.value.column !== end.value.column
  return (
    isBlock &&
    within(row, anchor.value.row, end.value.row) &&
    within(column, anchor.value.column, end.value.column)
  )
}
const inputAt = ({ row, column }: Cell) =>
  table.value?.querySelector<HTMLInputElement>(`input[data-cell="${row} ${column}"]`)

function go(to: Cell, extend = false): void {
  const row = Math.max(0, Math.min(version.rows.length - 1, to.row))
  const column = Math.max(0, Math.min(columnsOf(sheet) - 1, to.column))
  end.value = { row, column }
  if (!extend) anchor.value = end.value
  const input = inputAt(end.value)
  input?.focus()
  if (!extend) input?.select()
}
function focused(row: number, column: number): void {
  if (end.value.row === row && end.value.column === column) return
  anchor.value = { row, column }
  end.value = anchor.value
}

function onKey(event: KeyboardEvent, row: number, column: number): void {
  const { key, shiftKey } = event
  const input = event.target as HTMLInputElement
  const all = input.selectionStart === 0 && input.selectionEnd === input.value.length
  const move = (rows: number, columns: number) => {
    event.preventDefault()
    go({ row: end.value.row + rows, column: end.value.column + columns }, shiftKey)
  }
  if (key === 'ArrowDown') move(1, 0)
  else if (key === 'ArrowUp') move(-1, 0)
  else if (key === 'ArrowRight' && (shiftKey || all || input.selectionStart === input.value.length))
    move(0, 1)
  else if (key === 'ArrowLeft' && (shiftKey || all || input.selectionEnd === 0)) move(0, -1)
  else if (key === 'Enter') {
    event.preventDefault()
    if (row === version.rows.length - 1) addRow()
    else go({ row: row + 1, column })
  } else if (key === 'Delete' && isMarked(row, column)) {
    event.preventDefault()
    emit('change', emptied())
  }
}

const emptied = () =>
  version.rows.map((row, i) =>
    Array.from({ length: columnsOf(sheet) }, (_, j) => j).reduce(
      (now, j) => (isMarked(i, j) ? (writeCell([now], { row: 0, column: j }, '')[0] ?? now) : now),
      row,
    ),
  )

function onCopy(event: ClipboardEvent): void {
  if (anchor.value.row === end.value.row && anchor.value.column === end.value.column) return
  event.preventDefault()
  event.clipboardData?.setData('text/plain', copyBlock(version.rows, anchor.value, end.value))
}
function onPaste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!/[\t\n]/.test(text.trim()) && !/[%\p{Sc},]/u.test(text)) return
  event.preventDefault()
  const at = {
    row: Math.min(anchor.value.row, end.value.row),
    column: Math.min(anchor.value.column, end.value.column),
  }
  emit('paste', at, text)
}

async function addRow(): Promise<void> {
  emit('change', [...version.rows, emptyRow(sheet)])
  await nextTick()
  go({ row: version.rows.length, column: 0 })
  go({ row: version.rows.length - 1, column: 0 })
}
const removeRow = (at: number) =>
  emit(
    'change',
    version.rows.filter((_, i) => i !== at),
  )

const headings = () => [
  ...sheet.keys.map(({ name }) => name),
  { percent: 'Percent', money: 'Amount', number: 'Number' }[sheet.gives],
]
</script>

<template>
  <div class="sheet-table">
    <table ref="table" @copy="onCopy" @paste="onPaste">
      <thead>
        <tr>
          <td class="no"></td>
          <th
            v-for="(heading, i) in headings()"
            :key="i"
            scope="col"
            :class="{ value: i === sheet.keys.length }"
          >
            {{ heading }}
          </th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in version.rows" :key="i">
          <td class="no">{{ i + 1 }}</td>
          <td
            v-for="(heading, j) in headings()"
            :key="j"
            :class="{
              marked: isMarked(i, j),
              changed: changed.has(`${i} ${j}`),
              value: j === sheet.keys.length,
            }"
          >
            <input
              :data-cell="`${i} ${j}`"
              :value="cellText(row, j)"
              :aria-label="`Row ${i + 1}, ${heading}`"
              :readonly="readOnly"
              autocomplete="off"
              @focus="focused(i, j)"
              @keydown="onKey($event, i, j)"
              @input="
                emit('change', writeCell(version.rows, { row: i, column: j }, entered($event)), `${i} ${j}`)
              "
            />
          </td>
          <td>
            <Button
              v-if="!readOnly"
              size="small"
              type="text"
              :aria-label="`Remove row ${i + 1}`"
              @click="removeRow(i)"
              >Remove</Button
            >
          </td>
        </tr>
      </tbody>
    </table>
    <button v-if="!readOnly" type="button" class="link" @click="addRow">Add a row</button>
  </div>
</template>

<style scoped>
.sheet-table {
  display: grid;
  gap: 8px;
  justify-items: start;
}
table {
  border-collapse: collapse;
}
th {
  padding: 4px 10px;
  text-align: left;
  font-weight: 600;
}
th.value,
.value input {
  text-align: right;
}
tbody td:not(.no, :last-child) {
  border: 1px solid var(--line);
  background: #fff;
}
.no {
  padding-right: 8px;
  color: var(--ink-soft);
  font-size: 13px;
  text-align: right;
}
td input {
  width: 150px;
  padding: 5px 10px;
  border: 0;
  background: none;
}
td input:focus-visible {
  outline: 2px solid var(--plum);
  outline-offset: -2px;
}
td.changed {
  box-shadow: inset 3px 0 0 var(--sun);
}
td.marked {
  background: var(--lilac) !important;
}
</style>
