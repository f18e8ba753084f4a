<script setup lang="ts">
import DeskHeader from '../shared/page/DeskHeader.vue'

/** A page that has nothing for whoever came: why, and where to go on. */
defineProps<{ heading: string }>()
</script>

<template>
  <DeskHeader />
  <main class="dead-end">
    <h1>{{ heading }}</h1>
    <p><slot /></p>
    <RouterLink to="/" class="link">See all calculators</RouterLink>
  </main>
</template>

<style scoped>
.dead-end {
  padding: 48px 22px;
  display: grid;
  gap: 12px;
  justify-items: start;
}
</style>
