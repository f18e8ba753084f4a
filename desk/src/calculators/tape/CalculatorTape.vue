<script setup lang="ts">
import { message } from 'ant-design-vue'
import { computed, nextTick, useTemplateRef } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import {
  mainLanguage,
  duplicateStep,
  insertStep,
  isGentle,
  moveStep,
  textIn,
  type CalculatorDocument,
  type CalculatorStep,
  type Compiled,
  type Evaluation,
} from '@vivid/core'
import { compileSentence } from '@vivid/contract'
import { figuresFor } from '@vivid/contract/wording'
import { useDraft } from '../draft/draft-store'
import { PAGE_LINE, useTape } from '../draft/tape-store'
import AddStep from './AddStep.vue'
import PageEditor from './PageEditor.vue'
import StepEditor from './StepEditor.vue'
import { stepClause } from './step-clause'
import { partOf, parts, type PartId, type StepKind } from './step-kinds'
import { stepValue } from './step-value'
import { takenOver } from './taken-over'
import TapeLine from './TapeLine.vue'

/** A calculator as one tape: every step a line, with its value for the sample visitor, opened in place to edit. */
const { document, compiled, evaluation } = defineProps<{
  document: CalculatorDocument
  compiled: Compiled
  evaluation: Evaluation | undefined
}>()

const draft = useDraft()
const tape = useTape()
const root = useTemplateRef<HTMLElement>('root')
const main = computed(() => mainLanguage(document))
const figures = computed(() => figuresFor(compiled.program, main.value))

const ordered = computed(() =>
  parts.flatMap(({ id }) => document.steps.filter((step) => partOf(step) === id)),
)
const lines = computed(() => {
  const problems = new Map<string | undefined, (typeof compiled.problems)[number][]>()
  for (const problem of compiled.problems)
    problems.set(problem.step, [...(problems.get(problem.step) ?? []), problem])
  return ordered.value.map((step, index) => {
    const own = problems.get(step.id) ?? []
    const stops = own.find((problem) => !isGentle(problem))
    const asks = own.find((problem) => isGentle(problem) && problem.code !== 'TEXT_NOT_TRANSLATED')
    const value = stepValue(step, evaluation, figures.value)
    return {
      step,
      number: index + 1,
      name:
        step.kind === 'readout' || step.kind === 'section'
          ? textIn(step.label, main.value, main.value) || step.name
          : step.name,
      clause: stepClause(step, document, figures.value, draft.sheets),
      value,
      problem: stops ? compileSentence(stops) : value.problem,
      question: asks && compileSentence(asks),
    }
  })
})
const linesOf = (part: PartId) => lines.value.filter(({ step }) => partOf(step) === part)

function relationOf(id: string): 'gives' | 'takes' | undefined {
  const { chosen } = tape
  if (chosen === undefined || chosen === id) return undefined
  if (compiled.uses.get(chosen)?.includes(id)) return 'gives'
  return compiled.uses.get(id)?.includes(chosen) ? 'takes' : undefined
}

function add(kind: StepKind): void {
  const step = kind.make(document)
  const before = document.steps.filter((other) => partOf(other) === kind.part).at(-1)
  const added = insertStep(document, step, before?.id ?? document.steps.at(-1)?.id)
  draft.change(added)
  if (kind.id === 'loan') takeOver(added, step)
  void tape.goTo(step.id)
}

/** A new loan begins with the values there are; a change of its own, so that one Undo leaves it empty. */
function takeOver(added: CalculatorDocument, loan: CalculatorStep): void {
  const taken = takenOver(document, compiled.scope)
  if (!taken || loan.kind !== 'loan') return
  const filled = { ...loan, terms: { ...loan.terms, ...taken.terms } }
  draft.change({ ...added, steps: added.steps.map((one) => (one.id === loan.id ? filled : one)) })
  void message.info(`The loan takes ${taken.says}. Undo leaves it empty.`, 6)
}

