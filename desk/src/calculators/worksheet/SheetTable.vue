<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { ShownCell } from '@vivid/worksheet'
import { partWords } from './cell-words'

/** A sheet as a plain table, each cell marked with what it is for; cells are gone through by arrow keys. */
const { cells } = defineProps<{ cells: readonly ShownCell[] }>()
const chosen = defineModel<string>('chosen', { required: true })

/** So many columns and rows are shown at first, and so many more each time they are asked for. */
const [MANY_COLUMNS, MANY_ROWS] = [40, 400] as const
/** Of many rows of a schedule the first and the last are shown. */
const [FIRST_ROWS, LAST_ROWS] = [3, 2]

const all = ref(false)
const mostColumns = ref<number>(MANY_COLUMNS)
const mostRows = ref<number>(MANY_ROWS)
const at = computed(() => new Map(cells.map((cell) => [`${cell.row} ${cell.column}`, cell])))
const widest = computed(() => cells.reduce((most, { column }) => Math.max(most, column), 1))
const columns = computed(() =>
  Array.from({ length: Math.min(mostColumns.value, widest.value) }, (_, i) => i + 1),
)
const rows = computed(() => [...new Set(cells.map(({ row }) => row))].sort((a, b) => a - b))
const rowsOfSchedule = computed(() => {
  const isOther = new Set(
    cells.filter(({ part }) => part !== 'row' && part !== 'typed').map(({ row }) => row),
  )
  return new Set(cells.filter(({ part, row }) => part === 'row' && !isOther.has(row)).map(({ row }) => row))
})
/** The rows there are to show, and after which how many of a schedule are not. */
const lines = computed(() => {
  const list: { row: number; hidden: number }[] = []
  let run: number[] = []
  const end = () => {
    const isLong = !all.value && run.length > FIRST_ROWS + LAST_ROWS + 2
    const first = isLong ? run.slice(0, FIRST_ROWS) : run
    first.forEach((row, i) =>
      list.push({ row, hidden: isLong && i === first.length - 1 ? run.length - FIRST_ROWS - LAST_ROWS : 0 }),
    )
    if (isLong) run.slice(-LAST_ROWS).forEach((row) => list.push({ row, hidden: 0 }))
    run = []
  }
  for (const row of rows.value) {
    if (rowsOfSchedule.value.has(row)) run.push(row)
    else {
      end()
      list.push({ row, hidden: 0 })
    }
  }
  end()
  return list
})
const shown = computed(() => lines.value.slice(0, mostRows.value))
watch(
  () => cells,
  () => {
    all.value = false
    mostColumns.value = MANY_COLUMNS
    mostRows.value = MANY_ROWS
  },
)
// A cell that is chosen elsewhere is shown, wherever it stands.
watch([chosen, () => cells], async ([name]) => {
  const cell = cells.find((one) => one.cell === name)
  if (!cell) return
  const lineOf = () => lines.value.findIndex(({ row }) => row === cell.row)
  if (lineOf() < 0) all.value = true
  mostRows.value = Math.max(mostRows.value, lineOf() + 1)
  mostColumns.value = Math.max(mostColumns.value, cell.column)
  await nextTick()
  table.value?.querySelector('[aria-pressed="true"]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
})

const table = ref<HTMLTableElement>()
const entry = computed(() =>
  at.value.size === 0 ? '' : (cells.find(({ cell }) => cell === chosen.value) ?? cells[0])?.cell,
)

const letters = (column: number): string =>
  (column > 26 ? letters(Math.floor((column - 1) / 26)) : '') + String.fromCharCode(65 + ((column - 1) % 26))

/** The next cell with something in it, that way. */
function move(from: ShownCell, down: number, right: number): void {
  const places = shown.value.map(({ row }) => row)
  let [line, column] = [places.indexOf(from.row), from.column]
  for (;;) {
    line += down
    column += right
    const row = places[line]
    if (row === undefined || column < 1 || column > columns.value.length) return
    const next = at.value.get(`${row} ${column}`)
    if (next) return void choose(next)
  }
}
async function choose({ cell }: ShownCell): Promise<void> {
  chosen.value = cell
  await nextTick()
  table.value?.querySelector<HTMLElement>('[aria-pressed="true"]')?.focus()
}
const moves: Readonly<Record<string, readonly [number, number]>> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
}
function onKey(event: KeyboardEvent, cell: ShownCell): void {
  const way = moves[event.key]
  if (!way) return
  event.preventDefault()
  move(cell, ...way)
}
const saying = (cell: ShownCell) =>
  `${cell.cell.split('!').at(-1) ?? ''}: ${cell.shown || 'empty'}, ${partWords[cell.part].words}`
