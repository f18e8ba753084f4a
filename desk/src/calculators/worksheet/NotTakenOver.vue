<script setup lang="ts">
import type { Reading } from '@vivid/worksheet'
import { computed } from 'vue'
import { useWorksheet } from './worksheet-store'

/** The cells whose figure is another, and those that are left out, with why; the same reason once. */
const { reading } = defineProps<{ reading: Reading }>()
const worksheet = useWorksheet()
const MOST_NAMED = 6
const reasons = computed(() => {
  const by = new Map<string, string[]>()
  for (const { cell, why } of reading.leftOut) by.set(why, [...(by.get(why) ?? []), cell])
  return [...by].map(([why, cells]) => ({ why, cells }))
})
/** Some programs keep no values beside formulas: then nothing differs, there is only nothing to compare with. */
const hasNoValues = computed(
  () => reading.differing.length > 0 && reading.differing.every(({ expected }) => expected === null),
)
const differing = computed(() => (hasNoValues.value ? [] : reading.differing.map(({ cell }) => cell)))
</script>

<template>
  <section v-if="hasNoValues || differing.length > 0 || reasons.length > 0" class="not-taken">
    <p v-if="hasNoValues">
      This file keeps no values beside its formulas: there is nothing to compare with. Open it in the program
      it comes from, save it there, and read it again.
    </p>
    <template v-if="differing.length > 0">
      <h2>Other figures</h2>
      <p>
        <template v-for="(cell, i) in differing.slice(0, MOST_NAMED)" :key="cell"
          ><template v-if="i > 0">, </template
          ><button type="button" class="link" @click="worksheet.chosen = cell">{{ cell }}</button></template
        ><template v-if="differing.length > MOST_NAMED">
          and {{ differing.length - MOST_NAMED }} more</template
        >
      </p>
    </template>
    <template v-if="reasons.length > 0">
      <h2>Left out</h2>
      <ul>
        <li v-for="{ why, cells } in reasons" :key="why">
          <template v-for="(cell, i) in cells.slice(0, MOST_NAMED)" :key="cell"
            ><template v-if="i > 0">, </template
            ><button type="button" class="link" @click="worksheet.chosen = cell">{{ cell }}</button></template
          ><template v-if="cells.length > MOST_NAMED"> and {{ cells.length - MOST_NAMED }} more</template>:
          {{ why }}.
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.not-taken {
  display: grid;
  gap: 6px;
}
h2 {
  font-size: 17px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
.link {
  font-weight: 400;
}
</style>
