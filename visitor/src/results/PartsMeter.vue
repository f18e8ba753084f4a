<script setup lang="ts">
/** An amount that makes a whole, as a bar of its parts. The figures stand beside it; the bar is a picture of them. */
export interface MeterPart {
  readonly key: 'principal' | 'interest'
  readonly amount: number
}
defineProps<{ parts: readonly MeterPart[] }>()
</script>

<template>
  <span class="meter" aria-hidden="true">
    <span
      v-for="part in parts.filter(({ amount }) => amount > 0)"
      :key="part.key"
      class="part"
      :class="part.key"
      :style="{ flexGrow: part.amount }"
    ></span>
  </span>
</template>
