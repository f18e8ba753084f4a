<script setup lang="ts">
import { computed } from 'vue'
import type { Readout, ReadoutOf, Rung } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'

const { readout, calculator } = defineProps<{
  step: ReadoutOf<'ladder'>
  readout: Extract<Readout, { shows: 'ladder' }>
  calculator: Calculator
}>()
const { figures, words, say } = calculator

/** What a rung is named by: its rate, its length or its amount. */
const nameOf = ({ rate, length, amount }: Rung): string =>
  rate !== undefined
    ? figures.value.percent(rate)
    : length
      ? figures.value.term(length)
      : figures.value.moneyShort(amount ?? 0)
const heading = computed(
  () =>
    ({
      rates: words.value.rate,
      terms: words.value.length,
      extras: words.value.extra,
      amounts: words.value.amount,
      ratesByTerms: words.value.rate,
    })[readout.over],
)

/** Rates down, lengths across. */
const grid = computed(() => {
  if (readout.over !== 'ratesByTerms') return undefined
  const rates = [...new Set(readout.rungs.map(({ rate }) => rate ?? ''))]
  const lengths = [
    ...new Map(
      readout.rungs.map(({ length }) => [figures.value.term(length ?? { years: 0, months: 0 }), length]),
    ).keys(),
  ]
  const rows = rates.map((rate) => ({ rate, rungs: readout.rungs.filter((rung) => rung.rate === rate) }))
  return { lengths, rows }
})
</script>

<template>
  <section class="result wide" :aria-label="say(step.label)">
    <h2>{{ say(step.label) }}</h2>
    <div class="scroll" tabindex="0" role="group" :aria-label="say(step.label)">
      <table v-if="grid" class="ladder">
        <thead>
          <tr>
            <th scope="col">{{ heading }}</th>
            <th v-for="length in grid.lengths" :key="length" scope="col" class="amount">{{ length }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in grid.rows" :key="row.rate">
            <th scope="row">{{ figures.percent(row.rate) }}</th>
            <td v-for="(rung, i) in row.rungs" :key="i" class="amount">{{ figures.money(rung.payment) }}</td>
          </tr>
        </tbody>
      </table>
      <table v-else class="ladder">
        <thead>
          <tr>
            <th scope="col">{{ heading }}</th>
            <th scope="col" class="amount">{{ words.rows.payment }}</th>
            <th scope="col" class="amount">{{ words.rows.payments }}</th>
            <th scope="col" class="amount">{{ words.rows.totalInterest }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(rung, i) in readout.rungs" :key="i">
            <th scope="row">{{ nameOf(rung) }}</th>
            <td class="amount">{{ figures.money(rung.payment) }}</td>
            <td class="amount">{{ figures.count(rung.payments) }}</td>
            <td class="amount">{{ figures.money(rung.totalInterest) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
