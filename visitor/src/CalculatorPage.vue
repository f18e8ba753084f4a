<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Readout } from '@vivid/core/evaluate'
import { useCalculator, type CalculatorSource } from './model/use-calculator'
import QuestionField from './questions/QuestionField.vue'
import FigureResult from './results/FigureResult.vue'
import PaymentResult from './results/PaymentResult.vue'
import ScheduleResult from './results/ScheduleResult.vue'
import { words } from './words'

const { source } = defineProps<{ source: CalculatorSource }>()
const calculator = useCalculator(computed(() => source))
const { program, figures, questions, evaluation, problems } = calculator

const results = computed(() =>
  evaluation.value.readouts.flatMap((readout) => {
    const step = program.value.steps.find(({ id }) => id === readout.id)
    return step?.kind === 'readout' ? [{ readout, label: step.label, help: step.help }] : []
  }),
)
const big = computed(() => results.value.filter(({ readout }) => readout.shows !== 'schedule'))
const schedules = computed(() =>
  results.value.flatMap(({ readout, label, help }) => {
    const ledger = readout.shows === 'schedule' ? evaluation.value.ledgers.get(readout.loan) : undefined
    return readout.shows === 'schedule' && ledger
      ? [{ id: readout.id, years: readout.years, label, help, ledger }]
      : []
  }),
)
/** The payment, kept in sight above the questions where they stand before the results. */
const payments = computed(() =>
  problems.value.length > 0
    ? []
    : results.value.flatMap(({ readout, label }) =>
        readout.shows === 'payment' ? [{ readout, label }] : [],
      ),
)
const isPayment = (readout: Readout) => readout.shows === 'payment'

/** While something is wrong the results keep their height, so that nothing jumps under the visitor's finger. */
const panel = useTemplateRef<HTMLElement>('panel')
const keptHeight = ref(0)
watch(
  () => problems.value.length > 0,
  (wrong) => (keptHeight.value = wrong ? (panel.value?.offsetHeight ?? 0) : 0),
  { flush: 'pre' },
)

const questionOf = (field: string) => questions.value.find(({ id }) => id === field)

async function goTo(field: string): Promise<void> {
  calculator.pointOutAll()
  await nextTick()
  document.getElementById(`answer-${field}`)?.focus()
}

/** Enter in any field: the first one that is wrong gets the focus. */
function submit(): void {
  const [first] = problems.value
  if (first) void goTo(first.field)
}
</script>

<template>
  <div class="calculator">
    <form class="questions" novalidate :aria-label="words.questions" @submit.prevent="submit">
      <h1>{{ program.title }}</h1>
      <p v-if="program.introduction" class="introduction">{{ program.introduction }}</p>
      <p v-for="{ readout, label } in payments" :key="readout.id" class="summary">
        {{ label }} <strong>{{ figures.money(readout.payment) }}</strong>
        {{ figures.every(readout.frequency) }}
      </p>
      <QuestionField
        v-for="question in questions"
        :key="question.id"
        :question="question"
        :calculator="calculator"
      />
      <button type="button" class="plain" @click="calculator.startAgain">{{ words.startAgain }}</button>
      <button type="submit" class="unseen" tabindex="-1" aria-hidden="true"></button>
    </form>
    <div
      ref="panel"
      class="results"
      :style="{ minHeight: keptHeight ? `${keptHeight}px` : undefined }"
      :aria-label="words.results"
      aria-live="polite"
      role="region"
    >
      <div v-if="problems.length" class="not-yet">
        <p>{{ words.notYet }}</p>
        <ul>
          <li v-for="problem in problems" :key="problem.field">
            <button v-if="questionOf(problem.field)" type="button" class="plain" @click="goTo(problem.field)">
              {{ questionOf(problem.field)?.label }}
            </button>
            {{ problem.sentence }}
          </li>
        </ul>
      </div>
      <template v-else>
        <div class="figures">
          <template v-for="{ readout, label, help } in big" :key="readout.id">
            <PaymentResult
              v-if="isPayment(readout)"
              :label="label"
              :readout="readout as Extract<Readout, { shows: 'payment' }>"
              :figures="figures"
            />
            <FigureResult v-else :label="label" :help="help" :readout="readout" :figures="figures" />
          </template>
        </div>
        <ScheduleResult
          v-for="schedule in schedules"
          :key="schedule.id"
          :label="schedule.label"
          :help="schedule.help"
          :years="schedule.years"
          :ledger="schedule.ledger"
          :figures="figures"
        />
      </template>
      <p class="disclosure">{{ program.disclosure }}</p>
    </div>
  </div>
</template>
