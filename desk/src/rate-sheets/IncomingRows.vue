<script setup lang="ts">
import { Alert, Button } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import type { RateSheet, SheetVersion } from '@vivid/core'
import type { DecimalMark } from '@vivid/contract/wording'
import type { Incoming } from './incoming'

/** What was understood of rows from a file or a spreadsheet, before they take the place of those in the table. */
const { sheet, incoming } = defineProps<{ sheet: RateSheet; incoming: Incoming }>()
const emit = defineEmits<{ take: [rows: SheetVersion['rows']]; leave: [] }>()

const decimal = ref<DecimalMark>()
watch(
  () => incoming,
  () => (decimal.value = undefined),
)
const read = computed(() => incoming.read(decimal.value))
const SHOWN = 5
</script>

<template>
  <Alert v-if="read.ok" type="info" role="status" :message="`${read.rows.length} rows were understood.`">
    <template #description>
      <p>{{ read.how }}</p>
      <p v-if="read.understood.length">
        <span v-for="({ text, plain }, i) in read.understood.slice(0, SHOWN)" :key="i">
          “{{ text }}” is taken as {{ plain }}.
        </span>
        <template v-if="read.understood.length > SHOWN">
          So are {{ read.understood.length - SHOWN }} more.</template
        >
      </p>
      <table v-else>
        <thead>
          <tr>
            <th v-for="key in sheet.keys" :key="key.id" scope="col">{{ key.name }}</th>
            <th scope="col" class="value">value</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in read.rows.slice(0, SHOWN)" :key="i">
            <td v-for="(key, j) in row.keys" :key="j">{{ key }}</td>
            <td class="value">{{ row.value }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="!read.understood.length && read.rows.length > SHOWN" class="soft">
        and {{ read.rows.length - SHOWN }} more rows
      </p>
      <p class="acts">
        <Button type="primary" @click="emit('take', read.rows)">Take these rows</Button>
        <Button @click="emit('leave')">Leave the table as it is</Button>
      </p>
    </template>
  </Alert>
  <Alert v-else type="error" role="alert" message="Nothing was loaded.">
    <template #description>
      <p v-for="(fault, i) in read.faults.slice(0, 10)" :key="i">
        Row {{ fault.row }}, {{ fault.column }}: {{ fault.what }}.
      </p>
      <p v-if="read.faults.length > 10" class="soft">and {{ read.faults.length - 10 }} more</p>
      <p class="acts">
        <template v-if="read.isAmbiguous">
          <Button @click="decimal = '.'">Read with a decimal point</Button>
          <Button @click="decimal = ','">Read with a decimal comma</Button>
        </template>
        <Button @click="emit('leave')">Close</Button>
      </p>
    </template>
  </Alert>
</template>

<style scoped>
table {
  margin: 6px 0;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
}
th,
td {
  padding: 3px 14px 3px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  font-weight: 400;
}
.value {
  text-align: right;
}
.acts {
  display: flex;
  gap: 8px;
  margin: 10px 0 0;
}
</style>
