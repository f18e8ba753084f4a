<script setup lang="ts">
import { Alert, Input, InputNumber, Modal } from 'ant-design-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  CalculatorOpened,
  type CalculatorCard,
  type PlacementChoices,
  type PlacementListed,
  type Site,
} from '@vivid/contract'
import { closeOnEscape } from '../shared/page/close-on-escape'
import { textIn, type Question } from '@vivid/core'
import { createFigures, isUnreadable, PLAIN_LOCALE, plainAnswer, readTyped } from '@vivid/contract/wording'
import { request } from '../shared/api/request'
import { languageName } from '../shared/fields/language-name'
import AnswerField from '../shared/fields/AnswerField.vue'
import PickField from '../shared/fields/PickField.vue'
import { useUnread } from '../shared/fields/unread-store'

/** What one page of a site shows. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
const {
  before,
  sites,
  calculators,
  preferred = '',
  save,
  problem,
} = defineProps<{
  before: PlacementListed | undefined
  sites: readonly Site[]
  calculators: readonly CalculatorCard[]
  /** The calculator a new placement begins with. */
  preferred?: string
  /** Saves it; false where it was refused: the dialog then stays, with everything typed in it. */
  save: (choices: PlacementChoices) => Promise<boolean>
  /** Why it was refused. */
  problem: string
}>()

const choices = ref<PlacementChoices>(fresh())
function fresh(): PlacementChoices {
  if (before) {
    const { site, page, calculator, language, answers, width } = before
    return { site, page, calculator, language, answers: { ...answers }, width }
  }
  return {
    site: sites[0]?.id ?? '',
    page: '/',
    calculator: preferred || (calculators[0]?.id ?? ''),
    language: '',
    answers: {},
    width: null,
  }
}
const unread = useUnread()
const fieldOf = (question: string) => `placement-${question}`
watch(open, (now) => {
  if (now) choices.value = fresh()
  isRefused.value = false
  for (const { id } of questions.value) unread.set(fieldOf(id), undefined)
})

const opened = shallowRef<CalculatorOpened>()
watch(
  () => [open.value, choices.value.calculator] as const,
  async ([isOpen, id]) => {
    if (!isOpen || !id) return
    opened.value = await request(CalculatorOpened, 'GET', `/calculators/${id}`).catch(() => undefined)
  },
)
const questions = computed(() =>
  (opened.value?.document.steps ?? []).filter((step): step is Question => step.kind === 'question'),
)
const labelOf = ({ label, name }: Question): string => {
  const main = opened.value?.document.languages[0] ?? ''
  return textIn(label, main, main) || name
}
/** Answers kept for questions that were taken away; nothing begins with them. */
const unasked = computed(() =>
  opened.value
    ? Object.keys(choices.value.answers).filter((id) => !questions.value.some((one) => one.id === id))
    : [],
)
const isWhole = computed(
  () =>
    choices.value.site !== '' &&
    choices.value.page.startsWith('/') &&
    choices.value.calculator !== '' &&
    !questions.value.some(({ id }) => fieldOf(id) in unread.texts),
)

/** Answers are kept as plain text, so that they are the same in every language of the page. */
function answerOf(question: Question): unknown {
  const text = choices.value.answers[question.id]
  if (!text || !opened.value) return null
  const { currency } = opened.value.document
  const answer = readTyped(question, text, 'percent', { locale: PLAIN_LOCALE, currency })
  return isUnreadable(answer) ? null : answer
}
function setAnswer(question: Question, answer: unknown): void {
  if (!opened.value) return
  const { [question.id]: _, ...others } = choices.value.answers
  const text = plainAnswer(question, answer, createFigures(PLAIN_LOCALE, opened.value.document.currency))
  choices.value.answers = text === '' ? others : { ...others, [question.id]: text }
}

const isRefused = ref(false)
async function saveAsked(): Promise<void> {
  const asked = Object.entries(choices.value.answers).filter(([id]) => !unasked.value.includes(id))
  isRefused.value = !(await save({ ...choices.value, answers: Object.fromEntries(asked) }))
  if (!isRefused.value) open.value = false
}
</script>

<template>
  <Modal
    v-model:open="open"
    :title="before ? 'Change the placement' : 'Place a calculator'"
    ok-text="Save"
    :ok-button-props="{ disabled: !isWhole }"
    cancel-text="Cancel"
    :width="680"
    @ok="saveAsked"
  >
    <Alert v-if="isRefused && problem" type="error" role="alert" :message="problem" class="refused" />
    <div class="editor">
      <PickField
        id="placement-site"
        label="Site"
        :value="choices.site"
        :options="sites.map(({ id, name }) => ({ value: id, label: name }))"
        @change="choices.site = $event"
      />
      <div>
        <label for="placement-page">Page, as its path</label>
        <Input
          id="placement-page"
          v-model:value="choices.page"
          :maxlength="200"
          placeholder="/borrow/narrowboat"
        />
      </div>
      <PickField
        id="placement-calculator"
        label="Calculator"
        :value="choices.calculator"
        :options="calculators.map(({ id, title }) => ({ value: id, label: title }))"
        @change="choices.calculator = $event"
      />
      <PickField
        id="placement-language"
        label="Language"
        :value="choices.language"
        :options="[
          { value: '', label: 'the page’s own' },
          ...(opened?.document.languages ?? []).map((value) => ({ value, label: languageName(value) })),
        ]"
        @change="choices.language = $event"
      />
      <div>
        <label for="placement-width">Widest, in pixels (empty: as wide as the page)</label>
        <InputNumber
          id="placement-width"
          :value="choices.width ?? undefined"
          :min="280"
          :max="2400"
          @update:value="choices.width = typeof $event === 'number' ? $event : null"
        />
      </div>
      <fieldset class="wide">
        <legend>Answers to begin with (empty: the usual)</legend>
        <p v-if="before?.refused.length" class="warn all">
          The calculator does not take these any more, and begins as usual there:
          {{ before.refused.join(', ') }}.
        </p>
        <template v-if="opened">
          <AnswerField
            v-for="question in questions"
            :id="fieldOf(question.id)"
            :key="`${opened.id}.${question.id}`"
            :label="labelOf(question)"
            :question="question"
            :document="opened.document"
            :value="answerOf(question)"
            empty-means="the usual"
            @change="setAnswer(question, $event)"
          />
        </template>
      </fieldset>
    </div>
  </Modal>
</template>

<style scoped>
.refused {
  margin-bottom: 10px;
}
fieldset {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 6px 14px;
  margin: 0;
  padding: 8px 12px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
}
.all {
  grid-column: 1 / -1;
}
.warn {
  margin: 0;
  color: var(--sun-text);
}
legend {
  width: auto;
  margin: 0;
  padding: 0 6px;
  border: 0;
  font-size: 15px;
  font-weight: 600;
}
</style>
