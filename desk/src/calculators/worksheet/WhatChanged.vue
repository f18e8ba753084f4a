<script setup lang="ts">
import { Checkbox } from 'ant-design-vue'
import type { WorksheetChange } from '@vivid/worksheet'

/** What is another in the worksheet since the draft was made of it, each to be taken over or not. */
const { changes } = defineProps<{ changes: readonly WorksheetChange[] }>()
const accepted = defineModel<ReadonlySet<string>>('accepted', { required: true })
const words = {
  value: 'other value',
  formula: 'other formula',
  table: 'other table',
  added: 'new',
  gone: 'gone',
} as const

function set(id: string, isTaken: boolean): void {
  const next = new Set(accepted.value)
  if (isTaken) next.add(id)
  else next.delete(id)
  accepted.value = next
}
</script>

<template>
  <section class="changed">
    <h2>What changed in the worksheet</h2>
    <p v-if="changes.length === 0" class="soft">
      Nothing: it has the formulas and values this draft was made of.
    </p>
    <ul v-else>
      <li v-for="change in changes" :key="change.id">
        <Checkbox :checked="accepted.has(change.id)" @change="set(change.id, $event.target.checked)"
          ><strong>{{ change.name }}</strong> <span class="soft">{{ words[change.what] }}</span></Checkbox
        >
        <p v-if="change.before" class="was">
          <del>{{ change.before }}</del>
        </p>
        <p v-if="change.after" class="is">
          <ins>{{ change.after }}</ins>
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.changed {
  display: grid;
  gap: 6px;
}
h2 {
  font-size: 17px;
}
ul {
  display: grid;
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.was,
.is {
  margin-left: 24px;
  overflow-wrap: anywhere;
  font-size: 14px;
}
del {
  color: var(--red-text);
}
ins {
  color: var(--leaf);
  text-decoration: none;
}
</style>
