<script setup lang="ts">
import { ref } from 'vue'
import type { Ledger, LedgerRow, LedgerYear } from '@vivid/core/evaluate'
import type { Figures } from '@vivid/contract/wording'
import { words } from '../words'
import PartsMeter from './PartsMeter.vue'

const { ledger } = defineProps<{
  label: string
  help: string
  years: readonly LedgerYear[]
  ledger: Ledger
  figures: Figures
}>()

const open = ref(new Set<number>())

function toggle(year: number): void {
  const next = new Set(open.value)
  if (!next.delete(year)) next.add(year)
  open.value = next
}

const rowsOf = ({ from, to }: LedgerYear): LedgerRow[] =>
  Array.from({ length: to - from + 1 }, (_, i) => ledger.at(from + i))

const partsOf = ({ principal, interest }: LedgerYear) => [
  { key: 'principal' as const, amount: principal },
  { key: 'interest' as const, amount: interest },
]
</script>

<template>
  <section class="schedule" :aria-label="label">
    <h2>{{ label }}</h2>
    <p v-if="help" class="help">{{ help }}</p>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ words.year }}</th>
            <th scope="col" class="bar">{{ words.whereItGoes }}</th>
            <th scope="col" class="amount">{{ words.principal }}</th>
            <th scope="col" class="amount">{{ words.interest }}</th>
            <th scope="col" class="amount">{{ words.stillOwed }}</th>
          </tr>
        </thead>
        <tbody v-for="year in years" :key="year.year">
          <tr class="year">
            <th scope="row">
              <button
                type="button"
                :aria-expanded="open.has(year.year)"
                :aria-label="words.openYear(year.year, year.to - year.from + 1)"
                @click="toggle(year.year)"
              >
                <span class="caret" aria-hidden="true"></span>{{ year.year }}
              </button>
            </th>
            <td class="bar"><PartsMeter :parts="partsOf(year)" /></td>
            <td class="amount">{{ figures.money(year.principal) }}</td>
            <td class="amount">{{ figures.money(year.interest) }}</td>
            <td class="amount">{{ figures.money(year.closing) }}</td>
          </tr>
          <template v-if="open.has(year.year)">
            <tr v-for="row in rowsOf(year)" :key="row.number" class="row" :data-payment="row.number">
              <th scope="row" colspan="2">
                <span class="number">{{ row.number }}</span>
                <span class="when">{{ row.date ? figures.date(row.date) : '' }}</span>
                <span class="paid">{{ figures.money(row.payment) }}</span>
              </th>
              <td class="amount">{{ figures.money(row.principal) }}</td>
              <td class="amount">{{ figures.money(row.interest) }}</td>
              <td class="amount">{{ figures.money(row.closing) }}</td>
            </tr>
          </template>
        </tbody>
      </table>
    </div>
  </section>
</template>