/** The steps of a part in a new order, as they were dragged; the others stay where they are. */
function reorder(part: PartId, now: readonly { step: CalculatorStep }[]): void {
  const next = now.map(({ step }) => step)
  const rest = [...next]
  const steps = document.steps.map((step) => (partOf(step) === part ? (rest.shift() ?? step) : step))
  if (steps.some((step, i) => step.id !== document.steps[i]?.id)) draft.change({ ...document, steps })
}

/** One place up or down within its part. */
function move(id: string, by: 1 | -1): void {
  const step = document.steps.find((one) => one.id === id)
  if (!step) return
  const siblings = document.steps.filter((one) => partOf(one) === partOf(step))
  const neighbour = siblings[siblings.indexOf(step) + by]
  if (!neighbour) return
  draft.change(moveStep(document, id, document.steps.indexOf(neighbour)))
  void nextTick(() => tape.focusLine(id))
}

/** Arrow keys walk the lines, with Alt they move one; Escape closes the open one and goes back to it. */
function onKey(event: KeyboardEvent): void {
  const { target, key, altKey } = event
  // Escape that closed a list of completions has done its work.
  if (!(target instanceof HTMLElement) || event.defaultPrevented) return
  if (key === 'Escape' && tape.openLine !== undefined) {
    const id = tape.openLine
    tape.openLine = undefined
    void tape.focusLine(id)
    return
  }
  if (!target.matches('[data-tape-line]')) return
  const id = target.id.replace(/^line-/, '')
  const isStep = document.steps.some((step) => step.id === id)
  if (altKey && isStep && key.toLowerCase() === 'd') {
    event.preventDefault()
    const copy = duplicateStep(document, id)
    draft.change(copy.document)
    void tape.focusLine(copy.id)
    return
  }
  const by = ({ ArrowDown: 1, ArrowUp: -1 } as const)[key]
  if (by === undefined) return
  event.preventDefault()
  if (altKey && isStep) return move(id, by)
  const all = [...(root.value?.querySelectorAll<HTMLElement>('[data-tape-line]') ?? [])]
  all[all.indexOf(target) + by]?.focus()
}
</script>

<template>
  <div ref="root" class="tape" @keydown="onKey">
    <ul>
      <TapeLine
        :id="PAGE_LINE"
        :number="undefined"
        name="Title, languages and words"
        :clause="document.languages.join(', ')"
        :value="document.currency"
        :problem="undefined"
        :open="tape.openLine === PAGE_LINE"
        :chosen="tape.chosen === PAGE_LINE"
        :relation="undefined"
        @toggle="tape.toggle(PAGE_LINE)"
        @choose="tape.chosen = PAGE_LINE"
      >
        <PageEditor :document="document" />
      </TapeLine>
    </ul>
    <section v-for="part in parts" :key="part.id" :aria-label="part.title">
      <AddStep :part="part.id" @add="add">
        <h3>
          {{ part.title }} <span class="soft">{{ part.says }}</span>
        </h3>
      </AddStep>
      <VueDraggable
        :model-value="linesOf(part.id)"
        tag="ul"
        handle=".grip"
        :animation="120"
        @update:model-value="reorder(part.id, $event)"
      >
        <TapeLine
          v-for="line in linesOf(part.id)"
          :id="line.step.id"
          :key="line.step.id"
          :number="line.number"
          :name="line.name"
          :clause="line.clause"
          :value="line.value.text"
          :exact="line.value.exact"
          :ends="line.value.ends"
          :problem="line.problem"
          :question="line.question"
          :open="tape.openLine === line.step.id"
          :chosen="tape.chosen === line.step.id"
          :relation="relationOf(line.step.id)"
          movable
          @toggle="tape.toggle(line.step.id)"
          @choose="tape.chosen = line.step.id"
        >
          <StepEditor :step="line.step" :document="document" :scope="compiled.scope" />
        </TapeLine>
      </VueDraggable>
    </section>
  </div>
</template>

<style scoped>
.tape {
  padding: 4px 0 24px;
}
ul {
  margin: 0;
  padding: 0;
}
h3 {
  font-size: 16px;
  color: var(--plum);
}
h3 span {
  margin-left: 6px;
  font: 400 14px var(--text);
}
</style>
