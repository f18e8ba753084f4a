import { computed, reactive, ref, watch, type ComputedRef } from 'vue'
import {
  evaluate,
  readIsoDate,
  shareOf,
  type Answers,
  type Minor,
  type Program,
  type Question,
} from '@vivid/core/evaluate'
import {
  createFigures,
  formatAsTyped,
  problemSentence,
  readTyped,
  textOfAnswer,
  unitOf,
  type ShareUnit,
  type TypedText,
} from '@vivid/contract/wording'

/** What the page is made from: a program, the answers to begin with, and the day it is worked out for. */
export interface CalculatorSource {
  readonly program: Program
  readonly answers: Answers
  readonly today: string
}

export type Calculator = ReturnType<typeof useCalculator>

/** One visitor's calculator: what is typed, the figures that follow, and what is wrong with it. Nothing typed is lost. */
export function useCalculator(source: ComputedRef<CalculatorSource>) {
  const program = computed(() => source.value.program)
  const figures = computed(() => createFigures(program.value.locale, program.value.currency))
  const questions = computed(() => program.value.steps.filter((step) => step.kind === 'question'))

  /** Texts in the fields, and for shares what a bare number means. */
  const texts = reactive<Record<string, string>>({})
  const units = reactive<Record<string, ShareUnit>>({})
  /** Fields that were left at least once: only there is a problem pointed out while others are still typed in. */
  const left = ref(new Set<string>())

  const answers = computed<Answers>(() =>
    Object.fromEntries(
      questions.value.map((question) => [
        question.id,
        readTyped(question, texts[question.id] ?? '', units[question.id] ?? 'percent', program.value),
      ]),
    ),
  )
  const evaluation = computed(() => {
    const today = readIsoDate(source.value.today)
    if (!today) throw new Error(`the page was served for ${source.value.today}, which is no day`)
    return evaluate(program.value, answers.value, today)
  })
  const problems = computed(() =>
    evaluation.value.problems.map((problem) => ({
      field: problem.field,
      sentence: problemSentence(problem, figures.value),
    })),
  )

  function startAgain(): void {
    left.value = new Set()
    for (const question of questions.value) setAnswer(question, question.default)
  }

  function setAnswer(question: Question, answer: unknown): void {
    if (question.asks === 'share') units[question.id] = unitOf(answer)
    texts[question.id] = textOfAnswer(question, answer, figures.value)
  }

  /** Takes what is typed, grouping the digits of an amount on the way; returns where the caret goes. */
  function type(question: Question, typed: TypedText): TypedText {
    const groups = question.asks === 'money' || question.asks === 'share'
    const next = groups ? formatAsTyped(typed, program.value.locale) : typed
    texts[question.id] = next.text
    return next
  }

  /** A field is left: what was read of it is written out in full. */
  function leave(question: Question): void {
    left.value = new Set(left.value).add(question.id)
    setAnswer(question, answers.value[question.id])
  }

  function switchUnit(question: Question, unit: ShareUnit): void {
    if (question.asks !== 'share') return
    const value = evaluation.value.values[question.id]
    units[question.id] = unit
    if (value?.unit !== 'share') return
    setAnswer(question, unit === 'money' ? { money: value.money } : { percent: value.percent })
  }

  /** The least a share may be, of the whole as it is answered now. */
  function leastShare(question: Question): Minor | undefined {
    const whole = question.asks === 'share' ? evaluation.value.values[question.of] : undefined
    if (question.asks !== 'share' || whole?.unit !== 'money') return undefined
    return shareOf(question.least, whole.money).money
  }

  const problemAt = (id: string): string | undefined =>
    left.value.has(id) ? problems.value.find(({ field }) => field === id)?.sentence : undefined

  const pointOutAll = () => {
    left.value = new Set(questions.value.map(({ id }) => id))
  }

  watch(
    () => [source.value.answers, source.value.today] as const,
    ([given]) => {
      left.value = new Set()
      for (const question of questions.value) setAnswer(question, given[question.id] ?? question.default)
    },
    { immediate: true },
  )

  return {
    program,
    figures,
    questions,
    texts,
    units,
    answers,
    evaluation,
    problems,
    startAgain,
    setAnswer,
    type,
    leave,
    switchUnit,
    leastShare,
    problemAt,
    pointOutAll,
  }
}
