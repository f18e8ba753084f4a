<script setup lang="ts">
import { computed, nextTick, useTemplateRef } from 'vue'
import type { Readout, ReadoutOf, WhatIfName } from '@vivid/core/evaluate'
import { hasPaymentIn, whatIf } from '@vivid/core/what-if'
import {
  keptName,
  lumpYears,
  keptLimits,
  MOST_BESIDE,
  paymentAfter,
  problemSentence,
  whatIfName,
  whatIfSentence,
  whenOf,
  type KeptWhatIf,
} from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import ComparedTable from '../pieces/ComparedTable.vue'
import { readTrying } from '../model/read-trying'
import WhatIfField from './WhatIfField.vue'

const { step, readout, calculator } = defineProps<{
  step: ReadoutOf<'whatIf'>
  readout: Extract<Readout, { shows: 'whatIf' }>
  calculator: Calculator
}>()
const { figures, words, say, program, language } = calculator

const terms = computed(() => calculator.results.value?.terms.get(readout.loan))
const trying = calculator.tryingIn(step.id)
/** When a lump sum can go with a payment; what was chosen before stays to be seen. */
const whens = computed(() => {
  const [agreed, ledger] = [terms.value, calculator.results.value?.ledgers.get(readout.loan)]
  if (!agreed || !ledger) return [0]
  return lumpYears.filter(
    (years) => years === trying.years || hasPaymentIn(paymentAfter(years, agreed), agreed, ledger),
  )
})
const labels = computed((): Record<WhatIfName, string> => ({
  extra: words.value.whatIf.extraAmount,
  yearlyExtra: words.value.whatIf.yearlyAmount,
  lumpSum: words.value.whatIf.lumpAmount,
  rate: words.value.whatIf.newRate,
  payment: words.value.whatIf.newPayment,
}))

const read = computed(() =>
  terms.value
    ? readTrying(trying, readout.offers, terms.value, {
        locale: language.value,
        currency: program.value.currency,
      })
    : undefined,
)
const tried = computed(() => read.value?.whatIf)
const beside = computed(() => calculator.beside[step.id] ?? [])
const answer = computed(() => {
  if (!terms.value) return undefined
  const found = whatIf(terms.value, [...beside.value, ...(tried.value ? [tried.value] : [])])
  return 'ok' in found ? undefined : found
})
/** What is tried, worked out: a sentence, or why it cannot be. */
const said = computed(() => {
  const last = tried.value && answer.value?.changed.at(-1)
  if (!last || !answer.value || !terms.value) return undefined
  return {
    works: !('ok' in last),
    text: whatIfSentence(answer.value.asItIs, last, terms.value, figures.value),
  }
})
const example = computed(() => {
  const [offer] = read.value?.unread ?? []
  if (!offer) return ''
  const wanted = offer === 'rate' ? 'percent' : 'money'
  const problem = { code: 'ANSWER_UNREADABLE', field: '', wanted } as const
  return `${labels.value[offer]}: ${problemSentence(problem, figures.value)}`
})

const isFull = computed(() => beside.value.length >= MOST_BESIDE)
const same = (kept: KeptWhatIf) =>
  JSON.stringify({ ...kept, name: '' }) === JSON.stringify({ name: '', ...tried.value })
/** What is tried stands there already: it stays in the fields, to be changed for the next. */
const isKept = computed(() => tried.value !== undefined && beside.value.some(same))
const canKeep = computed(() => said.value?.works === true && !isFull.value && !isKept.value)
function keep(): void {
  if (tried.value && canKeep.value)
    calculator.putBeside(step.id, [...beside.value, { name: '', ...tried.value }])
}
const change = (at: number, name: string) =>
  calculator.putBeside(
    step.id,
    beside.value.map((one, i) => (i === at ? { ...one, name } : one)),
  )
const section = useTemplateRef<HTMLElement>('section')
/** What had the focus is gone: the next to be removed has it then, or else the button that keeps another. */
async function remove(at: number): Promise<void> {
  calculator.putBeside(
    step.id,
    beside.value.filter((_, i) => i !== at),
  )
  await nextTick()
  const left = section.value?.querySelectorAll<HTMLElement>('.kept .plain') ?? []
  const next = left[Math.min(at, left.length - 1)] ?? section.value?.querySelector<HTMLElement>('.keep')
  next?.focus()
}

/** What was kept, beside the loan as it is; one that does not work with the answers any more says why. */
const kept = computed(() => {
  const [found, agreed] = [answer.value, terms.value]
  if (!found || !agreed) return []
  return beside.value.flatMap((one, at) => {
    const column = found.changed[at]
    if (!column) return []
    const name = keptName(one, agreed, figures.value)
    const short = whatIfName(one, agreed, figures.value)
    const fails = 'ok' in column
    const why = fails ? whatIfSentence(found.asItIs, column, agreed, figures.value) : ''
    return [{ one, name, short, why, column: fails ? undefined : column }]
  })
})
const columns = computed(() =>
  answer.value
    ? [
        { label: words.value.whatIf.asItIs, column: answer.value.asItIs },
        ...kept.value.flatMap(({ name, column }) => (column ? [{ label: name, column }] : [])),
      ]
    : [],
)
const rows = ['payment', 'payments', 'endDate', 'totalInterest', 'totalPaid', 'difference'] as const
</script>

<template>
  <section v-if="terms" ref="section" class="result wide what-if" :aria-labelledby="`${step.id}-title`">
    <h2 :id="`${step.id}-title`">{{ say(step.label) }} …</h2>
    <p v-if="say(step.help)" class="help">{{ say(step.help) }}</p>
    <form class="trying" novalidate autocomplete="off" @submit.prevent="keep">
      <template v-for="offer in readout.offers" :key="offer">
        <WhatIfField
          :id="`${step.id}-${offer}`"
          v-model="trying.texts[offer]"
          :offer="offer"
          :label="labels[offer]"
          :calculator="calculator"
          :described-by="`${step.id}-says`"
        />
        <div v-if="offer === 'lumpSum'" class="try">
          <div class="head">
            <label :for="`${step.id}-when`">{{ words.whatIf.lumpWhen }}</label>
          </div>
          <select :id="`${step.id}-when`" v-model="trying.years" class="typed">
            <option v-for="after in whens" :key="after" :value="after">
              {{ whenOf(after, figures) }}
            </option>
          </select>
        </div>
      </template>
      <button type="submit" class="action keep" :aria-disabled="!canKeep">
        {{ isKept ? words.whatIf.isKept : words.whatIf.keep }}
      </button>
    </form>
    <p
      :id="`${step.id}-says`"
      class="says"
      role="status"
      :class="{ problem: example !== '' || said?.works === false }"
    >
      {{ example || said?.text }}
    </p>
    <p v-if="isFull" class="help">{{ words.whatIf.full }}</p>
    <template v-if="kept.length">
      <ComparedTable :columns="columns" :rows="rows" :label="say(step.label)" :calculator="calculator" />
      <ul class="kept">
        <li v-for="({ one, name, short, why }, at) in kept" :key="at">
          <input
            class="typed"
            type="text"
            :value="one.name"
            :placeholder="short"
            :maxlength="keptLimits.name"
            :aria-label="words.whatIf.nameIt(short)"
            @input="change(at, ($event.target as HTMLInputElement).value)"
          />
          <button type="button" class="plain" @click="remove(at)">{{ words.whatIf.remove(name) }}</button>
          <span v-if="why" class="problem">{{ why }}</span>
        </li>
      </ul>
    </template>
  </section>
</template>
