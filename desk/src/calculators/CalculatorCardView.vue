<script setup lang="ts">
import { mainLanguage } from '@vivid/core'
import { computed } from 'vue'
import type { CalculatorCard } from '@vivid/contract'
import { createFigures } from '@vivid/contract/wording'
import { dayOf } from '../shared/time/moments'
import StateTag from './StateTag.vue'

const { card } = defineProps<{ card: CalculatorCard }>()
const figures = computed(() => createFigures(mainLanguage(card), card.currency))
</script>

<template>
  <RouterLink :to="`/calculators/${card.id}`" class="card">
    <h2>{{ card.title }}</h2>
    <div><StateTag :state="card.state" :edition="card.liveEdition" /></div>
    <div v-if="card.meter" class="payment">
      <p>
        <strong
          ><bdi>{{ card.meter.figure }}</bdi></strong
        >
        <span class="soft"
          ><bdi>{{ card.meter.every ? figures.every(card.meter.every) : card.meter.label }}</bdi></span
        >
      </p>
      <template v-if="card.meter.parts.some(({ amount }) => amount > 0)">
        <div class="meter" aria-hidden="true">
          <span
            v-for="(part, i) in card.meter.parts.filter(({ amount }) => amount > 0)"
            :key="i"
            :class="`part-${i % 4}`"
            :style="{ flexGrow: part.amount }"
          ></span>
        </div>
        <p class="parts">
          <span v-for="(part, i) in card.meter.parts" :key="i"
            ><i :class="`part-${i % 4}`"></i><bdi>{{ part.label }}</bdi> <bdi>{{ part.figure }}</bdi></span
          >
        </p>
      </template>
    </div>
    <p v-else-if="card.meterWaits" class="none">Being worked out …</p>
    <p v-else class="none">No figure yet: the draft has something to mend first.</p>
    <p class="soft foot">
      {{ card.sampleName }}<br />Changed by {{ card.lastEditedBy }}, {{ dayOf(card.lastEditedAt) }}
    </p>
  </RouterLink>
</template>

<style scoped>
.card {
  /* A long list is drawn as far as it is looked at. */
  content-visibility: auto;
  contain-intrinsic-size: auto 220px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 16px 18px 14px;
  border: 1px solid var(--line);
  border-radius: 9px;
  background: var(--card);
  color: var(--ink);
}
.card h2 {
  padding-right: 34px;
}
.card:hover {
  border-color: var(--plum);
  color: var(--ink);
}
.payment strong {
  margin-right: 8px;
  font: 700 24px var(--display);
}
.meter {
  display: flex;
  gap: 3px;
  height: 16px;
  margin: 6px 0 7px;
}
.meter span {
  flex: 0 1 0;
  min-width: 2px;
  border-radius: 3px;
}
.part-0 {
  background: var(--plum);
}
.part-1 {
  background: var(--red);
}
.part-2 {
  background: var(--sun);
}
.part-3 {
  background: var(--leaf);
}
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  font-size: 14px;
}
.parts i {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 6px;
  border-radius: 2px;
}
.none {
  padding: 18px 0;
  color: var(--red-text);
}
.foot {
  margin-top: auto;
  padding-top: 8px;
  border-top: 1px solid var(--line);
  font-size: 14px;
}
</style>
