<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import type { Ledger, LedgerYear, Readout, ReadoutOf } from '@vivid/core/evaluate'
import { counted, readWholeNumber, scheduleCell } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import PartsMeter from './PartsMeter.vue'
import PaymentBlock from './PaymentBlock.vue'
import PaymentRow from './PaymentRow.vue'
import { blocksOf, rowsBetween } from './schedule-cells'

const { step, readout, ledger, calculator } = defineProps<{
  step: ReadoutOf<'schedule'>
  readout: Extract<Readout, { shows: 'schedule' }>
  ledger: Ledger
  calculator: Calculator
}>()
const { figures, words, say } = calculator

const open = ref(new Set<number>())
function toggle(year: number): void {
  const next = new Set(open.value)
  if (!next.delete(year)) next.add(year)
  open.value = next
}

const columns = computed(() => readout.columns.filter((column) => readout.by === 'year' || column !== 'date'))
const blocks = computed(() => (readout.by === 'payment' ? blocksOf(ledger) : []))
const partsOf = ({ principal, interest }: LedgerYear) => [
  { at: 0, amount: principal },
  { at: 1, amount: interest },
]
const paymentsOf = ({ from, to }: LedgerYear) =>
  counted(to - from + 1, figures.value.words.payments, figures.value.locale)

/** Finding one payment: its year or block opens, and its row gets the focus. */
const section = useTemplateRef<HTMLElement>('section')
const wanted = ref('')
const found = ref<number>()
const fault = ref('')
async function find(): Promise<void> {
  const number = readWholeNumber(wanted.value, calculator.language.value)
  const isThere = number !== undefined && number >= ledger.firstNumber && number <= ledger.lastNumber
  fault.value = isThere
    ? ''
    : words.value.paymentsRange(
        figures.value.count(ledger.firstNumber),
        figures.value.count(ledger.lastNumber),
      )
  if (!isThere) return
  found.value = number
  const year = readout.years.find(({ from, to }) => number >= from && number <= to)
  if (readout.by === 'year' && year) open.value = new Set(open.value).add(year.year)
  await nextTick()
  const row = section.value?.querySelector<HTMLElement>(`[data-payment="${number}"]`)
  row?.focus({ preventScroll: true })
  if (row) await settleOn(row)
}

/** Rows around it are drawn as they come near and move it: it is scrolled to until it stays. */
async function settleOn(row: HTMLElement): Promise<void> {
  let before = NaN
  for (let frames = 0, still = 0; frames < 40 && still < 3; frames++) {
    row.scrollIntoView({ block: 'center', behavior: 'instant' })
    await new Promise((next) => requestAnimationFrame(next))
    const { top } = row.getBoundingClientRect()
    still = Math.abs(top - before) < 1 ? still + 1 : 0
    before = top
  }
}
</script>

<template>
  <section ref="section" class="schedule" :aria-label="say(step.label)">
    <div class="over">
      <h2>{{ say(step.label) }}</h2>
      <form class="finder" novalidate @submit.prevent="find">
        <label :for="`${step.id}-find`">{{ words.findPayment }}</label>
        <input
          :id="`${step.id}-find`"
          v-model="wanted"
          class="typed"
          inputmode="numeric"
          autocomplete="off"
          :placeholder="`${ledger.firstNumber}–${ledger.lastNumber}`"
          :aria-invalid="fault !== ''"
          :aria-describedby="fault ? `${step.id}-fault` : undefined"
        />
        <button type="submit" class="action">{{ words.find }}</button>
      </form>
    </div>
    <p v-if="fault" :id="`${step.id}-fault`" class="problem" role="alert">{{ fault }}</p>
    <p v-if="say(step.help)" class="help">{{ say(step.help) }}</p>
    <div class="scroll" tabindex="0" role="group" :aria-label="say(step.label)">
      <table :class="{ many: columns.length > 3 }" :style="{ '--columns': columns.length }">
        <thead>
          <tr>
            <th scope="col">{{ readout.by === 'year' ? words.year : words.number }}</th>
            <th scope="col" class="bar">{{ readout.by === 'year' ? words.whereItGoes : '' }}</th>
            <th v-for="column in columns" :key="column" scope="col" class="amount">
              {{ words.columns[column] }}
            </th>
          </tr>
        </thead>
        <template v-if="readout.by === 'year'">
          <tbody v-for="year in readout.years" :key="year.year">
            <tr class="year">
              <th scope="row">
                <button
                  type="button"
                  :aria-expanded="open.has(year.year)"
                  :aria-label="words.openYear(year.year, paymentsOf(year))"
                  @click="toggle(year.year)"
                >
                  <span class="caret" aria-hidden="true"></span>{{ year.year }}
                </button>
              </th>
              <td class="bar"><PartsMeter :parts="partsOf(year)" /></td>
              <td v-for="column in columns" :key="column" class="amount">
                {{ scheduleCell(column, year, ledger, figures) }}
              </td>
            </tr>
            <template v-if="open.has(year.year)">
              <PaymentRow
                v-for="row in rowsBetween(ledger, year.from, year.to)"
                :key="row.number"
                :row="row"
                :columns="columns"
                :ledger="ledger"
                :figures="figures"
                :found="found === row.number"
                with-amount
              />
            </template>
          </tbody>
        </template>
        <PaymentBlock
          v-for="block in blocks"
          :key="block.from"
          :from="block.from"
          :to="block.to"
          :columns="columns"
          :ledger="ledger"
          :figures="figures"
          :found="found"
        />
      </table>
    </div>
  </section>
</template>
