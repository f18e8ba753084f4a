<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { hasWord, type Explained } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'

/** A text whose words of the trade are explained where they stand; `also`: other texts whose words are explained behind it. */
const {
  text,
  calculator,
  also = [],
} = defineProps<{ text: string; calculator: Calculator; also?: readonly string[] }>()

type Word = Exclude<Explained, string>
type Piece = string | (Word & { readonly asks?: string })

const isWord = (piece: Explained): piece is Word => typeof piece !== 'string'
/** The text in pieces, then what the other texts have to explain and it has not: each of these asked for by its word. */
const pieces = computed((): Piece[] => {
  const explain = calculator.explain.value
  const own = explain(text)
  const said = new Set(own.filter(isWord).map(({ means }) => means))
  const further = also.flatMap((other) =>
    explain(other).flatMap((piece) => {
      if (!isWord(piece) || said.has(piece.means)) return []
      said.add(piece.means)
      return [' ', { ...piece, asks: calculator.words.value.whatMeans(piece.word) }]
    }),
  )
  return [...own, ...further]
})
const open = ref<Word['means']>()
const id = useId()
</script>

<template>
  <template v-for="(piece, i) in pieces" :key="i">
    <template v-if="typeof piece === 'string'">{{ piece }}</template>
    <button
      v-else
      type="button"
      class="word"
      :aria-expanded="open === piece.means"
      :aria-controls="id"
      @click="open = open === piece.means ? undefined : piece.means"
      v-text="piece.asks ?? piece.word"
    ></button>
  </template>
  <span v-if="hasWord(pieces)" :id="id" class="meaning" role="status">
    <template v-if="open">{{ open(calculator.facts.value) }}</template>
  </span>
</template>
