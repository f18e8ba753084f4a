<script setup lang="ts">
import { computed } from 'vue'
import { useDraft, type SaveState } from './draft/draft-store'
import { whenOf } from '../shared/time/moments'

/** Says how the draft stands: it saves by itself, and tells so. */
const draft = useDraft()
const words = computed(() => wordsOf(draft.saveState))

function wordsOf(saveState: SaveState): string {
  switch (saveState.is) {
    case 'saved':
      return `Draft saved ${whenOf(saveState.at)}`
    case 'waiting':
    case 'saving':
      return 'Saving …'
    case 'failed':
      return `Not saved yet: ${saveState.sentence}`
    case 'conflict':
      return 'Waiting for you to choose what stays'
  }
}
</script>

<template>
  <span class="note" :class="{ bad: draft.saveState.is === 'failed' }" role="status">
    {{ words
    }}<template v-if="draft.joinedFrom">, with what {{ draft.joinedFrom }} changed meanwhile</template>
  </span>
</template>

<style scoped>
.note {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  color: var(--ink-soft);
}
.bad {
  color: var(--red-text);
  font-weight: 600;
}
</style>
