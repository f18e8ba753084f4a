<script setup lang="ts">
import { Modal } from 'ant-design-vue'
import { computed } from 'vue'
import { changesBetween, type CalculatorDocument } from '@vivid/core'
import { placeWords, valueWords } from './change-words'

/** What the draft changes against the newest edition, field by field. */
const open = defineModel<boolean>('open', { required: true })
const { before, after } = defineProps<{
  before: CalculatorDocument
  after: CalculatorDocument
  edition: number
}>()

const changes = computed(() =>
  changesBetween(before, after).map((change) => ({
    place: placeWords(change, after),
    before: valueWords(change.before, change, before),
    after: valueWords(change.after, change, after),
  })),
)
</script>

<template>
  <Modal v-model:open="open" :title="`Changes since edition ${edition}`" :footer="null" :width="760">
    <p v-if="changes.length === 0">The draft is the same as edition {{ edition }}.</p>
    <table v-else class="changes">
      <thead>
        <tr>
          <th scope="col">Where</th>
          <th scope="col">Edition {{ edition }}</th>
          <th scope="col">Draft</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(change, i) in changes" :key="i">
          <th scope="row">{{ change.place }}</th>
          <td>{{ change.before }}</td>
          <td>{{ change.after }}</td>
        </tr>
      </tbody>
    </table>
  </Modal>
</template>

<style scoped>
.changes {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 7px 12px 7px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
  overflow-wrap: anywhere;
}
thead th {
  font-weight: 400;
  color: var(--ink-soft);
}
tbody th {
  width: 30%;
  font-weight: 600;
}
</style>
