<script setup lang="ts">
import { Modal } from 'ant-design-vue'
import { closeOnEscape } from '../../shared/page/close-on-escape'

/** Every shortcut, on a sheet of its own. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
const shortcuts: readonly (readonly [keys: string, does: string])[] = [
  ['↑ ↓', 'walk the tape'],
  ['Enter', 'open the line, or close it'],
  ['Escape', 'close the open line and go back to it'],
  ['Alt ↑ Alt ↓', 'move the line'],
  ['Alt D', 'duplicate the line'],
  ['Alt J', 'go to a step, calculator or rate sheet'],
  ['Alt M', 'go to what has to be mended'],
  ['Ctrl Z', 'undo; inside a field, what was typed there'],
  ['Ctrl Shift Z', 'do it again'],
  ['Ctrl Space', 'in a formula: what can stand here'],
  ['F1', 'this sheet'],
]
</script>

<template>
  <Modal v-model:open="open" title="Keyboard" :footer="null" :width="480">
    <dl>
      <div v-for="[keys, does] in shortcuts" :key="keys">
        <dt>{{ keys }}</dt>
        <dd>{{ does }}</dd>
      </div>
    </dl>
  </Modal>
</template>

<style scoped>
dl > div {
  display: grid;
  grid-template-columns: 130px 1fr;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
</style>
