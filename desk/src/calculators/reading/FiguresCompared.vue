<script setup lang="ts">
import { Spin } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { Sample, SampleCompared } from '@vivid/core'
import { localNow } from '../../shared/time/local-today'
import { figureRows } from './figure-rows'
import type { FiguresRequest } from './figures-worker'
import type { ReadPage } from './reading'

/** The figures of every sample visitor before and after, and by how much; worked out in a worker. */
const { before, after, samples } = defineProps<{
  before: ReadPage
  after: ReadPage
  samples: readonly Sample[]
}>()
const emit = defineEmits<{ go: [of: string] }>()

/** Undefined while they are worked out. */
const compared = shallowRef<readonly SampleCompared[]>()
let worker: Worker | undefined
function workOut(): void {
  worker?.terminate()
  compared.value = undefined
  worker = new Worker(new URL('./figures-worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = ({ data }: MessageEvent<SampleCompared[]>) => (compared.value = data)
  const request: FiguresRequest = { before, after, samples, now: localNow() }
  // Plain data only: what Vue watches cannot be sent to a worker.
  worker.postMessage(JSON.parse(JSON.stringify(request)))
}
watch(() => [before, after, samples], workOut, { immediate: true })
onBeforeUnmount(() => worker?.terminate())

const withSame = ref(false)
const groups = computed(() =>
  (compared.value ?? []).map((sample) => {
    const rows = figureRows(sample, before.program, after.program)
    return {
      name: sample.sample,
      rows: withSame.value ? rows : rows.filter(({ isSame }) => !isSame),
      same: rows.filter(({ isSame }) => isSame).length,
    }
  }),
)
</script>

<template>
  <section aria-label="Figures of the sample visitors">
    <div class="head">
      <h2>Figures of the sample visitors</h2>
      <label class="soft"><input v-model="withSame" type="checkbox" /> also those that are the same</label>
    </div>
    <Spin v-if="!compared" />
    <p v-else-if="samples.length === 0" class="soft">This calculator has no sample visitor.</p>
    <table v-for="group in groups" :key="group.name" class="reading-table">
      <caption>
        {{
          group.name
        }}
        <span class="soft">{{
          group.same === 0 ? '' : `· ${group.same} ${group.same === 1 ? 'figure is' : 'figures are'} the same`
        }}</span>
      </caption>
      <thead v-if="group.rows.length">
        <tr>
          <th scope="col">Figure</th>
          <th scope="col" class="number">As it is</th>
          <th scope="col" class="number">As it would be</th>
          <th scope="col" class="number">By</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in group.rows" :key="row.id">
          <th scope="row">
            <button type="button" class="link" @click="emit('go', row.id)">{{ row.label }}</button>
          </th>
          <td class="number">{{ row.before }}</td>
          <td class="number">{{ row.after }}</td>
          <td class="number">
            <strong v-if="!row.isSame">{{ row.by }}</strong><span v-else class="soft">{{ row.by }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 4px 16px;
  margin: 22px 0 4px;
}
table {
  margin-bottom: 16px;
}
caption {
  padding: 8px 0 4px;
  caption-side: top;
  font-weight: 700;
  text-align: left;
}
caption .soft {
  font-weight: 400;
}
tbody th {
  width: 34%;
  font-weight: 400;
}
</style>
