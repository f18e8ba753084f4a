<script setup lang="ts">
/** One line of the tape: its number on the ruler, its name, one clause, its value; opened, what can be edited. */
defineProps<{
  id: string
  number: number | undefined
  name: string
  clause: string
  value: string
  problem: string | undefined
  open: boolean
  chosen: boolean
  /** How the line relates to the chosen one: gives it a value, or takes one from it. */
  relation: 'gives' | 'takes' | undefined
}>()
defineEmits<{ toggle: []; choose: [] }>()
</script>

<template>
  <li class="line" :class="[relation, { open, chosen }]">
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
      <span class="value" :class="{ bad: problem }">{{ value }}</span>
    </button>
    <p v-if="problem" class="line-problem">{{ problem }}</p>
    <div v-if="open" :id="`editor-${id}`" class="opened"><slot /></div>
  </li>
</template>

<style scoped>
.line {
  position: relative;
  list-style: none;
}
.summary {
  display: grid;
  grid-template-columns: 28px 22px auto 1fr auto auto;
  align-items: baseline;
  gap: 0 8px;
  width: 100%;
  min-height: 31px;
  padding: 4px 20px 4px 22px;
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
  font-weight: 600;
  text-align: right;
  white-space: nowrap;
}
.value.bad,
.line-problem {
  color: var(--red-text);
}
.line-problem {
  padding: 0 20px 6px 94px;
  font-size: 14px;
}
.opened {
  padding: 4px 20px 18px 94px;
  background: var(--lilac);
  border-bottom: 1px solid #d9c7ec;
}
</style>
