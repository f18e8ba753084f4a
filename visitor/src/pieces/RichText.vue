<script setup lang="ts">
import { computed, h, type VNode } from 'vue'
import ExplainedText from './ExplainedText.vue'
import type { Calculator } from '../model/use-calculator'
import type { RichText, RichTextBlock, RichTextRun } from '@vivid/core/evaluate'

/** With a calculator its words of the trade are explained where they stand. */
const { text, calculator = undefined } = defineProps<{
  text: RichText | undefined
  calculator?: Calculator | undefined
}>()

/** Drawn element by element: nothing in a text is ever read as HTML. */
function run(one: RichTextRun): VNode | string {
  if (one.type === 'hardBreak') return h('br')
  const marks = one.marks ?? []
  if (calculator && marks.length === 0) return h(ExplainedText, { text: one.text, calculator })
  return marks.reduce<VNode | string>((inner, mark) => {
    if (mark.type === 'bold') return h('strong', inner)
    if (mark.type === 'italic') return h('em', inner)
    return h('a', { href: mark.attrs.href, target: '_blank', rel: 'noopener noreferrer' }, inner)
  }, one.text)
}

const paragraph = (one: { content?: RichTextRun[] | undefined }) => h('p', (one.content ?? []).map(run))

function block(one: RichTextBlock): VNode {
  if (one.type === 'paragraph') return paragraph(one)
  const items = one.content.map((item) => h('li', item.content.map(paragraph)))
  return h(one.type === 'bulletList' ? 'ul' : 'ol', items)
}

const blocks = computed(() => (text?.content ?? []).map(block))
</script>

<template>
  <div class="rich"><component :is="one" v-for="(one, i) in blocks" :key="i" /></div>
</template>
