<script setup lang="ts">
import { Modal } from 'ant-design-vue'
import { closeOnEscape } from '../shared/page/close-on-escape'
import { useTape } from './draft/tape-store'
import type { ToMend } from './draft/to-mend'

/** Everything to be mended, and the questions; each jumps to its spot. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
defineProps<{ problems: readonly ToMend[] }>()
const tape = useTape()

function go({ step, field }: ToMend): void {
  open.value = false
  if (step) window.setTimeout(() => void tape.goTo(step, field), 50)
}
</script>

<template>
  <Modal v-model:open="open" title="To mend" :footer="null" :width="640">
    <ul>
      <li v-for="(problem, i) in problems" :key="i">
        <button type="button" :disabled="!problem.step" @click="go(problem)">
          <span class="sign" :class="{ stops: problem.stops }" aria-hidden="true">{{
            problem.stops ? '▲' : '?'
          }}</span>
          <span
            ><strong v-if="problem.name">{{ problem.name }}</strong> {{ problem.sentence }}</span
          >
        </button>
      </li>
    </ul>
  </Modal>
</template>

<style scoped>
ul {
  max-height: 60vh;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
button {
  display: grid;
  grid-template-columns: 24px 1fr;
  width: 100%;
  padding: 7px 6px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
  cursor: pointer;
}
button:hover:enabled {
  background: var(--lilac);
}
.sign {
  color: var(--sun-text);
  font-weight: 700;
}
.stops {
  color: var(--red-text);
}
strong {
  margin-right: 6px;
}
</style>
