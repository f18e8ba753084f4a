<script setup lang="ts">
import DeadEnd from './DeadEnd.vue'
</script>

<template>
  <DeadEnd heading="There is nothing at this address"
    >The link may be mistyped, or what it led to has another name now.</DeadEnd
  >
</template>
