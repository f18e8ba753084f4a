<script setup lang="ts">
import { Tooltip } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { CalculatorOpened } from '@vivid/contract'
import { listed } from '../../shared/fields/listed'
import { dayOf, momentOf } from '../../shared/time/moments'
import EditionViewer from './EditionViewer.vue'

/** Editions as a ribbon: the last few, the live one, the draft. Each opens as visitors saw it. */
const { calculator } = defineProps<{ calculator: CalculatorOpened }>()
const recent = computed(() => [...calculator.editions].reverse().slice(-4))
const viewed = ref(0)
const viewing = ref(false)
function view(number: number): void {
  viewed.value = number
  viewing.value = true
}
const draftIsNew = computed(() => calculator.state !== 'live')
const nextNumber = computed(() => (calculator.editions[0]?.number ?? 0) + 1)
</script>

<template>
  <ol class="ribbon" aria-label="Editions">
    <li
      v-for="edition in recent"
      :key="edition.number"
      :class="{
        live: edition.number === calculator.liveEdition,
        timed: edition.number === calculator.scheduled?.number,
      }"
    >
      <Tooltip>
        <template #title>
          Edition {{ edition.number }}, approved {{ dayOf(edition.publishedAt) }} by {{ edition.approvedBy }};
          changed by {{ listed(edition.contributors) }}. SHA-256 {{ edition.sha256.slice(0, 12) }}…
        </template>
        <button type="button" @click="view(edition.number)">
          {{ edition.number
          }}<template v-if="edition.number === calculator.liveEdition">
            live since {{ dayOf(edition.publishedAt) }}</template
          ><template v-else-if="!edition.wasLive && edition.number !== calculator.scheduled?.number">
            withdrawn</template
          ><template v-else-if="edition.number === calculator.scheduled?.number">
            from {{ momentOf(new Date(calculator.scheduled.at)) }}</template
          >
        </button>
      </Tooltip>
    </li>
    <li v-if="draftIsNew" class="draft">{{ nextNumber }} in draft</li>
  </ol>
  <EditionViewer v-model:open="viewing" :calculator="calculator" :number="viewed" />
</template>

<style scoped>
.ribbon {
  display: flex;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  border: 1px solid var(--ink);
  border-right-width: 0;
  background: var(--card);
}
li:last-child {
  border-right-width: 1px;
}
li > button {
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}
li > button,
.draft {
  display: block;
  padding: 2px 11px;
}
.live {
  background: var(--leaf);
  border-color: var(--leaf);
  color: #fff;
}
.timed > button {
  border-style: dashed;
}
.draft {
  border-style: dashed;
  border-width: 1px;
}
</style>
