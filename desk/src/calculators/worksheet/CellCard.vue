<script setup lang="ts">
import { Checkbox, Input } from 'ant-design-vue'
import { computed } from 'vue'
import { cellUnits, type CellUnit, type ShownCell } from '@vivid/worksheet'
import { entered } from '../../shared/fields/entered'
import { partWords, readAs, unitWords } from './cell-words'
import { useWorksheet } from './worksheet-store'

/** One cell: what it was taken for and why, and what a person says otherwise. */
const { cell } = defineProps<{ cell: ShownCell }>()
const worksheet = useWorksheet()
const isFigure = computed(() => /\d/.test(cell.shown))
const units = computed(() => {
  const could = cell.asked ? [cell.asked.unit, ...cell.asked.others] : []
  return cellUnits.filter((unit) => could.includes(unit))
})
const isShown = computed(() => cell.part === 'result')
</script>

<template>
  <section class="cell-card" aria-live="polite">
    <h2>
      {{ cell.cell }} <small>{{ partWords[cell.part].words }}</small>
    </h2>
    <p class="value">{{ cell.shown }}</p>
    <code v-if="cell.formula">= {{ cell.formula }}</code>
    <p class="soft">{{ cell.why }}</p>
    <p v-if="cell.agrees === false" class="bad">The draft gives another figure here.</p>
    <template v-if="cell.part === 'asked' || (cell.part === 'typed' && isFigure)">
      <Checkbox
        :checked="cell.part === 'asked'"
        @change="worksheet.change('asked', cell.cell, $event.target.checked)"
        >Visitors answer this</Checkbox
      >
    </template>
    <Checkbox
      v-if="cell.part === 'working' || cell.part === 'result'"
      :checked="isShown"
      @change="worksheet.change('results', cell.cell, $event.target.checked)"
      >Visitors see this</Checkbox
    >
    <label v-if="cell.part === 'asked' || cell.part === 'working' || cell.part === 'result'" class="field">
      What it is called
      <Input
        :value="cell.label"
        :value-modifiers="{ lazy: true }"
        :maxlength="120"
        @update:value="worksheet.change('labels', cell.cell, $event)"
      />
    </label>
    <label v-if="cell.asked && units.length > 1" class="field">
      What it is
      <select
        :value="cell.asked.unit"
        @change="worksheet.change('units', cell.cell, entered($event) as CellUnit)"
      >
        <option v-for="unit in units" :key="unit" :value="unit">
          {{ unitWords[unit] }}: {{ readAs(cell, unit, worksheet.currency) }}
        </option>
      </select>
    </label>
  </section>
</template>

<style scoped>
.cell-card {
  display: grid;
  gap: 8px;
}
h2 {
  font-size: 17px;
}
small {
  margin-left: 6px;
  color: var(--ink-soft);
  font-weight: 400;
  font-size: 14px;
}
.value {
  font-size: 20px;
  font-variant-numeric: tabular-nums;
  overflow-wrap: anywhere;
}
code {
  padding: 5px 8px;
  border-radius: 5px;
  background: var(--paper);
  font-size: 13px;
  overflow-wrap: anywhere;
}
.field {
  display: grid;
  gap: 3px;
  font-weight: 600;
}
select {
  padding: 5px 8px;
  border: 1px solid var(--control-line);
  border-radius: 6px;
  background: var(--card);
  font: inherit;
  font-weight: 400;
}
</style>