</script>

<template>
  <div class="sheet">
    <table ref="table">
      <thead>
        <tr>
          <td></td>
          <th v-for="column in columns" :key="column" scope="col">{{ letters(column) }}</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="line in shown" :key="line.row">
          <tr>
            <th scope="row">{{ line.row }}</th>
            <td v-for="column in columns" :key="column">
              <button
                v-for="cell in [at.get(`${line.row} ${column}`)].filter((one) => one !== undefined)"
                :key="cell.cell"
                type="button"
                :class="['part', cell.part, { differs: cell.agrees === false }]"
                :aria-pressed="cell.cell === chosen"
                :aria-label="saying(cell)"
                :tabindex="cell.cell === entry ? 0 : -1"
                @click="chosen = cell.cell"
                @keydown="onKey($event, cell)"
              >
                <i v-if="cell.part !== 'words'" aria-hidden="true">{{ partWords[cell.part].mark }}</i><span>{{
                  cell.shown
                }}</span>
              </button>
            </td>
          </tr>
          <tr v-if="line.hidden > 0" class="between">
            <td></td>
            <td :colspan="columns.length">
              {{ line.hidden }} more rows like these ·
              <button type="button" class="link" @click="all = true">Show them</button>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <p v-if="lines.length > shown.length || widest > columns.length" class="more">
      <span v-if="lines.length > shown.length">
        {{ lines.length - shown.length }} more rows ·
        <button type="button" class="link" @click="mostRows += MANY_ROWS">Show more rows</button>
      </span>
      <span v-if="widest > columns.length">
        {{ widest - columns.length }} more columns ·
        <button type="button" class="link" @click="mostColumns += MANY_COLUMNS">Show more columns</button>
      </span>
    </p>
  </div>
</template>

<style scoped>
.sheet {
  overflow: auto;
  min-height: 0;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--card);
}
table {
  border-collapse: separate;
  border-spacing: 0;
  font-variant-numeric: tabular-nums;
}
thead th,
thead td,
tbody th {
  position: sticky;
  background: var(--paper);
  color: var(--ink-soft);
  font-weight: 400;
  font-size: 13px;
  text-align: center;
}
thead th,
thead td {
  top: 0;
  z-index: 1;
  padding: 4px 8px;
  border-bottom: 1px solid var(--line);
}
tbody th {
  left: 0;
  padding: 0 10px;
  border-right: 1px solid var(--line);
}
td {
  min-width: 84px;
  padding: 1px;
  border-bottom: 1px solid var(--line);
}
td .part {
  /* Not under the letters and numbers that stay in sight. */
  scroll-margin: 36px 12px 12px 96px;
  display: flex;
  gap: 6px;
  align-items: baseline;
  justify-content: space-between;
  width: 100%;
  max-width: 320px;
  min-height: 28px;
  padding: 3px 8px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: none;
  text-align: left;
  cursor: pointer;
}
td span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
i {
  font-style: normal;
  font-weight: 700;
  color: var(--ink-soft);
}
td .part.words {
  justify-content: flex-start;
}
td .part.asked {
  border-color: var(--plum);
  background: var(--lilac);
}
td .part.asked i {
  color: var(--plum);
}
td .part.result {
  border-color: var(--leaf);
}
td .part.result i {
  color: var(--leaf);
}
td .part.leftOut {
  border-style: dashed;
  border-color: var(--control-line);
  color: var(--ink-soft);
}
td .part.differs {
  border-color: var(--red);
}
td .part[aria-pressed='true'] {
  box-shadow: 0 0 0 2px var(--plum);
}
.between td,
.more {
  padding: 6px 10px;
  color: var(--ink-soft);
}
.more {
  position: sticky;
  left: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  width: fit-content;
  margin: 0;
}
</style>
