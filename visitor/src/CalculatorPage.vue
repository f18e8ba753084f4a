<script setup lang="ts">
import { mainLanguage, type Answers } from '@vivid/core/evaluate'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue'
import { oftenSaid, figureText } from '@vivid/contract/wording'
import type { CalculatorSource } from './model/calculator-source'
import { useCalculator } from './model/use-calculator'
import QuestionField from './questions/QuestionField.vue'
import ReadoutView from './results/ReadoutView.vue'
import { createTellAudience } from './frame/tell-audience'
import { stayInSight } from './frame/stay-in-sight'
import { createTellHost, type TellHost } from './frame/tell-host'
import { useAnnouncement } from './model/announce'
import { pageHash } from './model/carried'
import { useAddress } from './model/use-address'
import LanguageSwitch from './LanguageSwitch.vue'
import PartBoundary from './PartBoundary.vue'
import RichText from './pieces/RichText.vue'

const { source } = defineProps<{ source: CalculatorSource }>()
const isDrawnByServer = import.meta.env.SSR
const calculator = useCalculator(computed(() => source))
const { program, figures, words, say, sayRich, steps, evaluation, results, problems } = calculator

/** What is asked, in the order of the tape: sections as headings, questions that are not hidden, with their ranges of now. */
const asked = computed(() => {
  const { hidden, narrowed } = evaluation.value
  return steps.value
    .filter((step) => step.kind === 'section' || (step.kind === 'question' && !hidden.has(step.id)))
    .map((step) => narrowed.get(step.id) ?? step)
})
const readouts = computed(() =>
  (results.value?.readouts ?? []).flatMap((readout) => {
    const step = steps.value.find(({ id }) => id === readout.id)
    return step?.kind === 'readout' ? [{ step, readout }] : []
  }),
)
const isProblem = computed(() => problems.value.length > 0 && !calculator.waits.value)

const labelOf = (field: string) => {
  const step = steps.value.find(({ id }) => id === field)
  return step?.kind === 'question' ? say(step.label) || step.name : ''
}

/** The headline, kept in sight above the questions where they stand before the results. */
const headline = computed(() => {
  const readout = calculator.headline.value
  const step = steps.value.find(({ id }) => id === readout?.id)
  if (!readout || step?.kind !== 'readout') return undefined
  const { value } = readout
  return {
    label: say(step.label),
    ...figureText(readout, figures.value, mainLanguage(program.value)),
    often: oftenSaid(value, figures.value),
  }
})
const announced = useAnnouncement(() =>
  isProblem.value
    ? `${words.value.notYet} ${problems.value.map(({ field, sentence }) => `${labelOf(field)}: ${sentence}`).join(' ')}`
    : headline.value
      ? `${headline.value.label} ${headline.value.figure} ${headline.value.often}. ${headline.value.sentence}`
      : '',
)

/** The server, which draws the page too, has nobody to tell. */
const tellAudience = isDrawnByServer ? undefined : createTellAudience(source.live, source.language)
const tellHost: TellHost = tellAudience
  ? createTellHost(source.live, source.language, tellAudience)
  : () => undefined
tellHost('opened')
const isSame = (now: Answers, before: Answers) => JSON.stringify(now) === JSON.stringify(before)
// At once: whoever gives answers meanwhile has heard of it first.
watch(calculator.typedAnswers, (now, before) => void (isSame(now, before) || source.hears?.(now)))
watch(calculator.answers, (now, before) => {
  if (isSame(now, before)) return
  tellHost('changed')
  if (!isProblem.value) tellHost('result')
})

/** Leaving is often only hiding, on a phone. */
function leaving(): void {
  if (document.visibilityState === 'hidden')
    tellAudience?.left(program.value, calculator.answers.value, calculator.evaluation.value.values)
}
onMounted(() => document.addEventListener('visibilitychange', leaving))
onBeforeUnmount(() => document.removeEventListener('visibilitychange', leaving))

if (source.live && !isDrawnByServer) useAddress(calculator.carried, calculator.whatIsCarried)
const addressHash = () => pageHash(calculator.carried())

const summary = useTemplateRef<HTMLElement>('summary')
if (!isDrawnByServer) stayInSight(() => summary.value)

/** While something is wrong the results keep their height, so that nothing jumps under the visitor's finger. */
const panel = useTemplateRef<HTMLElement>('panel')
const keptHeight = ref(0)
watch(isProblem, (wrong) => (keptHeight.value = wrong ? (panel.value?.offsetHeight ?? 0) : 0), {
  flush: 'pre',
})

