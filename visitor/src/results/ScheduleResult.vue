<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Ledger, LedgerYear, Readout, ReadoutOf } from '@vivid/core/evaluate'
import { counted } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import PartsMeter from './PartsMeter.vue'
import { cellOf, rowsBetween } from './schedule-cells'

const { step, readout, ledger, calculator } = defineProps<{
  step: ReadoutOf<'schedule'>
  readout: Extract<Readout, { shows: 'schedule' }>
  ledger: Ledger
  calculator: Calculator
}>()
const { figures, words, say } = calculator

/** Payments are drawn up to this number until all are asked for. */
const FEW = 24
const open = ref(new Set<number>())
const all = ref(false)

function toggle(year: number): void {
  const next = new Set(open.value)
  if (!next.delete(year)) next.add(year)
  open.value = next
}

const columns = computed(() => readout.columns.filter((column) => readout.by === 'year' || column !== 'date'))
const payments = computed(() => {
  if (readout.by === 'year') return []
  const last = all.value ? ledger.lastNumber : Math.min(ledger.lastNumber, ledger.firstNumber + FEW - 1)
  return rowsBetween(ledger, ledger.firstNumber, last)
})
const partsOf = ({ principal, interest }: LedgerYear) => [
  { at: 0, amount: principal },
  { at: 1, amount: interest },
]
const paymentsOf = ({ from, to }: LedgerYear) =>
  counted(to - from + 1, figures.value.words.payments, figures.value.locale)
</script>

<template>
  <section class="schedule" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
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
                {{ cellOf(column, year, ledger, figures) }}
              </td>
            </tr>
            <template v-if="open.has(year.year)">
              <tr
                v-for="row in rowsBetween(ledger, year.from, year.to)"
                :key="row.number"
                class="row"
                :data-payment="row.number"
              >
                <th scope="row" colspan="2">
                  <span class="number">{{ row.number }}</span>
                  <span class="when">{{ row.date ? figures.date(row.date) : '' }}</span>
                  <span class="paid">{{ figures.money(row.payment) }}</span>
                </th>
                <td v-for="column in columns" :key="column" class="amount">
                  {{ cellOf(column, row, ledger, figures) }}
                </td>
              </tr>
            </template>
          </tbody>
        </template>
        <tbody v-else>
          <tr v-for="row in payments" :key="row.number" class="row" :data-payment="row.number">
            <th scope="row" colspan="2">
              <span class="number">{{ row.number }}</span>
              <span class="when">{{ row.date ? figures.date(row.date) : '' }}</span>
            </th>
            <td v-for="column in columns" :key="column" class="amount">
              {{ cellOf(column, row, ledger, figures) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <button
      v-if="readout.by === 'payment' && !all && ledger.count > FEW"
      type="button"
      class="plain"
      @click="all = true"
    >
      {{ words.showAll(ledger.count) }}
    </button>
  </section>
</template>
