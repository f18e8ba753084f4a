<script setup lang="ts">
import '../results/tables.css'
import '../results/keeping.css'
import { computed, reactive, ref } from 'vue'
import type { Readout, ReadoutOf, WhatIf, WhatIfName } from '@vivid/core/evaluate'
import { whatIf } from '@vivid/core/further'
import { problemSentence, readMoney, readPercent } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import ComparedTable from '../results/ComparedTable.vue'
import { lumpYears, MOST_BESIDE, nameOf, paymentAfter, sentenceOf, whenOf } from './what-ifs'

const { step, readout, calculator } = defineProps<{
  step: ReadoutOf<'whatIf'>
  readout: Extract<Readout, { shows: 'whatIf' }>
  calculator: Calculator
}>()
const { figures, words, say, program, language } = calculator

const terms = computed(() => calculator.results.value?.terms.get(readout.loan))
const chosen = ref<WhatIfName | undefined>(readout.offers[0])
const texts = reactive({ extra: '', lumpSum: '', rate: '', payment: '' })
const years = ref(0)

const labels = computed((): Record<WhatIfName, string> => ({
  extra: words.value.whatIf.extraAmount,
  lumpSum: words.value.whatIf.lumpAmount,
  rate: words.value.whatIf.newRate,
  payment: words.value.whatIf.newPayment,
}))

/** What is being tried, if it can be read; and whether something is typed that cannot. */
const tried = computed((): WhatIf | undefined => {
  const kind = chosen.value
  if (!kind || !terms.value) return undefined
  if (kind === 'rate') {
    const annualRate = readPercent(texts.rate, language.value)
    return annualRate === undefined ? undefined : { kind, annualRate }
  }
  const amount = readMoney(texts[kind], language.value, program.value.minorDigits)
  if (amount === undefined || amount <= 0) return undefined
  if (kind === 'payment') return { kind, payment: amount }
  return kind === 'extra'
    ? { kind, amount }
    : { kind, amount, withPayment: paymentAfter(years.value, terms.value) }
})
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
  return 'ok' in last
    ? {
        works: false,
        text: problemSentence({ code: 'LOAN_REFUSED', field: step.id, refusal: last }, figures.value),
      }
    : { works: true, text: sentenceOf(answer.value.asItIs, last, terms.value, figures.value, words.value) }
})
const isUnreadable = computed(
  () => chosen.value !== undefined && texts[chosen.value].trim() !== '' && tried.value === undefined,
)
const example = computed(() =>
  figures.value.words.problems.ANSWER_UNREADABLE(
    { code: 'ANSWER_UNREADABLE', field: '', wanted: chosen.value === 'rate' ? 'percent' : 'money' },
    figures.value,
  ),
)

const isFull = computed(() => beside.value.length >= MOST_BESIDE)
function keep(): void {
  if (!tried.value || !said.value?.works || isFull.value || !chosen.value) return
  calculator.putBeside(step.id, [...beside.value, tried.value])
  texts[chosen.value] = ''
}
const remove = (index: number) =>
  calculator.putBeside(
    step.id,
    beside.value.filter((_, i) => i !== index),
  )

/** What was kept, beside the loan as it is; one that no longer works with the answers says so by standing empty. */
const columns = computed(() => {
  const found = answer.value
  if (!found || !terms.value || beside.value.length === 0) return []
  return beside.value.flatMap((change, i) => {
    const column = found.changed[i]
    const name = terms.value ? nameOf(change, terms.value, figures.value, words.value) : ''
    return [{ name, change, at: i, column: column && !('ok' in column) ? column : undefined }]
  })
})
const tableColumns = computed(() =>
  answer.value
    ? [
        { label: words.value.whatIf.asItIs, column: answer.value.asItIs },
        ...columns.value.flatMap(({ name, column }) => (column ? [{ label: name, column }] : [])),
      ]
    : [],
)
const rows = ['payment', 'payments', 'endDate', 'totalInterest', 'totalPaid', 'difference'] as const

/** Written out in full once the field is left, as the questions are. */
function leave(kind: WhatIfName): void {
  const change = tried.value
  if (!change || change.kind !== kind) return
  texts[kind] =
    change.kind === 'rate'
      ? figures.value.percent(change.annualRate)
      : figures.value.moneyShort(change.kind === 'payment' ? change.payment : change.amount)
}
</script>

<template>
  <section v-if="terms" class="result wide what-if" :aria-labelledby="`${step.id}-title`">
    <h2 :id="`${step.id}-title`">{{ say(step.label) }} …</h2>
    <p v-if="say(step.help)" class="help">{{ say(step.help) }}</p>
    <div class="choices" role="radiogroup" :aria-labelledby="`${step.id}-title`">
      <label v-for="offer in readout.offers" :key="offer" class="choice">
        <input v-model="chosen" type="radio" :name="`${step.id}-offer`" :value="offer" />
        <span>{{ words.whatIf[offer] }}</span>
      </label>
    </div>
    <div v-if="chosen" class="trying">
      <div class="try">
        <label :for="`${step.id}-amount`">{{ labels[chosen] }}</label>
        <input
          :id="`${step.id}-amount`"
          v-model="texts[chosen]"
          class="typed"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          :aria-invalid="isUnreadable"
          :aria-describedby="`${step.id}-says`"
          @blur="leave(chosen)"
          @keydown.enter.prevent="keep"
        />
      </div>
      <div v-if="chosen === 'lumpSum'" class="try">
        <label :for="`${step.id}-when`">{{ words.whatIf.lumpWhen }}</label>
        <select :id="`${step.id}-when`" v-model="years" class="typed">
          <option v-for="after in lumpYears" :key="after" :value="after">
            {{ whenOf(after, figures, words) }}
          </option>
        </select>
      </div>
      <button type="button" class="action" :disabled="!said?.works || isFull" @click="keep">
        {{ words.whatIf.keep }}
      </button>
    </div>
    <p
      :id="`${step.id}-says`"
      class="says"
      role="status"
      :class="{ problem: isUnreadable || said?.works === false }"
    >
      {{ isUnreadable ? example : said?.text }}
    </p>
    <p v-if="isFull" class="help">{{ words.whatIf.full }}</p>
    <template v-if="columns.length">
      <ComparedTable :columns="tableColumns" :rows="rows" :label="say(step.label)" :calculator="calculator" />
      <ul class="kept">
        <li v-for="{ name, at, column } in columns" :key="at">
          <button type="button" class="plain" @click="remove(at)">{{ words.whatIf.remove(name) }}</button>
          <span v-if="!column" class="problem">–</span>
        </li>
      </ul>
    </template>
  </section>
</template>
