<script setup lang="ts">
/** An amount that makes a whole, as a bar of its parts. The figures stand beside it; the bar is a picture of them. */
defineProps<{ parts: readonly { readonly at: number; readonly amount: number }[] }>()
</script>

<template>
  <span class="meter" aria-hidden="true">
    <span
      v-for="part in parts.filter(({ amount }) => amount > 0)"
      :key="part.at"
      class="part"
      :class="`part-${part.at % 6}`"
      :style="{ flexGrow: part.amount }"
    ></span>
  </span>
</template>
