<script setup lang="ts">
import { computed } from 'vue'
import type { Readout } from '@vivid/core/evaluate'
import { readoutText, type Figures } from '@vivid/contract/wording'

const { readout, figures } = defineProps<{
  label: string
  help: string
  readout: Readout
  figures: Figures
}>()
const text = computed(() => readoutText(readout, figures))
</script>

<template>
  <section class="result" :aria-label="label">
    <p class="label">{{ label }}</p>
    <p class="figure small">{{ text.figure }}</p>
    <p class="sentence">{{ text.sentence }}</p>
    <p v-if="help" class="help">{{ help }}</p>
  </section>
</template>
