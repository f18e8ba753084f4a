<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue'
import { begunBy, type Answers, type Program, type RateSheet } from '@vivid/core'
import { isFrameMessage, type FrameMessage, type HouseStyle, type PreviewMark } from '@vivid/contract'
import { localNow } from '../time/local-today'

/** The visitor's own page in a frame, drawn smaller where it is wider than its room. */
const {
  program,
  answers,
  turn = 0,
  houseStyle,
  sheets,
  now = localNow(),
  language,
  width,
  marks = [],
  sight = undefined,
  title,
} = defineProps<{
  program: Program
  /** What it begins with. What is typed in it stays until these, or their turn, are others. */
  answers: Answers
  turn?: number
  houseStyle: HouseStyle
  sheets: readonly RateSheet[]
  /** The minute it is shown for, "2026-11-25T09:41"; now where nothing is said. */
  now?: string
  language: string
  /** CSS pixels. */
  width: number
  marks?: readonly PreviewMark[]
  /** The step that is brought into sight at first. */
  sight?: string | undefined
  title: string
}>()
const emit = defineEmits<{ answers: [Answers]; asked: []; scale: [number] }>()

const pane = useTemplateRef<HTMLElement>('pane')
const frame = useTemplateRef<HTMLIFrameElement>('frame')
const room = ref({ width: 390, height: 600 })
const scale = computed(() => Math.min(1, room.value.width / width))
watch(scale, (now) => emit('scale', now), { immediate: true })

function tell(message: FrameMessage): void {
  // Plain data only: what Vue watches cannot be sent to another frame.
  frame.value?.contentWindow?.postMessage(JSON.parse(JSON.stringify(message)), window.location.origin)
}
const show = () =>
  tell({
    vividMeter: 'preview',
    content: { format: 'vivid-meter/edition', version: 1, program, style: houseStyle },
    answers,
    turn,
    today: now.slice(0, 10),
    sheets: sheets.map((sheet) => begunBy(sheet, now)),
    language,
    marks,
    ...(sight !== undefined && { sight }),
  })
defineExpose({
  bringIntoSight: (of: string) => tell({ vividMeter: 'previewShow', of }),
  ask: () => tell({ vividMeter: 'previewAsk' }),
})

function onMessage({ origin, source, data }: MessageEvent): void {
  if (origin !== window.location.origin || source !== frame.value?.contentWindow) return
  if (!isFrameMessage(data)) return
  if (data.vividMeter === 'previewReady') show()
  if (data.vividMeter === 'previewAnswers') emit('answers', data.answers)
  if (data.vividMeter === 'previewAsked') emit('asked')
}

const resized = new ResizeObserver(([entry]) => {
  if (entry) room.value = { width: entry.contentRect.width, height: entry.contentRect.height }
})
onMounted(() => {
  window.addEventListener('message', onMessage)
  if (pane.value) resized.observe(pane.value)
})
onBeforeUnmount(() => {
  window.removeEventListener('message', onMessage)
  resized.disconnect()
})
watch(() => [program, answers, turn, sheets, houseStyle, language, now, marks], show)
</script>

<template>
  <div ref="pane" class="pane">
    <iframe
      ref="frame"
      src="/preview"
      :title="title"
      :style="{ width: `${width}px`, height: `${room.height / scale}px`, transform: `scale(${scale})` }"
    ></iframe>
  </div>
</template>

<style scoped>
.pane {
  flex: 1;
  min-height: 0;
  overflow: hidden;
}
iframe {
  display: block;
  border: 0;
  border-radius: 8px;
  background: #fff;
  transform-origin: 0 0;
}
</style>
