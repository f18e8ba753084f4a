<script setup lang="ts">
/** One line of the tape: its number on the ruler, its name, one clause, its value; opened, what can be edited. */
defineProps<{
  id: string
  number: number | undefined
  name: string
  clause: string
  value: string
  /** The value in full where it was not rounded. */
  exact?: string | undefined
  ends?: readonly string[]
  problem: string | undefined
  question?: string | undefined
  open: boolean
  chosen: boolean
  movable?: boolean
  /** How the line relates to the chosen one: gives it a value, or takes one from it. */
  relation: 'gives' | 'takes' | undefined
}>()
defineEmits<{ toggle: []; choose: [] }>()
</script>

<template>
  <li class="line" :class="[relation, { open, chosen }]" :data-step="id">
    <span
      v-if="movable"
      class="grip"
      title="Drag to move; Alt with the arrow keys does the same"
      aria-hidden="true"
      >⠿</span
    >
    <button
      :id="`line-${id}`"
      type="button"
      class="summary"
      :aria-expanded="open"
      :aria-controls="open ? `editor-${id}` : undefined"
      data-tape-line
      @click="$emit('toggle')"
      @focus="$emit('choose')"
    >
      <span class="number">{{ number }}</span>
      <span class="tick" aria-hidden="true"></span>
      <span class="name">{{ name }}</span>
      <span class="clause">{{ clause }}</span>
      <span v-if="relation" class="relation">{{ relation === 'gives' ? '↓ used here' : '↑ uses this' }}</span>
      <span class="value" :class="{ bad: problem }" :title="exact">{{ value }}</span>
    </button>
    <p v-if="problem && !open" class="line-note bad">{{ problem }}</p>
    <p v-else-if="question && !open" class="line-note ask">{{ question }}</p>
    <p v-for="end in ends ?? []" :key="end" class="line-note end">{{ end }}</p>
    <div v-if="open" :id="`editor-${id}`" class="opened"><slot /></div>
  </li>
</template>

<style scoped>
.line {
  position: relative;
  list-style: none;
}
.grip {
  position: absolute;
  left: 4px;
  top: 2px;
  z-index: 2;
  padding: 0 4px;
  color: var(--ink-soft);
  cursor: grab;
  opacity: 0;
}
.line:hover .grip,
.chosen .grip {
  opacity: 1;
}
.summary {
  display: grid;
  grid-template-columns: 28px 22px auto 1fr auto auto;
  align-items: baseline;
  gap: 0 8px;
  width: 100%;
  min-height: 27px;
  padding: 2px 20px 2px 22px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.summary:hover,
.chosen > .summary {
  background: #fbf3ff;
}
.open > .summary {
  background: var(--lilac);
}
.summary:focus-visible {
  outline-offset: -3px;
}
.number {
  text-align: right;
  font-size: 13px;
  color: var(--ink-soft);
}
.tick {
  align-self: center;
  height: 2px;
  background: var(--ink);
}
.line::before {
  content: '';
  position: absolute;
  left: 80px;
  top: 0;
  bottom: 0;
  width: 2px;
  background: var(--ink);
  z-index: 1;
}
.gives .tick,
.takes .tick {
  height: 5px;
  background: var(--sun);
}
.takes .tick {
  background: #2f6fb5;
}
.chosen .tick,
.open .tick {
  height: 5px;
  background: var(--red);
}
.name {
  padding-left: 12px;
  font-weight: 600;
  white-space: nowrap;
}
.name::first-letter {
  text-transform: uppercase;
}
.clause {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  color: var(--ink-soft);
  font-size: 14px;
}
.relation {
  font-size: 13px;
  font-weight: 600;
  color: var(--sun-text);
  white-space: nowrap;
}
.takes .relation {
  color: #24578f;
}
.value {
  grid-column: 6;
  max-width: 260px;
  overflow: hidden;
  text-overflow: ellipsis;
  font-weight: 600;
  text-align: right;
  white-space: nowrap;
}
.line-note {
  padding: 0 20px 6px 94px;
  font-size: 14px;
}
.value.bad,
.line-note.bad {
  color: var(--red-text);
}
.line-note.ask {
  color: var(--sun-text);
}
.line-note.end {
  padding-bottom: 2px;
  color: var(--ink-soft);
  font-size: 13px;
}
.opened {
  padding: 4px 20px 18px 94px;
  background: var(--lilac);
  border-bottom: 1px solid #d9c7ec;
}
</style>