async function goTo(field: string): Promise<void> {
  calculator.pointOutAll()
  await nextTick()
  const place = document.getElementById(`answer-${field}`)
  ;(place?.querySelector<HTMLElement>('[aria-invalid=true]') ?? place)?.focus()
}

/** Enter in any field, or the button: the first answer that is wrong gets the focus. */
async function submit(): Promise<void> {
  const wrong = calculator.workOut()
  if (wrong) return goTo(wrong)
  // Whoever hears of it has heard the answers by then.
  await nextTick()
  source.hearsAsked?.()
}
</script>

<template>
  <main class="calculator">
    <p class="out-of-sight" role="status">{{ announced }}</p>
    <form
      class="questions"
      novalidate
      autocomplete="off"
      :aria-label="words.questions"
      @submit.prevent="submit"
    >
      <LanguageSwitch
        v-if="calculator.live.value?.isAlone"
        :languages="program.languages"
        :current="calculator.language.value"
        :label="words.language"
        :hash="addressHash"
      />
      <img
        v-if="source.logo"
        class="logo"
        :src="source.logo.image"
        :alt="source.logo.alt"
        :width="source.logo.width"
        :height="source.logo.height"
      />
      <h1>{{ say(program.title) }}</h1>
      <RichText
        v-if="sayRich(program.introduction)"
        class="introduction"
        :text="sayRich(program.introduction)"
      />
      <p v-if="headline" ref="summary" class="summary">
        <!-- While an answer is wrong its room stays, so that no field jumps under the finger. -->
        <span :class="{ unsaid: isProblem }"
          >{{ headline.label }} <strong>{{ headline.figure }}</strong> {{ headline.often }}</span
        >
      </p>
      <template v-for="step in asked" :key="step.id">
        <h2 v-if="step.kind === 'section'" class="section">{{ say(step.label) }}</h2>
        <PartBoundary v-else-if="step.kind === 'question'" :words="words" :follows="evaluation">
          <QuestionField :question="step" :calculator="calculator" :data-step="source.hears && step.id" />
        </PartBoundary>
      </template>
      <button v-if="calculator.waits.value" type="submit" class="work-out">{{ words.workOut }}</button>
      <button type="button" class="plain" @click="calculator.startAgain">{{ words.startAgain }}</button>
      <button
        v-if="!calculator.waits.value"
        type="submit"
        class="unseen"
        tabindex="-1"
        aria-hidden="true"
      ></button>
    </form>
    <div
      ref="panel"
      class="results"
      :style="{ minHeight: keptHeight ? `${keptHeight}px` : undefined }"
      :aria-label="words.results"
      role="region"
    >
      <p v-for="said in calculator.linkSaid.value" :key="said" class="setback note">{{ said }}</p>
      <p v-if="calculator.beginsAsUsual.value" class="setback note">{{ calculator.beginsAsUsual.value }}</p>
      <div v-if="isProblem" class="not-yet">
        <p>{{ words.notYet }}</p>
        <ul>
          <li v-for="problem in problems" :key="problem.field">
            <button type="button" class="plain" @click="goTo(problem.field)">
              {{ labelOf(problem.field) }}
            </button>
            {{ problem.sentence }}
          </li>
        </ul>
      </div>
      <div :class="{ away: isProblem }">
        <p v-if="calculator.isOutOfDate.value" class="setback" role="status">{{ words.outOfDate }}</p>
        <p v-for="setback in calculator.setbacks.value" :key="setback" class="setback">{{ setback }}</p>
        <p v-for="notice in calculator.notices.value" :key="notice" class="setback note">{{ notice }}</p>
        <div class="figures">
          <PartBoundary
            v-for="{ step, readout } in readouts"
            :key="readout.id"
            :words="words"
            :follows="results"
          >
            <ReadoutView
              :step="step"
              :readout="readout"
              :calculator="calculator"
              :tell-host="tellHost"
              :data-step="source.hears && step.id"
            />
          </PartBoundary>
        </div>
      </div>
      <section v-if="program.nextSteps && sayRich(program.nextSteps)" class="next-steps">
        <h2>{{ words.nextSteps }}</h2>
        <RichText :text="sayRich(program.nextSteps)" :calculator="calculator" />
      </section>
      <RichText v-if="sayRich(program.disclosure)" class="disclosure" :text="sayRich(program.disclosure)" />
    </div>
  </main>
</template>
