<script setup lang="ts">
import type { Reading } from '@vivid/worksheet'
import { computed } from 'vue'
import { useWorksheet } from './worksheet-store'

/** How the draft should work things out, with what that changes in money. */
const { reading } = defineProps<{ reading: Reading }>()
const way = defineModel<'worksheet' | 'ledger'>('way', { required: true })
const worksheet = useWorksheet()
const HALF_A_CENT = 0.005
const digits = (value: number) =>
  value.toLocaleString('en', { minimumFractionDigits: 2, maximumFractionDigits: 2 })
const rows = computed(() =>
  reading.differences
    .map((one) => ({ ...one, apart: one.ledger - one.worksheet }))
    .filter(({ apart }) => Math.abs(apart) >= HALF_A_CENT),
)
</script>

<template>
  <section v-if="reading.loans > 0" class="differs">
    <h2>How should it work things out?</h2>
    <label
      ><input v-model="way" type="radio" name="way" value="worksheet" />
      <span>As the worksheet does: every figure the same.</span></label
    >
    <label
      ><input v-model="way" type="radio" name="way" value="ledger" />
      <span>To the cent, as a ledger does: what borrowers will really pay.</span></label
    >
    <p v-if="rows.length === 0" class="soft">What comes out is the same either way, to the cent.</p>
    <table v-else class="reading-table">
      <thead>
        <tr>
          <th scope="col">Comes out</th>
          <th scope="col" class="number">Worksheet</th>
          <th scope="col" class="number">To the cent</th>
          <th scope="col" class="number">Apart</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.cell">
          <th scope="row">
            <button type="button" class="link" @click="worksheet.chosen = row.cell">{{ row.label }}</button>
          </th>
          <td class="number">{{ digits(row.worksheet) }}</td>
          <td class="number">{{ digits(row.ledger) }}</td>
          <td class="number">{{ row.apart > 0 ? '+' : '−' }}{{ digits(Math.abs(row.apart)) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.differs {
  display: grid;
  gap: 6px;
}
h2 {
  font-size: 17px;
}
label {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
input {
  accent-color: var(--plum);
}
.reading-table {
  font-size: 14px;
}
th {
  font-weight: 400;
}
.link {
  font-weight: 400;
  text-align: left;
}
</style>
