<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue'
import type { Look } from '@vivid/contract/pictures'

/** A picture as wide as there is room, in the colours of the house style; its sentence stands for it. */
const { draw, isRtl } = defineProps<{
  draw: (look: Look) => string
  label: string
  isRtl: boolean
}>()

const HEIGHT = 250
const place = useTemplateRef<HTMLElement>('place')
const width = ref(640)
let observer: ResizeObserver | undefined
onMounted(() => {
  observer = new ResizeObserver(([entry]) => {
    // Not seen, as in a closed part, it has no width.
    if (entry && entry.contentRect.width > 0) width.value = Math.floor(entry.contentRect.width)
  })
  if (place.value) observer.observe(place.value)
})
onBeforeUnmount(() => observer?.disconnect())

const parts = ['--principal', '--interest', '--part-2', '--part-3', '--part-4', '--part-5']
const svg = computed(() =>
  draw({
    width: width.value,
    height: HEIGHT,
    fontSize: 13,
    font: 'inherit',
    knowsPaintOrder: true,
    isRtl,
    // Each text keeps its own direction in a picture whose places are counted from the left.
    ...(isRtl && { inOrder: (text: string) => [`\u2067${text}\u2069`] }),
    colours: {
      ink: 'var(--ink)',
      soft: 'var(--ink-soft)',
      line: 'var(--line-soft)',
      ground: 'var(--card)',
      fill: 'var(--accent-soft)',
      parts: parts.map((name) => `var(${name})`),
    },
  }),
)
</script>

<template>
  <!-- What is drawn is made of figures and escaped words. -->
  <!-- eslint-disable-next-line vue/no-v-html -->
  <div ref="place" class="picture" dir="ltr" role="img" :aria-label="label" v-html="svg"></div>
</template>
