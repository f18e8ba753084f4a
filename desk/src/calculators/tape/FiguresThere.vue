<script setup lang="ts">
import { computed } from 'vue'
import {
  checkFormula,
  figuresOf,
  plainName,
  type CalculatorDocument,
  type Scope,
  type Wanted,
} from '@vivid/core'
import { figureWords } from '@vivid/contract'

/** The figures there are, to be shown with one click while nothing is written yet: those most asked for. */
const { document, scope, takes } = defineProps<{
  document: CalculatorDocument
  scope: Scope
  takes: Wanted
}>()
const emit = defineEmits<{ choose: [formula: string] }>()

const MOST = 10
const EACH = 5
const offered = computed(() => {
  const all = document.steps.flatMap(({ kind, name }) => {
    const unit = scope.steps.get(plainName(name))?.unit
    if (unit?.is === 'figures')
      return Object.entries(figureWords[unit.of])
        .filter(([figure]) => figuresOf[unit.of][figure]?.is !== 'figures')
        .map(([figure, says]) => ({ formula: `${name}.${figure}`, says, from: name }))
    return kind === 'working' || kind === 'lookUp' ? [{ formula: name, says: '', from: name }] : []
  })
  const fitting = all.filter(({ formula }) => checkFormula(formula, takes, scope).formula)
  const few = fitting.filter(
    ({ from }, at) => fitting.slice(0, at).filter((other) => other.from === from).length < EACH,
  )
  return few.slice(0, MOST)
})
</script>

<template>
  <div v-if="offered.length" class="offered wide" role="group" aria-label="Figures there are">
    <span class="soft">Figures there are:</span>
    <button
      v-for="{ formula, says } in offered"
      :key="formula"
      type="button"
      class="link"
      :title="says"
      @click="emit('choose', formula)"
    >
      {{ formula }}
    </button>
  </div>
</template>

<style scoped>
.offered {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  font-size: 14px;
}
</style>
