<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, reactive, shallowRef, watch } from 'vue'
import { z } from 'zod'
import { Audience, CalculatorCard, SMALLEST_GROUP, type AudienceGroup } from '@vivid/contract'
import { request } from '../shared/api/request'
import DeskArea from '../shared/page/DeskArea.vue'
import RowTable from '../shared/page/RowTable.vue'
import { useAsking } from '../shared/api/use-asking'
import PickField from '../shared/fields/PickField.vue'
import { localToday } from '../shared/time/local-today'
import { eventColours, eventNames, eventWords, shareSaid } from './audience-words'

/** How calculators are used, from counts that know nobody. */
const AudienceChart = defineAsyncComponent(() => import('./AudienceChart.vue'))
const { busy, problem, asking } = useAsking()
const audience = shallowRef<Audience>()
const cards = shallowRef<readonly CalculatorCard[]>([])

const daysAgo = (days: number) => {
  const day = new Date(`${localToday()}T12:00:00Z`)
  day.setUTCDate(day.getUTCDate() - days)
  return day.toISOString().slice(0, 10)
}
const query = reactive({
  from: daysAgo(90),
  to: localToday(),
  calculator: '',
  placement: '',
  edition: '',
  language: '',
})
const asked = computed(() =>
  new URLSearchParams(Object.entries(query).filter(([, value]) => value !== '')).toString(),
)
const load = () =>
  asking(async () => {
    if (query.from && query.to) audience.value = await request(Audience, 'GET', `/audience?${asked.value}`)
  })
onMounted(async () => {
  await Promise.all([
    load(),
    asking(async () => {
      cards.value = await request(z.array(CalculatorCard), 'GET', '/calculators')
    }),
  ])
})
watch(
  () => query.calculator,
  () => Object.assign(query, { placement: '', edition: '', language: '' }),
)
watch(query, () => void load())

const count = new Intl.NumberFormat('en-CA')
const isEmpty = computed(() => audience.value?.total.opened === 0)
const tables = computed(() => [
  ...(query.calculator ? [] : [{ title: 'By calculator', rows: audience.value?.calculators ?? [] }]),
  { title: 'By placement', rows: audience.value?.placements ?? [] },
  ...(query.calculator ? [{ title: 'By edition', rows: audience.value?.editions ?? [] }] : []),
  { title: 'By language', rows: audience.value?.languages ?? [] },
])
const columns = [
  { title: '', dataIndex: 'label', key: 'label' },
  ...eventNames.map((event) => ({
    title: eventWords[event],
    dataIndex: event,
    key: event,
    align: 'right' as const,
    width: 130,
  })),
]
const optionsOf = (groups: readonly AudienceGroup[] = [], any: string) => [
  { value: '', label: any },
  ...groups.map(({ name, label }) => ({ value: name, label })).filter(({ value }) => value !== ''),
]
const widest = (bands: Audience['answers'][number]['bands']) =>
  Math.max(...bands.map((band) => band.count), 1)
</script>

