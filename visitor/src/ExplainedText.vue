<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { Calculator } from './model/use-calculator'

/** A text whose words of the trade are explained where they stand; `also`: other texts whose words are explained behind it. */
const {
  text,
  calculator,
  also = [],
} = defineProps<{ text: string; calculator: Calculator; also?: readonly string[] }>()

type Word = Exclude<ReturnType<Calculator['explain']>[number], string>

const pieces = computed(() => calculator.explain(text))
const isWord = (piece: string | Word): piece is Word => typeof piece !== 'string'
/** What the other texts have to explain, and this one has not. */
const further = computed(() => {
  const here = pieces.value.filter(isWord)
  const found = also.flatMap((other) => calculator.explain(other).filter(isWord))
  return found.filter(
    ({ means }, i) =>
      !here.some((one) => one.means === means) && found.findIndex((one) => one.means === means) === i,
  )
})
const open = ref<Word>()
const isOpen = (word: Word) => open.value?.means === word.means
const toggle = (word: Word) => (open.value = isOpen(word) ? undefined : word)
const id = useId()
</script>

<template>
  <template v-for="(piece, i) in pieces" :key="i">
    <template v-if="!isWord(piece)">{{ piece }}</template>
    <button
      v-else
      type="button"
      class="word"
      :aria-expanded="isOpen(piece)"
      :aria-controls="id"
      @click="toggle(piece)"
      v-text="piece.word"
    ></button>
  </template>
  <template v-for="word in further" :key="word.word">
    {{ ' ' }}
    <button
      type="button"
      class="word"
      :aria-expanded="isOpen(word)"
      :aria-controls="id"
      @click="toggle(word)"
      v-text="calculator.words.value.whatMeans(word.word)"
    ></button>
  </template>
  <span v-if="pieces.length > 1 || further.length > 0" :id="id" class="meaning" role="status">
    <template v-if="open">{{ open.means(calculator.facts.value) }}</template>
  </span>
</template>
