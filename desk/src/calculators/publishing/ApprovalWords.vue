<script setup lang="ts">
import { computed } from 'vue'
import type { CalculatorOpened } from '@vivid/contract'
import { dayOf } from '../../shared/time/moments'
import { useTape } from '../draft/tape-store'

/** What was said about this draft: by its author to the approver, or by an approver who sent it back. */
const { calculator } = defineProps<{ calculator: CalculatorOpened }>()
const tape = useTape()

const remarks = computed(() =>
  (calculator.sentBack?.remarks ?? []).map(({ step, text }) => {
    const found = calculator.document.steps.find(({ id }) => id === step)
    return { step: found?.id, name: found?.name ?? (step === null ? '' : 'a step that is gone'), text }
  }),
)
</script>

<template>
  <section v-if="calculator.sentBack" class="words" aria-label="Remarks of the approver">
    <p>
      <strong>{{ calculator.sentBack.by }}</strong> sent it back, {{ dayOf(calculator.sentBack.at) }}:
    </p>
    <ul>
      <li v-for="({ step, name, text }, i) in remarks" :key="i">
        <button v-if="step" type="button" class="link" @click="tape.goTo(step)">{{ name }}</button>
        <span v-else-if="name" class="soft">{{ name }}</span>
        {{ text }}
      </li>
    </ul>
  </section>
  <section v-else-if="calculator.sentNote" class="words" aria-label="A word for the approver">
    <p>
      <strong>{{ calculator.sentBy }}</strong> says: {{ calculator.sentNote }}
    </p>
  </section>
</template>

<style scoped>
.words {
  margin: 10px 22px 0;
  padding: 10px 14px;
  border-left: 5px solid var(--sun);
  border-radius: 0 7px 7px 0;
  background: var(--card);
  overflow-wrap: anywhere;
}
ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
.link {
  margin-right: 6px;
}
</style>
