<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref, watchEffect } from 'vue'
import { loanTerms, type CalculatorDocument, type LoanOptions, type Scope, type StepOf } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import PickField from '../../shared/fields/PickField.vue'
import FormulaField from '../formula/FormulaField.vue'
import TermFields from './TermFields.vue'
import { choicesOf, loanOptionWords, optionWords } from './option-words'
import { loanGroups, loanWords } from './term-words'

const { step, document } = defineProps<{ step: StepOf<'loan'>; document: CalculatorDocument; scope: Scope }>()
const draft = useDraft()

const others = computed(() =>
  document.steps.flatMap((one) =>
    one.kind === 'loan' && one.id !== step.id ? [{ value: one.id, label: one.name }] : [],
  ),
)
const base = computed(() => others.value.find(({ value }) => value === step.as))
const asOptions = computed(() => [{ value: '', label: 'no other: a loan of its own' }, ...others.value])
const isUsed = (terms: readonly string[]) => terms.some((name) => name in step.terms)
/** A group with a term in it is open, and stays so when the term is cleared: another may be typed in its place. */
const opened = ref(new Set<string>())
watchEffect(() => {
  for (const { title, terms } of loanGroups) if (isUsed(terms)) opened.value.add(title)
})

const names = Object.keys(loanOptionWords) as (keyof LoanOptions)[]
const defaults: Readonly<Record<string, string>> = {
  compounding: 'perPayment',
  due: 'end',
  onExtra: 'shorten',
  dayCount: 'equal',
  paymentRounding: 'nearest',
  interestRounding: 'halfUp',
  graceInterest: 'paid',
  insuranceBase: 'original',
}
const shownOptions = computed(() =>
  names.filter((name) => {
    if (name === 'graceInterest') return 'gracePayments' in step.terms || name in step.options
    if (name === 'insuranceBase') return 'insuranceYearly' in step.terms || name in step.options
    if (name === 'onExtra') return (step.extras?.length ?? 0) > 0 || name in step.options
    return true
  }),
)
const valueOf = (name: keyof LoanOptions) =>
  String(step.options[name] ?? (step.as === null ? defaults[name] : ''))
function setOption(name: keyof LoanOptions, text: string): void {
  const value = name === 'compounding' && text !== 'perPayment' ? Number(text) : text
  const rest = Object.fromEntries(Object.entries(step.options).filter(([one]) => one !== name))
  draft.changeStep(step.id, { options: text === '' ? rest : { ...rest, [name]: value } })
}
const choicesFor = (name: keyof LoanOptions) => [
  ...(step.as === null ? [] : [{ value: '', label: `as ${base.value?.label ?? 'the other'}` }]),
  ...choicesOf(loanOptionWords[name].choices),
]

type Extra = NonNullable<StepOf<'loan'>['extras']>[number]
type Change = NonNullable<StepOf<'loan'>['rateChanges']>[number]
const extras = computed(() => step.extras ?? [])
const changes = computed(() => step.rateChanges ?? [])
const putExtras = (next: Extra[]) => void draft.changeStep(step.id, { extras: next.length ? next : null })
const putChanges = (next: Change[]) =>
  void draft.changeStep(step.id, { rateChanges: next.length ? next : null })
const setExtra = (at: number, fields: Partial<Extra>) =>
  putExtras(extras.value.map((one, i) => (i === at ? { ...one, ...fields } : one)))
const setChange = (at: number, fields: Partial<Change>) =>
  putChanges(changes.value.map((one, i) => (i === at ? { ...one, ...fields } : one)))
const when = { is: 'oneOf', of: [{ is: 'count' }, { is: 'date' }] } as const
</script>

