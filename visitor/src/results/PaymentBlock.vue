<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue'
import type { Ledger, ScheduleColumn } from '@vivid/core/evaluate'
import type { Figures } from '@vivid/contract/wording'
import PaymentRow from './PaymentRow.vue'
import { rowsBetween } from './schedule-cells'

/**
 * Some payments of a long schedule. They are drawn when they are about to be seen, found or printed; until then the
 * block keeps their height, so that a schedule of 1,560 payments is as quick as one of fifty.
 */
const { from, to, found } = defineProps<{
  from: number
  to: number
  columns: readonly ScheduleColumn[]
  ledger: Ledger
  figures: Figures
  found: number | undefined
}>()

const ROW_PX = 32
const body = useTemplateRef<HTMLElement>('body')
const isNear = ref(false)
const isDrawn = computed(() => isNear.value || (found !== undefined && found >= from && found <= to))

let watcher: IntersectionObserver | undefined
const draw = () => (isNear.value = true)
onMounted(() => {
  watcher = new IntersectionObserver((entries) => entries.some((one) => one.isIntersecting) && draw(), {
    rootMargin: '800px',
  })
  if (body.value) watcher.observe(body.value)
  window.addEventListener('beforeprint', draw)
})
onBeforeUnmount(() => {
  watcher?.disconnect()
  window.removeEventListener('beforeprint', draw)
})
</script>

<template>
  <tbody ref="body">
    <template v-if="isDrawn">
      <PaymentRow
        v-for="row in rowsBetween(ledger, from, to)"
        :key="row.number"
        :row="row"
        :columns="columns"
        :ledger="ledger"
        :figures="figures"
        :found="found === row.number"
      />
    </template>
    <tr v-else aria-hidden="true">
      <td :style="{ height: `${(to - from + 1) * ROW_PX}px` }"></td>
    </tr>
  </tbody>
</template>
