<script setup lang="ts">
import type { ComparedColumn, ComparisonRow } from '@vivid/core/evaluate'
import { comparedCell } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'

/** Loans side by side, a column each; what differs from the first is marked. */
const { columns, rows, calculator } = defineProps<{
  columns: readonly { readonly label: string; readonly column: ComparedColumn }[]
  rows: readonly ComparisonRow[]
  label: string
  calculator: Calculator
}>()
const { figures, words } = calculator

const differs = (row: ComparisonRow, column: ComparedColumn) => {
  const first = columns[0]?.column
  return first !== undefined && column !== first && row !== 'difference' && column[row] !== first[row]
}
</script>

<template>
  <div class="scroll" tabindex="0" role="group" :aria-label="label">
    <table class="comparison">
      <thead>
        <tr>
          <td></td>
          <th v-for="({ label: head }, i) in columns" :key="i" scope="col" class="amount">{{ head }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row">
          <th scope="row">{{ words.rows[row] }}</th>
          <td
            v-for="({ column }, i) in columns"
            :key="i"
            class="amount"
            :class="{ differs: differs(row, column) }"
          >
            {{ comparedCell(row, column, i === 0, figures) }}
            <span v-if="differs(row, column)" class="out-of-sight">{{ words.differs }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
