<script setup lang="ts">
import { nextTick, ref, useTemplateRef } from 'vue'
import { stepKinds, type PartId, type StepKind } from './step-kinds'

/** The next line of a part of the tape: opens to the kinds of steps that can stand there. */
const { part } = defineProps<{ part: PartId }>()
const emit = defineEmits<{ add: [kind: StepKind] }>()
const open = ref(false)
const list = useTemplateRef<HTMLElement>('list')
const opener = useTemplateRef<HTMLElement>('opener')
const titles: Record<PartId, string> = {
  questions: 'Add a question',
  workings: 'Add a working',
  readouts: 'Add a readout',
}
const kinds = stepKinds.filter((kind) => kind.part === part)

async function show(): Promise<void> {
  open.value = !open.value
  await nextTick()
  list.value?.querySelector('button')?.focus()
}
function add(kind: StepKind): void {
  open.value = false
  emit('add', kind)
}
function close(): void {
  open.value = false
  opener.value?.focus()
}
/** Arrow keys walk the kinds. */
function walk(event: KeyboardEvent): void {
  const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  event.stopPropagation()
  const all = [...(list.value?.querySelectorAll('button') ?? [])]
  all[all.indexOf(event.target as HTMLButtonElement) + by]?.focus()
}
</script>

<template>
  <div class="add">
    <div class="head">
      <slot />
      <button
        ref="opener"
        type="button"
        class="opener"
        :aria-expanded="open"
        data-tape-line
        :data-add="part"
        @click="show"
      >
        <span aria-hidden="true">+</span> {{ titles[part] }}
      </button>
    </div>
    <div v-if="open" ref="list" class="kinds" @keydown="walk" @keydown.esc.stop="close">
      <button v-for="kind in kinds" :key="kind.id" type="button" :data-kind="kind.id" @click="add(kind)">
        <strong>{{ kind.title }}</strong> <span>{{ kind.says }}</span>
      </button>
    </div>
  </div>
</template>

<style scoped>
.add {
  padding: 6px 20px 1px 94px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.opener {
  padding: 1px 0 1px 8px;
  border: 0;
  background: none;
  color: var(--plum);
  font-weight: 600;
  cursor: pointer;
}
.kinds {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 4px;
  padding: 8px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--card);
}
.kinds button {
  display: grid;
  padding: 6px 10px;
  border: 0;
  border-radius: 6px;
  background: none;
  text-align: left;
  cursor: pointer;
}
.kinds button:hover,
.kinds button:focus-visible {
  background: var(--lilac);
}
.kinds span {
  color: var(--ink-soft);
  font-size: 13px;
}
</style>