<template>
  <PickField
    :id="`${step.id}-as`"
    class="wide"
    label="The same as"
    :value="step.as ?? ''"
    :options="asOptions"
    :field="`${step.id}.as`"
    @change="draft.changeStep(step.id, { as: $event || null })"
  />
  <p class="soft wide">
    How often it is paid sets both the number of payments a year and the rate of each, so the two never part.
  </p>
  <template v-for="(group, at) in loanGroups" :key="group.title">
    <button
      v-if="at > 0 && !opened.has(group.title)"
      type="button"
      class="link group"
      @click="opened.add(group.title)"
    >
      {{ group.title }} …
    </button>
    <fieldset v-else class="wide terms">
      <legend>{{ group.title }}</legend>
      <TermFields
        :step="step"
        :names="group.terms"
        :facts="loanTerms"
        :words="loanWords"
        :scope="scope"
        :inherited="base ? `as ${base.label}` : undefined"
      />
    </fieldset>
  </template>
  <fieldset class="wide terms">
    <legend>Extra payments</legend>
    <div v-for="(one, at) in extras" :key="at" class="row wide">
      <FormulaField
        :id="`${step.id}-extra-${at}`"
        label="Amount"
        :value="one.amount"
        :scope="scope"
        :takes="{ is: 'money', per: 'any' }"
        :field="`${step.id}.extras.${at}.amount`"
        small
        @change="setExtra(at, { amount: $event })"
      />
      <PickField
        :id="`${step.id}-extra-${at}-every`"
        label="Paid"
        :value="one.every"
        :options="choicesOf(optionWords.every)"
        @change="setExtra(at, { every: $event as Extra['every'] })"
      />
      <FormulaField
        v-if="one.every !== 'payment'"
        :id="`${step.id}-extra-${at}-at`"
        :label="one.every === 'once' ? 'With payment, or on' : 'With which payment of the year'"
        :value="one.at"
        :scope="scope"
        :takes="when"
        :field="`${step.id}.extras.${at}.at`"
        empty-means="the first"
        small
        @change="setExtra(at, { at: $event })"
      />
      <FormulaField
        v-if="one.every !== 'once'"
        :id="`${step.id}-extra-${at}-from`"
        label="From"
        :value="one.from"
        :scope="scope"
        :takes="when"
        :field="`${step.id}.extras.${at}.from`"
        empty-means="the start"
        small
        @change="setExtra(at, { from: $event })"
      />
      <FormulaField
        v-if="one.every !== 'once'"
        :id="`${step.id}-extra-${at}-until`"
        label="Until"
        :value="one.until"
        :scope="scope"
        :takes="when"
        :field="`${step.id}.extras.${at}.until`"
        empty-means="the end"
        small
        @change="setExtra(at, { until: $event })"
      />
      <Button size="small" @click="putExtras(extras.filter((_, i) => i !== at))">Remove</Button>
    </div>
    <button
      type="button"
      class="link"
      @click="putExtras([...extras, { amount: '', every: 'payment', at: '', from: '', until: '' }])"
    >
      Add an extra
    </button>
  </fieldset>
  <fieldset class="wide terms">
    <legend>Rate changes</legend>
    <div v-for="(one, at) in changes" :key="at" class="row wide">
      <FormulaField
        :id="`${step.id}-change-${at}-from`"
        label="From payment"
        :value="one.fromPayment"
        :scope="scope"
        :takes="{ is: 'count' }"
        :field="`${step.id}.rateChanges.${at}.fromPayment`"
        small
        @change="setChange(at, { fromPayment: $event })"
      />
      <FormulaField
        :id="`${step.id}-change-${at}-rate`"
        label="New rate"
        :value="one.annualRate"
        :scope="scope"
        :takes="{ is: 'percent' }"
        :field="`${step.id}.rateChanges.${at}.annualRate`"
        small
        @change="setChange(at, { annualRate: $event })"
      />
      <PickField
        :id="`${step.id}-change-${at}-keep`"
        label="What stays"
        :value="one.keep"
        :options="choicesOf(optionWords.keep)"
        @change="setChange(at, { keep: $event as Change['keep'] })"
      />
      <Button size="small" @click="putChanges(changes.filter((_, i) => i !== at))">Remove</Button>
    </div>
    <button
      type="button"
      class="link"
      @click="putChanges([...changes, { fromPayment: '', annualRate: '', keep: 'term' }])"
    >
      Add a rate change
    </button>
  </fieldset>
  <fieldset class="wide terms">
    <legend>Conventions</legend>
    <PickField
      v-for="name in shownOptions"
      :id="`${step.id}-${name}`"
      :key="name"
      :label="loanOptionWords[name].label"
      :value="valueOf(name)"
      :options="choicesFor(name)"
      @change="setOption(name, $event)"
    />
  </fieldset>
</template>