<template>
  <DeskArea
    title="Audience"
    about="how calculators are used, from counts that know nobody"
    :problem="problem"
    :loading="!audience"
  >
    <template #actions>
      <a class="link" :href="`/api/audience/csv?${asked}`" download>Save as CSV</a>
    </template>
    <div class="filters">
      <PickField
        id="audience-calculator"
        label="Calculator"
        :value="query.calculator"
        :options="[
          { value: '', label: 'all of them' },
          ...cards.map(({ slug, title }) => ({ value: slug, label: title })),
        ]"
        @change="query.calculator = $event"
      />
      <PickField
        id="audience-placement"
        label="Placement"
        :value="query.placement"
        :options="optionsOf(audience?.placements, 'anywhere')"
        @change="query.placement = $event"
      />
      <PickField
        v-if="query.calculator"
        id="audience-edition"
        label="Edition"
        :value="query.edition"
        :options="optionsOf(audience?.editions, 'any')"
        @change="query.edition = $event"
      />
      <PickField
        id="audience-language"
        label="Language"
        :value="query.language"
        :options="optionsOf(audience?.languages, 'any')"
        @change="query.language = $event"
      />
      <div>
        <label for="audience-from">From</label>
        <input id="audience-from" v-model="query.from" type="date" class="pick" :max="query.to" />
      </div>
      <div>
        <label for="audience-to">To</label>
        <input id="audience-to" v-model="query.to" type="date" class="pick" :min="query.from" />
      </div>
    </div>
    <p v-if="isEmpty" class="soft none">
      Nobody was counted in these days. Visitors count from the moment a calculator is live; those whose
      browser asks not to be followed never do.
    </p>
    <template v-else-if="audience">
      <ol class="path" aria-label="How far visitors come" :class="{ busy }">
        <li v-for="event in eventNames" :key="event">
          <span class="figure">{{ count.format(audience.total[event]) }}</span>
          <span>{{ eventWords[event] }}</span>
          <span class="bar" aria-hidden="true"
            ><i
              :style="{
                width: `${(audience.total[event] / Math.max(1, audience.total.opened)) * 100}%`,
                background: eventColours[event],
              }"
            ></i
          ></span>
          <span class="soft"
            >{{ shareSaid(audience.total[event], audience.total.opened) }} of those who opened it</span
          >
        </li>
      </ol>
      <AudienceChart :days="audience.days" />
      <section v-for="table in tables" :key="table.title">
        <h2>{{ table.title }}</h2>
        <RowTable :rows="table.rows" :columns="columns" row-key="name">
          <template #cell="{ column, text }">
            <bdi v-if="column === 'label'">{{ text }}</bdi>
            <template v-else>{{ count.format(Number(text)) }}</template>
          </template>
        </RowTable>
      </section>
      <section v-if="query.calculator">
        <h2>Typical answers</h2>
        <p class="soft">
          In coarse bands, from visitors who changed some. Bands with fewer than {{ SMALLEST_GROUP }} are left
          out.
        </p>
        <p v-if="audience.answers.length === 0" class="soft">None yet.</p>
        <div class="answers">
          <figure v-for="answer in audience.answers" :key="answer.question">
            <figcaption>
              <bdi>{{ answer.label }}</bdi>
            </figcaption>
            <div v-for="band in answer.bands" :key="band.band" class="band">
              <bdi>{{ band.label }}</bdi>
              <span class="bar" aria-hidden="true"
                ><i :style="{ width: `${(band.count / widest(answer.bands)) * 100}%` }"></i
              ></span>
              <span class="number">{{ count.format(band.count) }}</span>
            </div>
            <p v-if="answer.hidden" class="soft">
              {{ answer.hidden }} small {{ answer.hidden === 1 ? 'band' : 'bands' }} left out
            </p>
          </figure>
        </div>
      </section>
    </template>
  </DeskArea>
</template>

<style scoped>
.filters {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px;
  align-items: end;
  margin-bottom: 18px;
}
.none {
  padding: 30px 0;
}
.path {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 12px;
  margin: 0 0 18px;
  padding: 0;
  list-style: none;
}
.path li {
  display: grid;
  gap: 4px;
  padding: 12px 14px;
  border: 1px solid var(--line);
  border-radius: 9px;
  background: var(--card);
}
.busy {
  opacity: 0.6;
}
.figure {
  font: 700 24px var(--display);
}
.bar {
  display: block;
  height: 10px;
  border-radius: 3px;
  background: var(--paper);
  overflow: hidden;
}
.bar i {
  display: block;
  height: 100%;
  min-width: 2px;
  border-radius: 3px;
  background: var(--plum);
}
.path .soft {
  font-size: 14px;
}
section {
  margin-top: 22px;
}
h2 {
  margin-bottom: 8px;
}
.answers {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(340px, 1fr));
  gap: 16px 26px;
  margin-top: 10px;
}
figure {
  display: grid;
  gap: 4px;
  align-content: start;
  margin: 0;
}
figcaption {
  font-weight: 600;
}
.band {
  display: grid;
  grid-template-columns: 165px 1fr 52px;
  gap: 10px;
  align-items: center;
  font-size: 14px;
}
.number {
  text-align: right;
}
@media (max-width: 800px) {
  .path {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
