<script setup lang="ts">
import { computed } from 'vue'
import {
  affordabilityTerms,
  aimNeeds,
  aimTerms,
  answersOfLadder,
  equityTerms,
  ladderNeeds,
  ladderTerms,
  payOffTerms,
  refinanceTerms,
  type CalculatorDocument,
  type Scope,
  type StepOf,
  type TermFacts,
} from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import PickField from '../../shared/fields/PickField.vue'
import { loansThere } from './loans-there'
import TermFields from './TermFields.vue'
import {
  affordabilityWords,
  aimWords,
  equityWords,
  ladderWords,
  payOffWords,
  refinanceWords,
} from './term-words'
import { choicesOf, optionWords } from './option-words'
import StepPick from './StepPick.vue'

/** Affordability, refinance, equity, aims, ladders and several loans paid off: what they are about, and their terms. */
type Composite = 'affordability' | 'refinance' | 'equity' | 'aim' | 'ladder' | 'payOff'
const { step, document } = defineProps<{
  step: StepOf<Composite>
  document: CalculatorDocument
  scope: Scope
}>()
const draft = useDraft()
const loans = computed(() => loansThere(document))
const lists = computed(() =>
  document.steps.flatMap((one) =>
    one.kind === 'question' && one.asks === 'loans' ? [{ value: one.id, label: one.name }] : [],
  ),
)
const set = (field: string) => (value: unknown) => void draft.changeStep(step.id, { [field]: value })

interface Sheet {
  readonly names: readonly string[]
  readonly facts: Readonly<Record<string, TermFacts>>
  readonly words: Readonly<Record<string, readonly [string, string]>>
}
const sheet = computed(() => sheetOf(step))
function sheetOf(step: StepOf<Composite>): Sheet {
  switch (step.kind) {
    case 'affordability': {
      const unused = step.find === 'price' ? 'price' : 'income'
      return {
        names: Object.keys(affordabilityTerms).filter((name) => name !== unused),
        facts: affordabilityTerms,
        words: affordabilityWords,
      }
    }
    case 'refinance':
      return { names: Object.keys(refinanceTerms), facts: refinanceTerms, words: refinanceWords }
    case 'equity':
      return { names: Object.keys(equityTerms), facts: equityTerms, words: equityWords }
    case 'aim':
      return { names: aimNeeds[step.find], facts: aimTerms, words: aimWords }
    case 'ladder':
      return { names: needsOfLadder(step.over, step.question), facts: ladderTerms, words: ladderWords }
    case 'payOff':
      return { names: Object.keys(payOffTerms), facts: payOffTerms, words: payOffWords }
  }
}
const compoundings = choicesOf(optionWords.compounding)
const setCompounding = (value: string) => set('compounding')(value === 'perPayment' ? value : Number(value))

const questions = computed(() =>
  document.steps.flatMap((one) => (one.kind === 'question' && one.asks !== 'loans' ? [one] : [])),
)
/** The lists a ladder takes; over answers, that of its question. */
function needsOfLadder(over: StepOf<'ladder'>['over'], question = ''): readonly string[] {
  const asked = over === 'answer' ? questions.value.find(({ id }) => id === question) : undefined
  const listed = asked && answersOfLadder(asked)
  return listed ? [listed] : ladderNeeds[over]
}

/** What an aim or a ladder has no use for any more goes with the choice; what it needs is asked for. */
const setAim = (find: string) => change({ find }, aimNeeds[find as keyof typeof aimNeeds])
function setOver(value: string): void {
  const over = value as StepOf<'ladder'>['over']
  const question = over === 'answer' ? (questions.value[0]?.id ?? '') : undefined
  change({ over, question }, needsOfLadder(over, question))
}
const setQuestion = (question: string) => change({ question }, needsOfLadder('answer', question))

function change(about: Readonly<Record<string, unknown>>, needs: readonly string[]): void {
  const terms = Object.fromEntries(
    needs.map((name) => [name, (step.terms as Record<string, string | undefined>)[name] ?? '']),
  )
  draft.changeStep(step.id, { ...about, terms })
}
</script>

<template>
  <StepPick
    v-if="step.kind === 'affordability'"
    :step="step"
    name="find"
    label="Works out"
    :value="step.find"
    :options="choicesOf(optionWords.affordable)"
  />
  <PickField
    v-if="step.kind === 'aim'"
    :id="`${step.id}-find`"
    label="Works out"
    :value="step.find"
    :options="choicesOf(optionWords.find)"
    @change="setAim"
  />
  <PickField
    v-if="step.kind === 'ladder'"
    :id="`${step.id}-over`"
    label="Over a list of"
    :value="step.over"
    :options="choicesOf(optionWords.over)"
    @change="setOver"
  />
  <PickField
    v-if="step.kind === 'ladder' && step.over === 'answer'"
    :id="`${step.id}-question`"
    label="Answered otherwise"
    :value="step.question ?? ''"
    :options="questions.map(({ id, name }) => ({ value: id, label: name }))"
    :field="`${step.id}.question`"
    @change="setQuestion"
  />
  <StepPick
    v-if="step.kind === 'equity' || step.kind === 'aim' || step.kind === 'ladder'"
    :step="step"
    name="loan"
    :label="step.kind === 'aim' ? 'On the other terms of' : 'Of the loan'"
    :value="step.loan"
    :options="loans"
  />
  <StepPick
    v-if="step.kind === 'payOff'"
    :step="step"
    name="loans"
    label="Of the loans in"
    :value="step.loans"
    :options="lists"
  />
  <PickField
    v-if="step.kind === 'affordability' || step.kind === 'refinance'"
    :id="`${step.id}-compounding`"
    label="Rates are quoted with"
    :value="String(step.compounding)"
    :options="compoundings"
    @change="setCompounding"
  />
  <fieldset class="wide terms">
    <legend>Terms</legend>
    <TermFields :step="step" :names="sheet.names" :facts="sheet.facts" :words="sheet.words" :scope="scope" />
  </fieldset>
</template>
