<script setup lang="ts">
import { Alert } from 'ant-design-vue'
import type { SheetImpactSaid } from '@vivid/contract'
import { startSaid } from '../shared/time/start-said'

/** What a change would do to what is live: each figure that changes, each sample visitor's payment, each proof. */
defineProps<{ impact: SheetImpactSaid }>()
</script>

<template>
  <section class="impact" aria-label="What this would change">
    <h2>What this would change</h2>
    <p v-if="impact.changes.length === 0" class="soft">No figure differs from what is in force.</p>
    <template v-else>
      <Alert v-if="impact.doubts.length" type="warning" role="status" message="Worth a second look">
        <template #description>
          <p v-for="(doubt, i) in impact.doubts.slice(0, 8)" :key="i">
            {{ doubt.keys.join(', ') }} from {{ startSaid(doubt.start) }}: {{ doubt.was }} becomes
            {{ doubt.now }}.
          </p>
        </template>
      </Alert>
      <div class="scroll">
        <table>
          <caption>
            {{
              impact.changes.length
            }}
            {{
              impact.changes.length === 1 ? 'figure' : 'figures'
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">From</th>
              <th scope="col">For</th>
              <th scope="col" class="number">In force</th>
              <th scope="col" class="number">Then</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(change, i) in impact.changes.slice(0, 60)" :key="i">
              <td>{{ startSaid(change.start) }}</td>
              <td>{{ change.keys.join(', ') }}</td>
              <td class="number">{{ change.before ?? '–' }}</td>
              <td class="number">{{ change.after ?? '–' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="impact.calculators.length === 0" class="soft">No calculator that is live looks it up.</p>
      <div v-for="calculator in impact.calculators" :key="calculator.id" class="one">
        <h3>
          <RouterLink :to="`/calculators/${calculator.id}`" class="link">{{ calculator.title }}</RouterLink>
        </h3>
        <table>
          <tbody>
            <tr v-for="(sample, i) in calculator.samples" :key="i">
              <td>
                {{ sample.sample }}<br /><span class="soft"
                  >{{ sample.label }}, {{ startSaid(sample.on) }}</span
                >
              </td>
              <td class="number">{{ sample.before }}</td>
              <td aria-hidden="true">→</td>
              <td class="number">
                <strong>{{ sample.after }}</strong>
              </td>
              <td class="number">{{ sample.difference }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="calculator.proofs.length === 0" class="soft">Every proof says the same as before.</p>
        <p v-for="proof in calculator.proofs" :key="proof.proof" class="proof">
          <span aria-hidden="true">{{ proof.agreesAfter ? '✓' : '▲' }}</span>
          The proof “{{ proof.proof }}” {{ proof.agreesAfter ? 'would agree again' : 'would differ' }}.
        </p>
      </div>
    </template>
  </section>
</template>

<style scoped>
.impact {
  display: grid;
  gap: 12px;
  padding-top: 14px;
  border-top: 1px solid var(--line);
}
h3 {
  font-size: 16px;
}
table {
  border-collapse: collapse;
}
caption {
  caption-side: top;
  padding: 0 0 4px;
  text-align: left;
  font-weight: 600;
  color: var(--ink);
}
th,
td {
  padding: 4px 18px 4px 0;
  text-align: left;
  vertical-align: top;
}
tbody tr {
  border-top: 1px solid var(--line);
}
.number {
  text-align: right;
}
.scroll {
  max-height: 260px;
  overflow: auto;
}
.one {
  display: grid;
  gap: 6px;
}
.proof {
  color: var(--red-text);
}
</style>
