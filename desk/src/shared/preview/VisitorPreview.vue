<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue'
import { mainLanguage, begunBy, type Answers, type Program, type RateSheet } from '@vivid/core'
import { isFrameMessage, type FrameMessage, type HouseStyle } from '@vivid/contract'
import { languageName } from '../fields/language-name'
import { localNow } from '../time/local-today'
import WidthRuler from './WidthRuler.vue'

/** The visitor's own page beside the tape, alive with the draft. */
const {
  program,
  answers,
  houseStyle,
  sheets,
  now = localNow(),
  title = 'As the visitor sees it',
} = defineProps<{
  program: Program
  answers: Answers
  houseStyle: HouseStyle
  sheets: readonly RateSheet[]
  /** The minute it is shown for, "2026-11-25T09:41"; now where nothing is said. */
  now?: string
  title?: string
}>()

const language = ref(mainLanguage(program))

const width = ref(390)
const pane = useTemplateRef<HTMLElement>('pane')
const frame = useTemplateRef<HTMLIFrameElement>('frame')
const room = ref({ width: 390, height: 600 })
const scale = computed(() => Math.min(1, room.value.width / width.value))

function show(): void {
  const content = { format: 'vivid-meter/edition', version: 1, program, style: houseStyle } as const
  const message: FrameMessage = {
    vividMeter: 'preview',
    content,
    answers,
    today: now.slice(0, 10),
    sheets: sheets.map((sheet) => begunBy(sheet, now)),
    language: language.value,
  }
  // Plain data only: what Vue watches cannot be sent to another frame.
  frame.value?.contentWindow?.postMessage(JSON.parse(JSON.stringify(message)), window.location.origin)
}

function onMessage({ origin, source, data }: MessageEvent): void {
  if (origin !== window.location.origin || source !== frame.value?.contentWindow) return
  if (isFrameMessage(data) && data.vividMeter === 'previewReady') show()
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
watch(
  () => program.languages,
  (now) => {
    if (!now.includes(language.value)) language.value = now[0] ?? 'en-CA'
  },
)
watch(() => [program, answers, sheets, houseStyle, language.value, now], show)
</script>

<template>
  <section class="preview" :aria-label="title">
    <div class="head">
      <h3>{{ title }}</h3>
      <span class="soft"
        >{{ width }} px wide{{ scale < 1 ? `, drawn at ${Math.round(scale * 100)}%` : '' }}</span
      >
    </div>
    <div
      v-if="program.languages.length > 1"
      class="languages"
      role="group"
      aria-label="Language of the preview"
    >
      <button
        v-for="one in program.languages"
        :key="one"
        type="button"
        :aria-pressed="one === language"
        :title="languageName(one)"
        @click="language = one"
      >
        {{ one.slice(0, 2) }}
      </button>
    </div>
    <WidthRuler v-model="width" />
    <div ref="pane" class="pane">
      <iframe
        ref="frame"
        src="/preview"
        title="The calculator as the visitor sees it"
        :style="{ width: `${width}px`, height: `${room.height / scale}px`, transform: `scale(${scale})` }"
      ></iframe>
    </div>
  </section>
</template>

<style scoped>
.preview {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 14px 18px 16px;
  background: #ece6da;
}
.preview {
  position: relative;
}
.languages {
  position: absolute;
  top: 10px;
  right: 18px;
  display: flex;
  gap: 2px;
}
.languages button {
  min-width: 34px;
  min-height: 26px;
  border: 1px solid var(--control-line);
  border-radius: 5px;
  background: var(--card);
  font-size: 13px;
  font-weight: 600;
  text-transform: uppercase;
  cursor: pointer;
}
.languages button[aria-pressed='true'] {
  background: var(--ink);
  color: #fff;
}
.head:has(+ .languages) {
  padding-right: 90px;
}
.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 12px;
}
h3 {
  font: 700 15px var(--text);
}
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
