<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import type { CalculatorDocument, CalculatorStep, Compiled, Evaluation } from '@vivid/core'
import { compileSentence } from '@vivid/contract'
import { createFigures } from '@vivid/contract/wording'
import LoanEditor from './LoanEditor.vue'
import PageEditor from './PageEditor.vue'
import QuestionEditor from './QuestionEditor.vue'
import ReadoutEditor from './ReadoutEditor.vue'
import { stepClause } from './step-clause'
import { stepValue } from './step-value'
import TapeLine from './TapeLine.vue'
import './editor.css'

/** A calculator as one tape: every step a line, with its value for the sample visitor, opened in place to edit. */
const { document, compiled, evaluation } = defineProps<{
  document: CalculatorDocument
  compiled: Compiled
  evaluation: Evaluation | undefined
}>()

const PAGE_LINE = 'page'
const openLine = ref<string>()
const chosen = ref<string>()
const tape = useTemplateRef<HTMLElement>('tape')
const figures = computed(() => createFigures(document.locale, document.currency))

interface Section {
  readonly title: string
  readonly says: string
  readonly kind: CalculatorStep['kind']
}
const sections: readonly Section[] = [
  { title: 'Questions', says: 'what the visitor is asked', kind: 'question' },
  { title: 'The loan', says: 'what it is worked out on', kind: 'loan' },
  { title: 'Readouts', says: 'what the visitor sees', kind: 'readout' },
]
const lines = computed(() =>
  document.steps.map((step, index) => {
    const value = stepValue(step, evaluation, figures.value)
    const compileProblem = compiled.problems.find((problem) => problem.step === step.id)
    return {
      step,
      number: index + 1,
      clause: stepClause(step, document, figures.value),
      value: value.text,
      problem: compileProblem ? compileSentence(compileProblem) : value.problem,
    }
  }),
)

function relationOf(id: string): 'gives' | 'takes' | undefined {
  if (chosen.value === undefined || chosen.value === id) return undefined
  if (compiled.uses.get(chosen.value)?.includes(id)) return 'gives'
  return compiled.uses.get(id)?.includes(chosen.value) ? 'takes' : undefined
}

function toggle(id: string): void {
  openLine.value = openLine.value === id ? undefined : id
}

/** Arrow keys walk the lines; Escape closes the open one and goes back to it. */
function onKey(event: KeyboardEvent): void {
  if (event.key === 'Escape' && openLine.value !== undefined) {
    const id = openLine.value
    openLine.value = undefined
    void nextTick(() => window.document.getElementById(`line-${id}`)?.focus())
    return
  }
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (
    step === undefined ||
    !(event.target instanceof HTMLElement) ||
    !event.target.matches('[data-tape-line]')
  )
    return
  event.preventDefault()
  const all = [...(tape.value?.querySelectorAll<HTMLElement>('[data-tape-line]') ?? [])]
  all[all.indexOf(event.target) + step]?.focus()
}

/** Opens a line from elsewhere (a problem at the foot) and goes there. */
async function goTo(id: string): Promise<void> {
  openLine.value = id
  await nextTick()
  const line = window.document.getElementById(`line-${id}`)
  line?.focus()
  line?.scrollIntoView({ block: 'center' })
}
defineExpose({ goTo })
</script>

<template>
  <div ref="tape" class="tape" @keydown="onKey">
    <p class="sample soft">
      Values below are for <strong>{{ document.sample.name }}</strong>
    </p>
    <ul>
      <TapeLine
        :id="PAGE_LINE"
        :number="undefined"
        name="Title and words"
        clause="what stands above and below the figures"
        :value="document.currency"
        :problem="undefined"
        :open="openLine === PAGE_LINE"
        :chosen="chosen === PAGE_LINE"
        :relation="undefined"
        @toggle="toggle(PAGE_LINE)"
        @choose="chosen = PAGE_LINE"
      >
        <PageEditor :document="document" />
      </TapeLine>
    </ul>
    <section v-for="section in sections" :key="section.kind" :aria-label="section.title">
      <h3>
        {{ section.title }} <span class="soft">{{ section.says }}</span>
      </h3>
      <ul>
        <TapeLine
          v-for="line in lines.filter(({ step }) => step.kind === section.kind)"
          :id="line.step.id"
          :key="line.step.id"
          :number="line.number"
          :name="line.step.name"
          :clause="line.clause"
          :value="line.value"
          :problem="line.problem"
          :open="openLine === line.step.id"
          :chosen="chosen === line.step.id"
          :relation="relationOf(line.step.id)"
          @toggle="toggle(line.step.id)"
          @choose="chosen = line.step.id"
        >
          <QuestionEditor v-if="line.step.kind === 'question'" :question="line.step" :document="document" />
          <LoanEditor v-else-if="line.step.kind === 'loan'" :loan="line.step" />
          <ReadoutEditor v-else :readout="line.step" />
        </TapeLine>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.tape {
  padding: 14px 0 24px;
}
.sample {
  padding: 0 20px 8px 94px;
}
ul {
  margin: 0;
  padding: 0;
}
h3 {
  padding: 9px 20px 2px 94px;
  font-size: 16px;
  color: var(--plum);
}
h3 span {
  margin-left: 6px;
  font: 400 14px var(--text);
}
</style>
