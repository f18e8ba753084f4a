<script setup lang="ts">
import { computed, ref } from 'vue'
import { useDraft } from '../draft/draft-store'
import ProofsPanel from './ProofsPanel.vue'
import { useProofs } from './proofs-store'

/** The proofs as a row of marks, always in sight: shape as well as colour says which differ. */
const draft = useDraft()
const proofs = useProofs()
const open = ref(false)
const count = computed(() => draft.document?.proofs.length ?? 0)
const words = computed(() => {
  if (count.value === 0) return 'none yet'
  if (proofs.running) return `${proofs.results.length} of ${proofs.of} run`
  const differ = proofs.differing.length
  const agree = proofs.results.length - differ
  if (differ === 0) return `${agree} ${agree === 1 ? 'agrees' : 'agree'}`
  return `${agree} agree, ${differ} ${differ === 1 ? 'differs' : 'differ'}`
})
const marks = computed(() =>
  (draft.document?.proofs ?? [])
    .slice(0, 40)
    .map(({ id, name }) => ({ id, name, result: proofs.results.find((one) => one.id === id) })),
)
</script>

<template>
  <div class="proofs">
    <strong>Proofs</strong>
    <span class="marks" aria-hidden="true">
      <i
        v-for="mark in marks"
        :key="mark.id"
        :title="mark.name"
        :class="mark.result === undefined ? 'waits' : mark.result.agrees ? 'agrees' : 'differs'"
      ></i>
    </span>
    <span role="status">{{ words }}</span>
    <button v-if="proofs.running" type="button" class="link" @click="proofs.stop">Stop</button>
    <button type="button" class="link" @click="open = true">
      {{ proofs.differing.length ? 'Look at it' : count ? 'Look at them' : 'Make one' }}
    </button>
    <ProofsPanel v-if="draft.document" v-model:open="open" :document="draft.document" />
  </div>
</template>

<style scoped>
.proofs {
  display: flex;
  align-items: center;
  gap: 10px;
  white-space: nowrap;
}
.marks {
  display: flex;
  gap: 3px;
  align-items: end;
  height: 20px;
}
.marks i {
  width: 8px;
  height: 20px;
  border-radius: 2px;
  background: var(--leaf);
}
.marks .waits {
  background: var(--line);
}
.marks .differs {
  height: 12px;
  border-radius: 50%;
  width: 12px;
  background: var(--red);
}
</style>
