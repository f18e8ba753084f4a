<script setup lang="ts">
import { Tooltip } from 'ant-design-vue'
import { computed } from 'vue'
import type { CalculatorOpened } from '@vivid/contract'
import { dayOf } from '../calculators/moments'

/** Editions as a ribbon: the last few, the live one, the draft. */
const { calculator } = defineProps<{ calculator: CalculatorOpened }>()
const recent = computed(() => [...calculator.editions].reverse().slice(-4))
const draftIsNew = computed(() => calculator.state !== 'live')
const nextNumber = computed(() => (calculator.editions[0]?.number ?? 0) + 1)
</script>

<template>
  <ol class="ribbon" aria-label="Editions">
    <li
      v-for="edition in recent"
      :key="edition.number"
      :class="{ live: edition.number === calculator.liveEdition }"
    >
      <Tooltip>
        <template #title>
          Edition {{ edition.number }}, put live {{ dayOf(edition.publishedAt) }} by {{ edition.approvedBy }};
          last changed by {{ edition.editedBy }}. SHA-256 {{ edition.sha256.slice(0, 12) }}…
        </template>
        <span tabindex="0">
          {{ edition.number
          }}<template v-if="edition.number === calculator.liveEdition">
            live since {{ dayOf(edition.publishedAt) }}</template
          >
        </span>
      </Tooltip>
    </li>
    <li v-if="draftIsNew" class="draft">{{ nextNumber }} in draft</li>
  </ol>
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
li > span,
.draft {
  display: block;
  padding: 2px 11px;
}
.live {
  background: var(--leaf);
  border-color: var(--leaf);
  color: #fff;
}
.draft {
  border-style: dashed;
  border-width: 1px;
}
</style>
