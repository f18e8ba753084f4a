import { computed, reactive, ref, shallowRef, watch, type ComputedRef } from 'vue'
import {
  mainLanguage,
  createEvaluatorWith,
  shareOf,
  textIn,
  type Answers,
  type Evaluation,
  type Minor,
  type Question,
  type RichText,
  type RichTexts,
  type Texts,
} from '@vivid/core/evaluate'
import {
  createExplain,
  doubtSentence,
  noticesSaid,
  factsOf,
  figuresFor,
  formatAsTyped,
  isUnreadable,
  languageOf,
  meaningsOn,
  problemSentence,
  readTyped,
  saysPercent,
  textOfAnswer,
  understoodAs,
  unitOf,
  type ShareUnit,
  type TypedText,
} from '@vivid/contract/wording'
import { beginsWith, defaultOf } from './begins-with'
import { headlineOf } from './headline'
import { momentOf } from './moment-of'
import type { Carried } from './carried'
import { useBeside } from './use-beside'
import { useFollowing } from './use-following'
import type { CalculatorSource } from './calculator-source'
import { useLink } from './use-link'

export type Calculator = ReturnType<typeof useCalculator>

/** One visitor's calculator: what is typed, the figures that follow, and what is wrong with it. Nothing typed is lost. */
export function useCalculator(source: ComputedRef<CalculatorSource>) {
  const program = computed(() => source.value.program)
  const language = computed(() => source.value.language)
  const main = computed(() => mainLanguage(program.value))
  const words = computed(() => languageOf(language.value, program.value.words).page)
  const figures = computed(() => figuresFor(program.value, language.value))
  const steps = computed(() => program.value.steps.map(({ step }) => step))
  const questions = computed(() => steps.value.filter((step) => step.kind === 'question'))
  /** The language the texts in the fields are in. */
  const reading = ref(source.value.language)
  const typedIn = computed(() => ({
    locale: reading.value,
    currency: program.value.currency,
    own: program.value.words,
  }))

  const say = (texts: Texts): string => textIn(texts, language.value, main.value)
  const sayRich = (texts: RichTexts): RichText | undefined => {
    const own = texts[language.value]
    return own && own.content.length > 0 ? own : texts[main.value]
  }

  /** Texts in the fields, and for shares what a bare number means. */
  const texts = reactive<Record<string, string>>({})
  const units = reactive<Record<string, ShareUnit>>({})
  /** Fields between whose digits stand marks that were typed, not ours. */
  const marked: Record<string, boolean> = {}
  /** Fields that were left at least once: only there is a problem pointed out while others are still typed in. */
  const left = ref(new Set<string>())

  /** What each field says, read as it is typed. */
  const read = computed(
    () =>
      new Map(
        questions.value.map((question) => [
          question.id,
          readTyped(question, texts[question.id] ?? '', units[question.id] ?? 'percent', typedIn.value),
        ]),
      ),
  )
  /** The answer of each field before somebody began to type in it. */
  const settled: Record<string, unknown> = {}
  /** What a text could mean where it could mean more than one thing; until one is chosen, the answer stays as it was. */
  const couldBe = (id: string): readonly unknown[] => {
    const answer = read.value.get(id)
    return isUnreadable(answer) ? answer.couldBe : []
  }
  const typedAnswers = computed<Answers>(() =>
    Object.fromEntries(
      [...read.value].map(([id, answer]) => [id, couldBe(id).length > 0 ? settled[id] : answer]),
    ),
  )
  const evaluator = computed(
    () => source.value.evaluate ?? createEvaluatorWith(program.value, source.value.further),
  )
  const evaluate = (given: Answers) => {
    const { today, sheets } = source.value
    return evaluator.value(given, { today: momentOf(today), sheets })
  }
  /** The answers of the figures that stand on the page; those that are typed are followed a moment later. */
  const { following: answers, catchUp } = useFollowing(typedAnswers, {}, evaluate)
  const evaluation = computed(() => evaluate(answers.value))
  const isQuestion = (field: string) => questions.value.some(({ id }) => id === field)
  const told = computed(() =>
    evaluation.value.problems.map((problem) => ({
      field: problem.field,
      sentence: problemSentence(problem, figures.value),
    })),
  )
  /** What is wrong with the answers; results wait for these. */
  const problems = computed(() => told.value.filter(({ field }) => isQuestion(field)))
  /** What could not be worked out although the answers are right. */
  const setbacks = computed(() => [
    ...new Set(told.value.filter(({ field }) => !isQuestion(field)).map(({ sentence }) => sentence)),
  ])

  /** What has to be said about the loan as it was worked out. */
  const notices = computed(() => noticesSaid(evaluation.value, program.value, figures.value))

  /** Where results wait for a button: the figures last asked for, and whether the answers are still those. */
  const waits = computed(() => program.value.results === 'onButton')
  const asked = shallowRef<{ evaluation: Evaluation; answers: Answers }>()
  /** The last evaluation without a wrong answer: the page keeps it, out of sight, until there is another. */
  const worked = computed<Evaluation | undefined>((before) =>
    problems.value.length > 0 ? before : evaluation.value,
  )
  const results = computed(() => (waits.value ? asked.value?.evaluation : worked.value))
  const headline = computed(() => headlineOf(results.value?.readouts ?? []))
  const isOutOfDate = computed(
    () =>
      waits.value &&
      asked.value !== undefined &&
      JSON.stringify(asked.value.answers) !== JSON.stringify(typedAnswers.value),
  )
  /** Asks for the figures of what is typed by now; where an answer is wrong, it is the field of the first instead. */
  function workOut(): string | undefined {
    catchUp()
    const [first] = problems.value
    if (!first) asked.value = { evaluation: evaluation.value, answers: answers.value }
    return first?.field
  }
  /** The answers of the figures that are shown: whatever is kept of them is of these. */
  const shownAnswers = computed(() => (waits.value ? (asked.value?.answers ?? {}) : answers.value))

  function startAgain(): void {
    link.forget()
    begin({})
    left.value = new Set()
    asked.value = undefined
    for (const question of questions.value) setAnswer(question, defaultOf(question, source.value))
  }

  function setAnswer(question: Question, answer: unknown): void {
    if (question.asks === 'share') units[question.id] = unitOf(answer)
    settled[question.id] = answer
    texts[question.id] = textOfAnswer(question, answer, figures.value)
    marked[question.id] = false
  }

  /** Takes what is typed, grouping the digits of an amount on the way; returns where the caret goes. */
  function type({ id, asks }: Question, typed: TypedText): TypedText {
    const before = { text: texts[id] ?? '', isMarked: marked[id] ?? false }
    // A percentage has no groups: what we put there would be read as its decimals.
    const groups = asks === 'money' || (units[id] === 'money' && !saysPercent(typed.text))
    const next =
      asks === 'money' || asks === 'share'
        ? formatAsTyped(typed, language.value, before, groups)
        : { ...typed, isMarked: false }
    texts[id] = next.text
    marked[id] = next.isMarked
    return next
  }

  /** Remembers what a field was read as, for as long as what is typed next could mean more than one thing. */
  function settle({ id }: Question): void {
    if (couldBe(id).length === 0) settled[id] = typedAnswers.value[id]
  }

  /** A field is left: what was read of it is written out in full. A list does that itself, cell by cell. */
  function leave(question: Question): void {
    left.value = new Set(left.value).add(question.id)
    if (question.asks === 'loans') settle(question)
    else if (couldBe(question.id).length === 0) setAnswer(question, typedAnswers.value[question.id])
  }

  function switchUnit(question: Question, unit: ShareUnit): void {
    if (question.asks !== 'share') return
    catchUp()
    const value = evaluation.value.values[question.id]
    units[question.id] = unit
    if (value?.unit !== 'share') return
    setAnswer(question, unit === 'money' ? { money: value.money } : { percent: value.percent })
  }

  /** Finds the words in a text that are explained. */
  const explain = computed(() => createExplain(meaningsOn(program.value, source.value.trade, language.value)))
  /** What they are explained with. */
  const facts = computed(() => (results.value ? factsOf(program.value, results.value, figures.value) : {}))

  /** The least a share may be, of the whole as it is answered now. */
  function leastShare(question: Question): Minor | undefined {
    const whole = question.asks === 'share' ? evaluation.value.values[question.of] : undefined
    if (question.asks !== 'share' || whole?.unit !== 'money') return undefined
    return shareOf(question.least, whole.money).money
  }

  /** What was understood of a field, where it does not stand there like that. */
  const understood = (question: Question): string | undefined =>
    understoodAs(question, texts[question.id] ?? '', read.value.get(question.id), figures.value)

  const problemAt = (id: string): string | undefined =>
    left.value.has(id) ? problems.value.find(({ field }) => field === id)?.sentence : undefined

  /** A gentle question about an answer that looks like a slip. */
  const doubtAt = (id: string): string | undefined => {
    const doubt = evaluation.value.doubts.find(({ field }) => field === id)
    return doubt && left.value.has(id) ? doubtSentence(doubt, figures.value) : undefined
  }

  const pointOutAll = () => {
    left.value = new Set(questions.value.map(({ id }) => id))
  }

  /** What each field began with; one that still says so follows when a draft's default changes. */
  const begun: Record<string, string> = {}
  let givenBefore: Answers | undefined
  watch(
    source,
    ({ answers: given, language: next }) => {
      if (given !== givenBefore) for (const id of Object.keys(begun)) delete begun[id]
      givenBefore = given
      left.value = new Set()
      // Read in the language it was typed in, then said in the next.
      const typed = typedAnswers.value
      const doubtful = new Set(Object.keys(typed).filter((id) => couldBe(id).length > 0))
      reading.value = next
      for (const question of questions.value) {
        const { id } = question
        const isTouched = id in begun && texts[id] !== begun[id]
        if (!isTouched || !doubtful.has(id))
          setAnswer(question, isTouched ? typed[id] : beginsWith(question, source.value))
        begun[id] = isTouched ? '' : (texts[id] ?? '')
      }
      catchUp()
    },
    { immediate: true },
  )

  const { beside, putBeside, tryingIn, begin } = useBeside()
  const isUntouched = (id: string) => texts[id] === begun[id]
  const link = useLink(source, {
    figures,
    words,
    headline: () => headlineOf(evaluation.value.readouts),
    isUntouched,
  })
  watch(
    () => source.value.answers,
    () => {
      const { carried: brought } = source.value
      begin(brought?.beside ?? {})
      asked.value = undefined
      if (brought?.isWorkedOut) workOut()
      link.begin()
    },
    { immediate: true },
  )

  /** What is read of every field, for the address: texts that are no answer stay as they were typed. */
  const carried = (): Carried => ({
    answers: Object.fromEntries(
      [...read.value].map(([id, answer]) => [
        id,
        isUnreadable(answer) ? { unreadable: answer.unreadable } : answer,
      ]),
    ),
    beside,
    isWorkedOut: asked.value !== undefined && !isOutOfDate.value,
  })
  /** What that is made from; another whenever it is. */
  const whatIsCarried = () => [read.value, { ...beside }, asked.value, isOutOfDate.value]
  return {
    program,
    sheets: computed(() => source.value.sheets),
    language,
    words,
    figures,
    say,
    sayRich,
    steps,
    questions,
    texts,
    typedIn,
    units,
    typedAnswers,
    answers,
    evaluation,
    results,
    waits,
    isOutOfDate,
    headline,
    linkSaid: link.said,
    beginsAsUsual: link.beginsAsUsual,
    beside,
    putBeside,
    tryingIn,
    carried,
    whatIsCarried,
    shownAnswers,
    live: computed(() => source.value.live),
    today: computed(() => source.value.today),
    workOut,
    problems,
    setbacks,
    notices,
    startAgain,
    setAnswer,
    type,
    settle,
    leave,
    switchUnit,
    leastShare,
    couldBe,
    understood,
    explain,
    facts,
    problemAt,
    doubtAt,
    pointOutAll,
  }
}
