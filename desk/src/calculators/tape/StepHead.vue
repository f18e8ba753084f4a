<script setup lang="ts">
import { Button, message, Modal } from 'ant-design-vue'
import { computed, h } from 'vue'
import { duplicateStep, removeStep, usersOf, type CalculatorStep } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import { useTape } from '../draft/tape-store'
import NameField from './NameField.vue'
import { partOf } from './step-kinds'

/** The first row of every opened line: its name in formulas, and what can be done with the step as a whole. */
const { step } = defineProps<{ step: CalculatorStep }>()
const draft = useDraft()
const tape = useTape()
const isNamed = computed(() => partOf(step) !== 'readouts' && step.kind !== 'section')

function duplicate(): void {
  if (!draft.document) return
  const copy = duplicateStep(draft.document, step.id)
  draft.change(copy.document)
  void tape.goTo(copy.id)
}

function remove(): void {
  const document = draft.document
  if (!document) return
  const { steps, proofs } = usersOf(document, step.id)
  const act = () => {
    draft.change(removeStep(document, step.id))
    tape.closeAll()
    void message.open({
      type: 'success',
      duration: 8,
      content: h('span', [
        `“${step.name}” is removed. `,
        h('button', { class: 'link', type: 'button', onClick: () => draft.undo() }, 'Undo'),
      ]),
    })
  }
  if (steps.length === 0 && proofs === 0) return act()
  const users = steps.map(({ name }) => `“${name}”`).join(', ')
  Modal.confirm({
    title: `Remove “${step.name}” although it is used?`,
    content: [
      steps.length
        ? `${steps.length} ${steps.length === 1 ? 'step takes' : 'steps take'} a value from it: ${users}.`
        : '',
      proofs ? `${proofs} ${proofs === 1 ? 'proof names' : 'proofs name'} it.` : '',
      'They will have something to mend. Undo brings it back.',
    ].join(' '),
    okText: 'Remove it',
    okButtonProps: { danger: true },
    cancelText: 'Keep it',
    onOk: act,
  })
}
</script>

<template>
  <div class="step-head wide">
    <NameField :step="step" :named="isNamed" />
    <div class="do">
      <Button size="small" @click="duplicate">Duplicate</Button>
      <Button size="small" danger @click="remove">Remove</Button>
    </div>
  </div>
</template>

<style scoped>
.step-head {
  display: grid;
  grid-template-columns: minmax(200px, 1fr) auto;
  gap: 16px;
  align-items: end;
}
.do {
  display: flex;
  gap: 8px;
  padding-bottom: 4px;
}
</style>
