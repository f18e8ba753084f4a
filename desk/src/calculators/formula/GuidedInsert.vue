<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { computed, reactive, ref } from 'vue'
import type { Scope } from '@vivid/core'
import { entered } from '../../shared/fields/entered'
import { phrases, type Blank } from './phrases'

/** For those who will not type formulas: a phrase is chosen, its blanks are filled, and it is put in. */
const { scope } = defineProps<{ id: string; scope: Scope }>()
const emit = defineEmits<{ insert: [text: string] }>()

const chosen = ref('')
const phrase = computed(() => phrases.find(({ id }) => id === chosen.value))
const filled = reactive<Record<string, string>>({})
const isFull = computed(() => phrase.value?.blanks.every(({ name }) => filled[name]?.trim()) ?? false)

/** The phrase in pieces: words, and the blanks between them. */
const pieces = computed(() =>
  (phrase.value?.says ?? '')
    .split(/(\{\w+\})/)
    .filter(Boolean)
    .map((text) => {
      const name = /^\{(\w+)\}$/.exec(text)?.[1]
      return { text, blank: phrase.value?.blanks.find((one) => one.name === name) }
    }),
)
const optionsFor = ({ of }: Blank) =>
  [...scope.steps].filter(([, { unit }]) => unit && (!of || of.includes(unit.is))).map(([name]) => name)

function choose(id: string): void {
  chosen.value = id
  for (const name of Object.keys(filled)) delete filled[name]
}
function put(): void {
  if (!phrase.value || !isFull.value) return
  emit('insert', phrase.value.formula(filled))
  choose('')
}
</script>

<template>
  <div class="guided">
    <label :for="`${id}-phrase`" class="lead">Put in</label>
    <select :id="`${id}-phrase`" class="pick" :value="chosen" @change="choose(entered($event))">
      <option value="">a phrase …</option>
      <option v-for="one in phrases" :key="one.id" :value="one.id">
        {{ one.says.replace(/\{\w+\}/g, '…') }}
      </option>
    </select>
    <template v-if="phrase">
      <div class="phrase">
        <template v-for="(piece, i) in pieces" :key="i">
          <Input
            v-if="piece.blank"
            v-model:value="filled[piece.blank.name]"
            :aria-label="piece.blank.name"
            :placeholder="piece.blank.name"
            :list="`${id}-${piece.blank.name}`"
            autocomplete="off"
            size="small"
            @press-enter="put"
          />
          <span v-else>{{ piece.text }}</span>
          <datalist v-if="piece.blank" :id="`${id}-${piece.blank.name}`">
            <option v-for="name in optionsFor(piece.blank)" :key="name" :value="name"></option>
          </datalist>
        </template>
        <Button size="small" :disabled="!isFull" @click="put">Put it in</Button>
      </div>
    </template>
  </div>
</template>

<style scoped>
.guided {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
  margin-top: 6px;
  font-size: 14px;
}
.editor .guided .lead {
  margin: 0;
}
.phrase {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}
.phrase :deep(input) {
  width: 150px;
}
</style>
