<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'

/** A ruler on which the width of the visitor's view is set: by dragging its edge, by keyboard, or at a mark. */
const width = defineModel<number>({ required: true })
const LEAST = 320
const MOST = 1280
const marks = [360, 768, 1280]
const ruler = useTemplateRef<HTMLElement>('ruler')

const place = (px: number) => ((px - LEAST) / (MOST - LEAST)) * 100
const set = (px: number) => (width.value = Math.round(Math.min(MOST, Math.max(LEAST, px))))
const at = computed(() => place(width.value))

function drag(event: PointerEvent): void {
  if (event.buttons !== 1 || !ruler.value) return
  const { left, width: length } = ruler.value.getBoundingClientRect()
  set(LEAST + ((event.clientX - left) / length) * (MOST - LEAST))
}

function grab(event: PointerEvent): void {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  drag(event)
}

function onKey(event: KeyboardEvent): void {
  const next: Record<string, number | undefined> = {
    ArrowRight: width.value + 10,
    ArrowLeft: width.value - 10,
    PageUp: marks.find((mark) => mark > width.value) ?? MOST,
    PageDown: [...marks].reverse().find((mark) => mark < width.value) ?? LEAST,
    Home: LEAST,
    End: MOST,
  }
  const px = next[event.key]
  if (px === undefined) return
  event.preventDefault()
  set(px)
}
</script>

<template>
  <div class="width-ruler">
    <div ref="ruler" class="ruler" @pointerdown="grab" @pointermove="drag">
      <span class="run" :style="{ width: `${at}%` }"></span>
      <button
        type="button"
        class="edge"
        role="slider"
        aria-label="Width of the visitor’s view"
        :aria-valuemin="LEAST"
        :aria-valuemax="MOST"
        :aria-valuenow="width"
        :aria-valuetext="`${width} pixels`"
        :style="{ left: `${at}%` }"
        @keydown="onKey"
      ></button>
    </div>
    <div class="marks">
      <button
        v-for="mark in marks"
        :key="mark"
        type="button"
        :class="{ last: mark === MOST, first: mark === marks[0] }"
        :style="{ left: `${place(mark)}%` }"
        :aria-pressed="width === mark"
        :aria-label="`${mark} pixels wide`"
        @click="set(mark)"
      >
        {{ mark }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.width-ruler {
  padding: 6px 8px 6px 0;
}
.ruler {
  position: relative;
  height: 18px;
  border-bottom: 2px solid var(--ink);
  background: repeating-linear-gradient(to right, #8c8299 0 1px, transparent 1px 4.1667%) bottom / 100% 7px
    no-repeat;
  cursor: ew-resize;
  touch-action: none;
}
.run {
  position: absolute;
  bottom: -3px;
  left: 0;
  height: 4px;
  background: var(--red);
}
.edge {
  position: absolute;
  bottom: -7px;
  width: 24px;
  height: 24px;
  margin-left: -12px;
  padding: 0;
  border: 0;
  background: none;
  cursor: ew-resize;
}
.edge::before {
  content: '';
  position: absolute;
  inset: 0 6px;
  border: 2px solid var(--ink);
  border-radius: 4px;
  background: var(--sun);
}
.marks {
  position: relative;
  height: 24px;
  margin-top: 9px;
}
.marks button {
  position: absolute;
  top: 0;
  transform: translateX(-50%);
  padding: 2px 4px;
  border: 0;
  background: none;
  font-size: 13px;
  color: var(--ink-soft);
  cursor: pointer;
}
.marks .last {
  transform: translateX(-88%);
}
.marks .first {
  transform: translateX(-30%);
}
.marks button[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
}
</style>
