<script setup lang="ts">
import { computed } from 'vue'
import type { CalculatorCard } from '@vivid/contract'
import { createFigures } from '@vivid/contract/wording'
import { dayOf } from './moments'
import StateTag from './StateTag.vue'

const { card } = defineProps<{ card: CalculatorCard }>()
const figures = computed(() => createFigures(card.locale, card.currency))
</script>

<template>
  <RouterLink :to="`/calculators/${card.id}`" class="card">
    <h2>{{ card.title }}</h2>
    <div><StateTag :state="card.state" :edition="card.liveEdition" /></div>
    <div v-if="card.meter" class="payment">
      <p>
        <strong>{{ figures.money(card.meter.payment) }}</strong>
        <span class="soft">{{ figures.every(card.meter.frequency) }}</span>
      </p>
      <div class="meter" aria-hidden="true">
        <span class="principal" :style="{ flexGrow: card.meter.principal }"></span>
        <span class="interest" :style="{ flexGrow: card.meter.interest }"></span>
      </div>
      <p class="parts">
        <span><i class="principal"></i>off the loan {{ figures.money(card.meter.principal) }}</span>
        <span><i class="interest"></i>interest {{ figures.money(card.meter.interest) }}</span>
      </p>
    </div>
    <p v-else class="none">No figure yet: the draft has something to mend first.</p>
    <p class="soft foot">
      {{ card.sampleName }}<br />Changed by {{ card.lastEditedBy }}, {{ dayOf(card.lastEditedAt) }}
    </p>
  </RouterLink>
</template>

<style scoped>
.card {
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 16px 18px 14px;
  border: 1px solid var(--line);
  border-radius: 9px;
  background: var(--card);
  color: var(--ink);
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
.principal {
  background: var(--plum);
}
.interest {
  background: var(--red);
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
