<script setup lang="ts">
import { computed, h, type VNode } from 'vue'
import type { RichText, RichTextBlock, RichTextRun } from '@vivid/core/evaluate'

const { text } = defineProps<{ text: RichText | undefined }>()

/** Drawn element by element: nothing in a text is ever read as HTML. */
function run(one: RichTextRun): VNode | string {
  if (one.type === 'hardBreak') return h('br')
  return (one.marks ?? []).reduce<VNode | string>((inner, mark) => {
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
