<script setup lang="ts">
import { computed } from 'vue'
import { sheetChanges, type CalculatorDocument, type Change } from '@vivid/core'
import { styleChanges } from '../../shared/preview/style-words'
import { startSaid } from '../../shared/time/start-said'
import { placeWords } from './change-words'
import { valueWords } from './value-words'
import type { Reading } from './reading'

/** All that is otherwise than it was: in the document, in how the page looks, and in the rates that are looked up. */
const { changes, documents, reading } = defineProps<{
  changes: readonly Change[]
  documents: readonly [CalculatorDocument, CalculatorDocument]
  reading: Reading & { before: NonNullable<Reading['before']> }
}>()
const emit = defineEmits<{ go: [of: string] }>()

const words = computed(() => {
  const [before, after] = documents
  return changes.map((change) => ({
    of: change.of === 'step' ? change.id : change.of === 'document' ? change.field.split('.')[0] : undefined,
    place: placeWords(change, after, before),
    before: valueWords(change.before, change, before),
    after: valueWords(change.after, change, after),
  }))
})
const looks = computed(() => styleChanges(reading.before.style, reading.after.style))
const isColour = (text: string | undefined) => text?.startsWith('#') ?? false

/** Of the sheets it looks up: what was approved since its edition went live. */
const rates = computed(() =>
  reading.after.sheets
    .map((sheet) => ({
      name: sheet.name,
      rows: sheetChanges(
        reading.before.sheetsThen.find(({ id }) => id === sheet.id),
        sheet,
      ),
    }))
    .filter(({ rows }) => rows.length > 0),
)
const MOST_ROWS = 12
</script>

<template>
  <section aria-label="What changed">
    <h2>
      {{ words.length === 1 ? '1 change' : `${words.length || 'No'} changes` }} since edition
      {{ reading.before.edition }}
    </h2>
    <ol class="changes">
      <li v-for="(change, i) in words" :key="i">
        <button v-if="change.of" type="button" class="link" @click="emit('go', change.of)">
          {{ change.place }}
        </button>
        <strong v-else>{{ change.place }}</strong>
        <p>
          <del>{{ change.before }}</del> <ins>{{ change.after }}</ins>
        </p>
      </li>
    </ol>
    <template v-if="looks.length">
      <h2>How it looks</h2>
      <ul class="changes">
        <li v-for="look in looks" :key="look.name">
          <strong>{{ look.name }}</strong>
          <p>
            <i v-if="isColour(look.before)" :style="{ background: look.before }"></i>
            <del>{{ look.before ?? 'follows' }}</del>
            <i v-if="isColour(look.after)" :style="{ background: look.after }"></i>
            <ins>{{ look.after ?? 'follows' }}</ins>
          </p>
        </li>
      </ul>
    </template>
    <template v-for="{ name, rows } in rates" :key="name">
      <h2>Rates: {{ name }}</h2>
      <ul class="changes">
        <li v-for="(row, i) in rows.slice(0, MOST_ROWS)" :key="i">
          {{ row.keys.join(', ') || 'in all' }}, from {{ startSaid(row.start) }}
          <p>
            <del>{{ row.before ?? 'nothing' }}</del> <ins>{{ row.after ?? 'nothing' }}</ins>
          </p>
        </li>
        <li v-if="rows.length > MOST_ROWS" class="soft">and {{ rows.length - MOST_ROWS }} more rows</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
h2 {
  margin: 18px 0 6px;
  font-size: 17px;
}
h2:first-child {
  margin-top: 0;
}
.changes {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  overflow-wrap: anywhere;
}
.link {
  text-align: left;
}
p {
  margin: 2px 0 0;
}
del {
  margin-right: 6px;
  color: var(--ink-soft);
}
ins {
  font-weight: 600;
  text-decoration: none;
}
i {
  display: inline-block;
  width: 14px;
  height: 14px;
  border: 1px solid var(--control-line);
  border-radius: 3px;
  vertical-align: -2px;
}
</style>
