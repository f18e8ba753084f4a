<script setup lang="ts">
import type { CalculatorState } from '@vivid/contract'
import { stateLooks } from './states'

defineProps<{ state: CalculatorState; edition: number | null }>()
</script>

<template>
  <span class="state" :class="stateLooks[state].tone">
    <span aria-hidden="true">{{ stateLooks[state].shape }}</span>
    {{ stateLooks[state].words }}<template v-if="edition !== null"> · edition {{ edition }}</template>
  </span>
</template>

<style scoped>
.state {
  display: inline-block;
  padding: 2px 9px;
  border: 1px solid var(--line);
  border-radius: 5px;
  font-size: 14px;
  font-weight: 600;
  white-space: nowrap;
  background: var(--card);
  color: var(--ink-soft);
}
.good {
  color: var(--leaf);
  border-color: currentcolor;
}
.waiting {
  color: var(--sun-text);
  border-color: var(--sun);
  background: #fff6e2;
}
</style>
