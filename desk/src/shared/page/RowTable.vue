<script setup lang="ts" generic="Row extends object">
import { Table, type TableColumnType } from 'ant-design-vue'

const { rows, columns, rowKey } = defineProps<{
  rows: readonly Row[]
  columns: readonly TableColumnType[]
  rowKey: keyof Row & string
}>()
/** What stands in the column of a key; where there is none, the field that the column names. */
defineSlots<{ cell(props: { column: string; row: Row; text: unknown }): unknown }>()
</script>

<template>
  <Table :data-source="[...rows]" :columns="[...columns]" :row-key="rowKey" size="small" :pagination="false">
    <template #bodyCell="{ column, record, text }">
      <slot name="cell" :column="String(column.key)" :row="record as Row" :text="text" />
    </template>
  </Table>
</template>
