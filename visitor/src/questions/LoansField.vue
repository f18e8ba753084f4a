<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { LoanCell, QuestionOf } from '@vivid/core/evaluate'
import {
  cellQuestions,
  cellsOf,
  isUnreadable,
  loanColumns,
  readTyped,
  textOfAnswer,
  textOfCells,
  understoodAs,
} from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'

/** Several loans, a card each; what is typed stands in the question's text, a line a loan. */
const { id, question, calculator, invalid } = defineProps<{
  id: string
  question: QuestionOf<'loans'>
  calculator: Calculator
  invalid: boolean
}>()
const { words, figures } = calculator

const blank = (): string[] => loanColumns.map(() => '')
const rowsOf = (text: string): string[][] => {
  const rows = cellsOf(text).map((cells) => loanColumns.map((_, at) => cells[at] ?? ''))
  return rows.length > 0 ? rows : [blank()]
}
const rows = ref(rowsOf(calculator.texts[question.id] ?? ''))
watch(
  () => calculator.texts[question.id] ?? '',
  (text) => {
    if (text !== textOfCells(rows.value)) rows.value = rowsOf(text)
  },
)
const write = () => calculator.type(question, { text: textOfCells(rows.value), caret: 0 })

function typed(row: number, at: number, event: Event): void {
  const cells = rows.value[row]
  if (cells) cells[at] = (event.target as HTMLInputElement).value
  write()
}

/** What a cell's text is read as; a name is itself. */
function read(row: number, at: number) {
  const column = loanColumns[at] ?? 'name'
  const text = rows.value[row]?.[at] ?? ''
  if (column === 'name') return undefined
  const asked = cellQuestions[column]
  const answer = readTyped(asked, text, 'percent', calculator.typedIn.value)
  return { asked, text, answer }
}

/** A cell is left: what was read of it is written out in full. */
function leaveCell(row: number, at: number): void {
  const found = read(row, at)
  if (found && found.answer !== null && !isUnreadable(found.answer)) mean(row, at, found.answer)
  calculator.settle(question)
}

function mean(row: number, at: number, answer: unknown): void {
  const found = read(row, at)
  const cells = rows.value[row]
  if (!found || !cells) return
  cells[at] = textOfAnswer(found.asked, answer, figures.value)
  write()
}

/** What is wrong is pointed out once a loan is left, not on the way through it. */
function leaveLoan(event: FocusEvent): void {
  const loan = event.currentTarget as HTMLElement
  if (!loan.contains(event.relatedTarget as Node | null)) calculator.leave(question)
}

const understood = (row: number, at: number): string => {
  const found = read(row, at)
  return (found && understoodAs(found.asked, found.text, found.answer, figures.value)) ?? ''
}
const meanings = (row: number) =>
  loanColumns.flatMap((_, at) => {
    const answer = read(row, at)?.answer
    if (!isUnreadable(answer)) return []
    return answer.couldBe.map((one) => ({
      at,
      answer: one,
      said: textOfAnswer(cellQuestions[loanColumns[at] === 'rate' ? 'rate' : 'owed'], one, figures.value),
    }))
  })

const wrong = computed<LoanCell | undefined>(() => {
  const problem = calculator.evaluation.value.problems.find(({ field }) => field === question.id)
  return invalid && problem && 'at' in problem ? problem.at : undefined
})
/** The reading leaves out loans with nothing in them: which row a loan is. */
const filled = computed(() =>
  rows.value.flatMap((cells, row) => (cells.some((cell) => cell.trim() !== '') ? [row] : [])),
)
const isWrong = (row: number, at: number) =>
  wrong.value !== undefined && filled.value[wrong.value.loan] === row && loanColumns[at] === wrong.value.of

const nameOf = (row: number) =>
  rows.value[row]?.[0]?.trim() || words.value.loans.one(figures.value.count(row + 1))
const list = useTemplateRef<HTMLElement>('list')
async function focusOn(selector: string): Promise<void> {
  await nextTick()
  list.value?.querySelector<HTMLElement>(selector)?.focus()
}

function add(): void {
  rows.value.push(blank())
  write()
  void focusOn(`#${id}-${rows.value.length - 1}-name`)
}
function remove(row: number): void {
  rows.value.splice(row, 1)
  if (rows.value.length === 0) rows.value.push(blank())
  write()
  calculator.leave(question)
  void focusOn(`#${id}-${Math.min(row, rows.value.length - 1)}-name`)
}
function move(row: number, by: -1 | 1): void {
  const [loan] = rows.value.splice(row, 1)
  if (loan) rows.value.splice(row + by, 0, loan)
  write()
  calculator.settle(question)
  const to = row + by
  const isAtEnd = to === (by < 0 ? 0 : rows.value.length - 1)
  void focusOn(`[data-loan="${to}"] .${by < 0 === isAtEnd ? 'later' : 'earlier'}`)
}
</script>

<template>
  <div :id="id" ref="list" class="loans" tabindex="-1">
    <div
      v-for="(cells, row) in rows"
      :key="row"
      class="loan"
      role="group"
      :aria-label="nameOf(row)"
      :data-loan="row"
      @focusout="leaveLoan"
    >
      <input
        :id="`${id}-${row}-name`"
        class="typed loan-name"
        type="text"
        autocomplete="off"
        maxlength="40"
        :aria-label="`${words.loans.one(figures.count(row + 1))}: ${words.loans.columns.name}`"
        :placeholder="words.loans.one(figures.count(row + 1))"
        :value="cells[0]"
        :aria-invalid="isWrong(row, 0)"
        @input="typed(row, 0, $event)"
        @blur="leaveCell(row, 0)"
      />
      <div class="loan-figures">
        <div v-for="at in [1, 2, 3]" :key="at">
          <label :for="`${id}-${row}-${loanColumns[at]}`">{{
            words.loans.columns[loanColumns[at] ?? 'owed']
          }}</label>
          <input
            :id="`${id}-${row}-${loanColumns[at]}`"
            class="typed"
            type="text"
            inputmode="decimal"
            autocomplete="off"
            :value="cells[at]"
            :aria-invalid="isWrong(row, at)"
            :aria-describedby="isWrong(row, at) ? `${id}-problem` : undefined"
            @input="typed(row, at, $event)"
            @blur="leaveCell(row, at)"
          />
          <span v-if="understood(row, at)" class="aside">= {{ understood(row, at) }}</span>
        </div>
      </div>
      <p v-if="meanings(row).length" class="doubt" role="status">
        {{ words.whichMeant }}
        <button
          v-for="{ at, answer, said } in meanings(row)"
          :key="`${at} ${said}`"
          type="button"
          class="mean"
          @click="mean(row, at, answer)"
        >
          {{ said }}
        </button>
      </p>
      <div v-if="rows.length > 1" class="loan-acts">
        <button
          type="button"
          class="loan-act earlier"
          :disabled="row === 0"
          :aria-label="words.loans.earlier(nameOf(row))"
          @click="move(row, -1)"
        >
          ↑
        </button>
        <button
          type="button"
          class="loan-act later"
          :disabled="row === rows.length - 1"
          :aria-label="words.loans.later(nameOf(row))"
          @click="move(row, 1)"
        >
          ↓
        </button>
        <button
          type="button"
          class="loan-act"
          :aria-label="words.loans.remove(nameOf(row))"
          @click="remove(row)"
        >
          ×
        </button>
      </div>
    </div>
    <button v-if="rows.length < question.mostLoans" type="button" class="plain add-loan" @click="add">
      {{ words.loans.add }}
    </button>
  </div>
</template>
