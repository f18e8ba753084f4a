<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { LoanColumn, QuestionOf } from '@vivid/core/evaluate'
import {
  cellQuestions,
  isBlank,
  isUnreadable,
  listWritten,
  loanFigures,
  readTyped,
  textOfAnswer,
  understoodAs,
  writtenLoans,
  type LoanText,
} from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import WhichMeant from '../pieces/WhichMeant.vue'

/** Several loans, a card each; what is typed stands in the question's text, a line a loan. */
const { id, question, calculator, invalid } = defineProps<{
  id: string
  question: QuestionOf<'loans'>
  calculator: Calculator
  invalid: boolean
}>()
const { words, figures } = calculator
type Figure = (typeof loanFigures)[number]

const blank: LoanText = { name: '', owed: '', rate: '', payment: '' }
const loansOf = (text: string): LoanText[] => {
  const { loans } = writtenLoans(text)
  return loans.length > 0 ? loans : [blank]
}
const text = computed(() => calculator.texts[question.id] ?? '')
const loans = ref(loansOf(text.value))
watch(text, (next) => {
  if (next !== listWritten(loans.value)) loans.value = loansOf(next)
})

function put(next: LoanText[]): void {
  loans.value = next
  calculator.type(question, { text: listWritten(next), caret: 0 })
}
const putCell = (at: number, column: LoanColumn, typed: string) =>
  put(loans.value.map((loan, i) => (i === at ? { ...loan, [column]: typed } : loan)))

const read = (loan: LoanText, figure: Figure): unknown =>
  readTyped(cellQuestions[figure], loan[figure], 'percent', calculator.typedIn.value)
const said = (figure: Figure, answer: unknown) => textOfAnswer(cellQuestions[figure], answer, figures.value)
const understood = (loan: LoanText, figure: Figure) =>
  understoodAs(cellQuestions[figure], loan[figure], read(loan, figure), figures.value)
const meanings = (loan: LoanText, figure: Figure) => {
  const answer = read(loan, figure)
  return isUnreadable(answer) ? answer.couldBe.map((one) => ({ answer: one, said: said(figure, one) })) : []
}

/** A figure is left: what was read of it is written out in full. */
function leaveFigure(at: number, figure: Figure): void {
  const loan = loans.value[at]
  const answer = loan && read(loan, figure)
  if (loan && !isUnreadable(answer)) putCell(at, figure, said(figure, answer))
  calculator.settle(question)
}

/** What is wrong is pointed out once a loan is left, not on the way through it. */
function leaveLoan(event: FocusEvent): void {
  const card = event.currentTarget as HTMLElement
  if (!card.contains(event.relatedTarget as Node | null)) calculator.leave(question)
}

/** The card and the column of what is wrong; the core counts the loans that have something in them. */
const wrong = computed(() => {
  const problem = calculator.evaluation.value.problems.find(({ field }) => field === question.id)
  if (!invalid || !problem || !('at' in problem) || !problem.at) return undefined
  const filled = loans.value.flatMap((loan, at) => (isBlank(loan) ? [] : [at]))
  return { at: filled[problem.at.loan], column: problem.at.of }
})
const isWrong = (at: number, column: LoanColumn) => wrong.value?.at === at && wrong.value.column === column

const numbered = (at: number) => words.value.loans.one(figures.value.count(at + 1))
const nameOf = (at: number) => loans.value[at]?.name.trim() || numbered(at)
const list = useTemplateRef<HTMLElement>('list')
async function focusOn(selector: string): Promise<void> {
  await nextTick()
  list.value?.querySelector<HTMLElement>(selector)?.focus()
}

function add(): void {
  put([...loans.value, blank])
  void focusOn(`#${id}-${loans.value.length - 1}-name`)
}
function remove(at: number): void {
  put(loans.value.filter((_, i) => i !== at))
  calculator.leave(question)
  void focusOn(`#${id}-${Math.min(at, loans.value.length - 1)}-name`)
}
function move(at: number, by: -1 | 1): void {
  const to = at + by
  const moved = loans.value.filter((_, i) => i !== at)
  moved.splice(to, 0, loans.value[at] ?? blank)
  put(moved)
  calculator.settle(question)
  const isAtEnd = to === (by < 0 ? 0 : moved.length - 1)
  void focusOn(`[data-loan="${to}"] .${by < 0 === isAtEnd ? 'later' : 'earlier'}`)
}
</script>

<template>
  <div :id="id" ref="list" class="loans" tabindex="-1">
    <div
      v-for="(loan, at) in loans"
      :key="at"
      class="loan"
      role="group"
      :aria-label="nameOf(at)"
      :data-loan="at"
      @focusout="leaveLoan"
    >
      <input
        :id="`${id}-${at}-name`"
        class="typed loan-name"
        type="text"
        autocomplete="off"
        maxlength="40"
        :aria-label="`${numbered(at)}: ${words.loans.columns.name}`"
        :placeholder="numbered(at)"
        :value="loan.name"
        :aria-invalid="isWrong(at, 'name')"
        @input="putCell(at, 'name', ($event.target as HTMLInputElement).value)"
        @blur="calculator.settle(question)"
      />
      <div class="loan-figures">
        <div v-for="figure in loanFigures" :key="figure">
          <label :for="`${id}-${at}-${figure}`">{{ words.loans.columns[figure] }}</label>
          <input
            :id="`${id}-${at}-${figure}`"
            class="typed"
            type="text"
            inputmode="decimal"
            autocomplete="off"
            :value="loan[figure]"
            :aria-invalid="isWrong(at, figure)"
            :aria-describedby="isWrong(at, figure) ? `${id}-problem` : undefined"
            @input="putCell(at, figure, ($event.target as HTMLInputElement).value)"
            @blur="leaveFigure(at, figure)"
          />
          <span v-if="understood(loan, figure)" class="aside">= {{ understood(loan, figure) }}</span>
        </div>
      </div>
      <WhichMeant
        v-for="figure in loanFigures"
        :key="figure"
        :asks="words.whichMeant"
        :meanings="meanings(loan, figure)"
        @mean="putCell(at, figure, said(figure, $event))"
      />
      <div v-if="loans.length > 1" class="loan-acts">
        <button
          type="button"
          class="loan-act earlier"
          :disabled="at === 0"
          :aria-label="words.loans.earlier(nameOf(at))"
          @click="move(at, -1)"
        >
          ↑
        </button>
        <button
          type="button"
          class="loan-act later"
          :disabled="at === loans.length - 1"
          :aria-label="words.loans.later(nameOf(at))"
          @click="move(at, 1)"
        >
          ↓
        </button>
        <button
          type="button"
          class="loan-act"
          :aria-label="words.loans.remove(nameOf(at))"
          @click="remove(at)"
        >
          ×
        </button>
      </div>
    </div>
    <button v-if="loans.length < question.mostLoans" type="button" class="plain add-loan" @click="add">
      {{ words.loans.add }}
    </button>
  </div>
</template>
