<script setup lang="ts">
import type { ShownCell } from '@vivid/worksheet'
import { readAs, unitWords } from './cell-words'
import { useWorksheet } from './worksheet-store'

/** What the file does not say, asked: each reading with what visitors would read. */
const { cells } = defineProps<{ cells: readonly ShownCell[] }>()
const worksheet = useWorksheet()
const MOST_READINGS = 3
const readings = ({ asked }: ShownCell) =>
  asked ? [asked.unit, ...asked.others].slice(0, MOST_READINGS) : []
</script>

<template>
  <section v-if="cells.length > 0" class="undecided">
    <h2>What are these?</h2>
    <p class="soft">The file does not say. The first reading holds until you choose.</p>
    <fieldset v-for="cell in cells" :key="cell.cell">
      <legend>
        <button type="button" class="link" @click="worksheet.chosen = cell.cell">{{ cell.label }}</button>:
        {{ cell.shown }}
      </legend>
      <label v-for="unit in readings(cell)" :key="unit">
        <input
          type="radio"
          :name="`unit ${cell.cell}`"
          :checked="cell.asked?.unit === unit"
          @change="worksheet.change('units', cell.cell, unit)"
        />
        <span
          ><strong>{{ readAs(cell, unit, worksheet.currency) }}</strong>
          <span class="soft">{{ unitWords[unit] }}</span></span
        >
      </label>
    </fieldset>
  </section>
</template>

<style scoped>
.undecided,
fieldset {
  display: grid;
  gap: 6px;
}
h2 {
  font-size: 17px;
}
fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0;
}
label {
  display: flex;
  gap: 8px;
}
input {
  accent-color: var(--plum);
}
</style>
