import { BarChart, LineChart } from 'echarts/charts'
import { GridComponent } from 'echarts/components'
import { init, use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import type { ChartData } from './chart-data'

use([BarChart, LineChart, GridComponent, CanvasRenderer])

/** A drawn chart: it can show other figures, and it can be stopped. */
export interface Chart {
  readonly show: (data: ChartData) => void
  readonly stop: () => void
}

/** Draws a chart into an element with the house style's colours; it follows the element's width. */
export function drawChart(element: HTMLElement, first: ChartData): Chart {
  const chart = init(element)
  const style = getComputedStyle(element)
  const colour = (name: string, otherwise: string) => style.getPropertyValue(name).trim() || otherwise
  const colours = [0, 1, 2, 3, 4, 5].map((i) => colour(`--part-${i}`, '#5b2a86'))
  const soft = colour('--ink-soft', '#5a4f6b')
  const line = colour('--line-soft', '#e4dccf')
  const still = matchMedia('(prefers-reduced-motion: reduce)').matches
  const show = (data: ChartData) =>
    chart.setOption(
      {
        animation: !still,
        animationDuration: 300,
        textStyle: { fontFamily: style.fontFamily },
        grid: { left: 8, right: 12, top: 14, bottom: 4, containLabel: true },
        xAxis: {
          type: 'category',
          data: [...data.places],
          boundaryGap: data.kind !== 'lines',
          axisTick: { show: false },
          axisLine: { lineStyle: { color: soft } },
          axisLabel: { color: soft, hideOverlap: true },
        },
        yAxis: {
          type: 'value',
          axisLabel: { color: soft, formatter: data.short },
          splitLine: { lineStyle: { color: line } },
        },
        series: data.series.map(({ name, amounts }, i) => ({
          name,
          type: data.kind === 'lines' ? 'line' : 'bar',
          data: [...amounts],
          stack: data.kind === 'stacks' ? 'all' : undefined,
          showSymbol: false,
          lineStyle: { width: 3, type: i % 2 === 1 ? 'dashed' : 'solid' },
          itemStyle: { color: colours[i % colours.length] },
        })),
      },
      true,
    )
  show(first)
  const resized = new ResizeObserver(() => chart.resize())
  resized.observe(element)
  return {
    show,
    stop: () => {
      resized.disconnect()
      chart.dispose()
    },
  }
}
