<script setup lang="ts">
import { mainLanguage } from '@vivid/core'
import { Button, Input, message } from 'ant-design-vue'
import { computed } from 'vue'
import type { Proof, ProofResult } from '@vivid/core'
import { figuresFor } from '@vivid/contract/wording'
import { useDraft } from '../draft/draft-store'

/** The figures one proof expects, beside those it gets, and what lies between for those that differ. */
const { proof, result, nameOf } = defineProps<{
  proof: Proof
  result: ProofResult | undefined
  nameOf: (step: string) => string
}>()
const emit = defineEmits<{
  change: [at: number, fields: Partial<Proof['expected'][number]>]
  goTo: [step: string]
}>()
const draft = useDraft()
const figures = computed(
  () => draft.compiled && figuresFor(draft.compiled.program, mainLanguage(draft.compiled.program)),
)
const isTolerance = (text: string) => /^\d{1,10}(\.\d{1,6})?$/.test(text)

/** Of many figures, the one that differs is said, with its place. */
const listExpected = (figures: readonly string[], line: ProofResult['lines'][number] | undefined): string =>
  line?.list && !line.agrees
    ? `figure ${line.list.place} of ${line.list.count}: ${line.expected}`
    : `${figures.length} figures, the last ${figures.at(-1) ?? ''}`

/** The figure got becomes the one expected; the record says by whom, and what it was. */
function takePresent(at: number, got: string): void {
  emit('change', at, { figure: got })
  void message.success('The proof expects the present figure now. This goes on record; Undo takes it back.')
}
</script>

<template>
  <table>
    <thead>
      <tr>
        <th scope="col">Figure</th>
        <th scope="col">Expected</th>
        <th scope="col">Within</th>
        <th scope="col">Got</th>
        <th scope="col">Difference</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="(line, at) in proof.expected"
        :key="at"
        :class="{ differs: result?.lines[at]?.agrees === false }"
      >
        <th scope="row">{{ line.of }}</th>
        <td>
          <span v-if="Array.isArray(line.figure)">{{ listExpected(line.figure, result?.lines[at]) }}</span>
          <Input
            v-else
            size="small"
            :value="line.figure"
            :value-modifiers="{ lazy: true }"
            :aria-label="`Expected, ${line.of}`"
            @update:value="emit('change', at, { figure: $event })"
          />
        </td>
        <td>
          <Input
            size="small"
            class="narrow"
            :value="line.tolerance"
            :value-modifiers="{ lazy: true }"
            :aria-label="`Tolerance, ${line.of}`"
            @update:value="isTolerance($event) && emit('change', at, { tolerance: $event })"
          />
        </td>
        <td class="amount">{{ result?.lines[at]?.got ?? 'no value' }}</td>
        <td class="amount">
          {{ result?.lines[at]?.difference ?? '–' }}
          <template v-if="result?.lines[at]?.agrees === false">
            <span class="bad">differs</span>
            <Button
              v-if="result.lines[at].got !== undefined && !result.lines[at].list"
              size="small"
              :aria-label="`Take the present figure, ${line.of}`"
              @click="takePresent(at, result.lines[at].got)"
              >Take the present figure</Button
            >
          </template>
        </td>
      </tr>
    </tbody>
  </table>
  <template v-for="(line, at) in result?.lines ?? []" :key="at">
    <details v-if="!line.agrees && line.between.length" class="between" open>
      <summary>What lies between the answers and “{{ line.of }}”</summary>
      <dl>
        <div v-for="part in line.between" :key="part.step">
          <dt>
            <button type="button" class="link" @click="emit('goTo', part.step)">
              {{ nameOf(part.step) }}
            </button>
          </dt>
          <dd>{{ figures?.value(part.value) }}</dd>
        </div>
      </dl>
    </details>
  </template>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 4px 10px 4px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  font-weight: 400;
}
tbody th {
  font-weight: 600;
}
.amount {
  text-align: right;
}
.narrow {
  width: 70px;
}
.between {
  margin-top: 12px;
}
.between dl > div {
  display: flex;
  justify-content: space-between;
  gap: 20px;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}
</style>
