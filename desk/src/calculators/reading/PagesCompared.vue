<script setup lang="ts">
import { computed, reactive, useTemplateRef, watch } from 'vue'
import { mainLanguage, type Answers, type Program } from '@vivid/core'
import type { PreviewMark } from '@vivid/contract'
import PreviewFrame from '../../shared/preview/PreviewFrame.vue'
import type { ReadPage } from './reading'

/** The page as it is and as it would be, beside each other. What is answered on one is answered on the other. */
const { begin, before, after, language } = defineProps<{
  /** What both begin with. */
  begin: Answers
  before: { readonly page: ReadPage; readonly title: string } | undefined
  after: { readonly page: ReadPage; readonly title: string }
  language: string
  width: number
  marks: Readonly<Record<Side, readonly PreviewMark[]>>
}>()
const emit = defineEmits<{ answers: [Answers] }>()

type Side = 'before' | 'after'
const given = reactive({ before: { answers: begin, turn: 0 }, after: { answers: begin, turn: 0 } })
let answers = begin
const give = (side: Side) => (given[side] = { answers, turn: given[side].turn + 1 })
watch(
  () => begin,
  () => {
    answers = begin
    give('before')
    give('after')
  },
)

const asks = (side: Side, id: string) =>
  (side === 'before' ? before : after)?.page.program.steps.some(({ step }) => step.id === id) ?? false
function heard(side: Side, told: Answers): void {
  const changed = Object.keys(told).filter((id) => JSON.stringify(told[id]) !== JSON.stringify(answers[id]))
  if (changed.length === 0) return
  answers = { ...answers, ...told }
  emit('answers', answers)
  const other = side === 'before' ? 'after' : 'before'
  // A page that is typed in is left alone while it would hear of nothing it asks.
  if (changed.some((id) => asks(other, id))) give(other)
}

const sides = computed(() =>
  (
    [
      ['before', before],
      ['after', after],
    ] as const
  ).flatMap(([side, shown]) => (shown ? [{ side, ...shown }] : [])),
)
/** A page that does not speak it is shown in its main language. */
const spoken = (program: Program) => (program.languages.includes(language) ? language : mainLanguage(program))

const frames = useTemplateRef<InstanceType<typeof PreviewFrame>[]>('frames')
/** Results that wait for a button are asked for on both at once. */
const askOthers = (side: Side) =>
  frames.value?.forEach((frame, i) => sides.value[i]?.side !== side && frame.ask())
defineExpose({
  bringIntoSight: (of: string) => frames.value?.forEach((frame) => frame.bringIntoSight(of)),
})
</script>

<template>
  <div class="pages" :class="{ one: !before }">
    <section v-for="{ side, page, title } in sides" :key="side" :aria-label="title">
      <h3>{{ title }}</h3>
      <PreviewFrame
        ref="frames"
        :program="page.program"
        :answers="given[side].answers"
        :turn="given[side].turn"
        :house-style="page.style"
        :sheets="page.sheets"
        :language="spoken(page.program)"
        :width="width"
        :marks="marks[side]"
        :title="title"
        @answers="heard(side, $event)"
        @asked="askOthers(side)"
      />
    </section>
  </div>
</template>

<style scoped>
.pages {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 16px;
  height: min(66vh, 720px);
  min-height: 420px;
}
.pages.one {
  grid-template-columns: minmax(0, 1fr);
}
section {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
h3 {
  margin-bottom: 6px;
  font: 700 15px var(--text);
}
</style>
