<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { Readout, ReadoutOf } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import { drawingOf } from '@vivid/contract/pictures'
import { isRightToLeft } from '@vivid/contract/wording'
import { triedOn } from '../model/tried-on'
import DrawnPicture from './chart/DrawnPicture.vue'
import type { Chart } from './chart/draw-chart'
import { chartData } from './chart/chart-data'
import { useSettled } from './chart/use-settled'
import { fetchAgain } from '../model/fetch-again'

const { step, readout, calculator } = defineProps<{
  step: ReadoutOf<'chart'>
  readout: Extract<Readout, { shows: 'chart' }>
  calculator: Calculator
}>()
const { say, words } = calculator

const data = computed(() => chartData(readout, step, calculator))
const isOpen = ref(false)
const tried = computed(() => triedOn(step, calculator))
/** All that a picture is drawn from. */
const settled = useSettled(() => ({
  readout,
  tried: tried.value,
  figures: calculator.figures.value,
  shown: calculator.results.value,
  program: calculator.program.value,
}))
/** Pictures of loans are drawn here; the drawing library is for the rest. */
const picture = computed(() => {
  const { readout: of, tried: over, figures, shown, program } = settled.value
  return shown && drawingOf(of, step, shown, program, calculator.today.value, figures, over)
})
const isRtl = computed(() => isRightToLeft(calculator.language.value))
/** The chart in words: each line from its first figure to its last. */
const inWords = computed(() => {
  const { places, series } = data.value
  return series.flatMap(({ name, said }) => {
    const [first = '', last = ''] = [said[0], said.at(-1)]
    return places.length > 1 && data.value.kind !== 'bars'
      ? [`${name}: ${places[0]} ${first}, ${places.at(-1)} ${last}.`]
      : []
  })
})
const place = useTemplateRef<HTMLElement>('place')
const chart = shallowRef<Chart>()
const isMissing = ref(false)
let watcher: IntersectionObserver | undefined

/** The drawing library is fetched once the chart is about to be seen, and not before. */
async function begin(): Promise<void> {
  watcher?.disconnect()
  try {
    const { drawChart } = await fetchAgain(() => import('./chart/draw-chart'))
    if (place.value) chart.value = drawChart(place.value, data.value)
  } catch {
    isMissing.value = true
  }
}

onMounted(() => {
  watcher = new IntersectionObserver(
    (entries) => entries.some(({ isIntersecting }) => isIntersecting) && void begin(),
    {
      rootMargin: '200px',
    },
  )
  if (place.value) watcher.observe(place.value)
})
onBeforeUnmount(() => {
  watcher?.disconnect()
  chart.value?.stop()
})
watch(
  () => chart.value && data.value,
  (now) => now && chart.value?.show(now),
)
</script>

<template>
  <section class="result wide" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <DrawnPicture
      v-if="picture"
      :draw="picture.draw"
      :is-rtl="isRtl"
      :label="[words.chartOf(say(step.label)), picture.sentence].join(' ')"
    />
    <p v-if="picture?.sentence" class="sentence">{{ picture.sentence }}</p>
    <ul v-if="!picture && data.series.length > 1" class="legend">
      <li v-for="(line, i) in data.series" :key="line.name">
        <span class="swatch" :class="`part-${i % 6}`"></span>{{ line.name }}
      </li>
    </ul>
    <p v-if="!picture && isMissing" class="setback note">{{ words.partMissing }}</p>
    <div
      v-else-if="!picture"
      ref="place"
      class="chart"
      role="img"
      :aria-label="[words.chartOf(say(step.label)), ...inWords].join(' ')"
    ></div>
    <details class="as-table" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
      <summary>{{ words.asTable }}</summary>
      <div v-if="isOpen" class="scroll" tabindex="0" role="group" :aria-label="say(step.label)">
        <table>
          <thead>
            <tr>
              <th scope="col">{{ data.across }}</th>
              <th v-for="line in data.series" :key="line.name" scope="col" class="amount">{{ line.name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(name, i) in data.places" :key="name">
              <th scope="row">{{ name }}</th>
              <td v-for="line in data.series" :key="line.name" class="amount">{{ line.said[i] }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </section>
</template>
