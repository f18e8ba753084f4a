<script setup lang="ts">
import { BarChart, LineChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue'
import type { Audience } from '@vivid/contract'
import { eventColours, eventNames, eventWords } from './audience-words'

/** How often each thing happened, day by day. */
const { days } = defineProps<{ days: Audience['days'] }>()
use([BarChart, LineChart, GridComponent, LegendComponent, TooltipComponent, CanvasRenderer])

const place = useTemplateRef<HTMLElement>('place')
let chart: EChartsType | undefined
const day = new Intl.DateTimeFormat('en-CA', { day: 'numeric', month: 'short', timeZone: 'UTC' })

function draw(): void {
  const text = { color: '#5f5673', fontFamily: 'Figtree Variable' }
  chart?.setOption(
    {
      animation: false,
      textStyle: { fontFamily: text.fontFamily },
      grid: { left: 44, right: 12, top: 34, bottom: 26 },
      legend: { top: 0, right: 0, itemWidth: 12, itemHeight: 12, textStyle: text },
      tooltip: { trigger: 'axis' },
      xAxis: {
        type: 'category',
        data: days.map((one) => day.format(new Date(`${one.day}T00:00:00Z`))),
        axisLabel: text,
        axisTick: { show: false },
        axisLine: { lineStyle: { color: '#b7a9c6' } },
      },
      yAxis: {
        type: 'value',
        axisLabel: text,
        splitLine: { lineStyle: { color: '#e4dccf' } },
        minInterval: 1,
      },
      series: eventNames.map((event) => ({
        name: eventWords[event],
        type: event === 'opened' ? 'bar' : 'line',
        data: days.map((one) => one[event]),
        showSymbol: days.length < 20,
        symbolSize: 5,
        barMaxWidth: 18,
        itemStyle: { color: eventColours[event] },
        lineStyle: { width: 2 },
      })),
    },
    { notMerge: true },
  )
}
const resized = new ResizeObserver(() => chart?.resize())
onMounted(() => {
  if (!place.value) return
  chart = init(place.value)
  resized.observe(place.value)
  draw()
})
watch(() => days, draw)
onBeforeUnmount(() => {
  resized.disconnect()
  chart?.dispose()
})
</script>

<template>
  <div
    ref="place"
    class="chart"
    role="img"
    aria-label="Day by day; the same figures stand in the tables below and in the CSV"
  ></div>
</template>

<style scoped>
.chart {
  height: 260px;
}
</style>
