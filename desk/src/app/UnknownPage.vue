<script setup lang="ts">
import DeskHeader from '../shared/page/DeskHeader.vue'
</script>

<template>
  <DeskHeader />
  <main class="unknown">
    <h1>There is nothing at this address</h1>
    <p>The link may be mistyped, or what it led to has another name now.</p>
    <RouterLink to="/" class="link">See all calculators</RouterLink>
  </main>
</template>

<style scoped>
.unknown {
  padding: 48px 22px;
  display: grid;
  gap: 12px;
  justify-items: start;
}
</style>
