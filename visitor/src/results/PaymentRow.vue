<script setup lang="ts">
import type { Ledger, LedgerRow, ScheduleColumn } from '@vivid/core/evaluate'
import { scheduleCell, type Figures } from '@vivid/contract/wording'

/** One payment of a schedule; a found one can take the focus. */
defineProps<{
  row: LedgerRow
  columns: readonly ScheduleColumn[]
  ledger: Ledger
  figures: Figures
  found: boolean
  /** Under its year, where the columns may not say what was paid. */
  withAmount?: boolean
}>()
</script>

<template>
  <tr class="row" :class="{ found }" :data-payment="row.number" :tabindex="found ? -1 : undefined">
    <th scope="row" colspan="2">
      <span class="number">{{ row.number }}</span>
      <span class="when">{{ row.date ? figures.date(row.date) : '' }}</span>
      <span v-if="withAmount" class="paid">{{ figures.money(row.payment) }}</span>
    </th>
    <td v-for="column in columns" :key="column" class="amount">
      {{ scheduleCell(column, row, ledger, figures) }}
    </td>
  </tr>
</template>
