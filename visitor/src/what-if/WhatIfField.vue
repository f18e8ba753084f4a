<script setup lang="ts">
import { computed } from 'vue'
import type { WhatIfName } from '@vivid/core/evaluate'
import { isUnreadable, readTyped, textOfAnswer, understoodAs } from '@vivid/contract/wording'
import type { Calculator } from '../model/use-calculator'
import { askedIn } from '../model/read-trying'
import WhichMeant from '../pieces/WhichMeant.vue'

/** One thing that is tried: what is typed, what was understood of it, and what it could mean. */
const { id, offer, calculator } = defineProps<{
  id: string
  offer: WhatIfName
  label: string
  calculator: Calculator
  describedBy: string
}>()
const text = defineModel<string>({ required: true })

const asked = computed(() => askedIn(offer))
const answer = computed(() =>
  readTyped(asked.value, text.value, 'money', {
    locale: calculator.language.value,
    currency: calculator.program.value.currency,
    own: calculator.program.value.words,
  }),
)
const said = (one: unknown) => textOfAnswer(asked.value, one, calculator.figures.value)
const understood = computed(() =>
  understoodAs(asked.value, text.value, answer.value, calculator.figures.value),
)
const meanings = computed(() =>
  isUnreadable(answer.value) ? answer.value.couldBe.map((one) => ({ answer: one, said: said(one) })) : [],
)
const isWrong = computed(() => isUnreadable(answer.value) && meanings.value.length === 0)

/** Written out in full once the field is left, as the questions are. */
function leave(): void {
  if (!isUnreadable(answer.value)) text.value = said(answer.value)
}
</script>

<template>
  <div class="try">
    <div class="head">
      <label :for="id">{{ label }}</label>
      <span v-if="understood" class="aside">= {{ understood }}</span>
    </div>
    <input
      :id="id"
      v-model="text"
      class="typed"
      type="text"
      inputmode="decimal"
      autocomplete="off"
      :aria-invalid="isWrong"
      :aria-describedby="describedBy"
      @blur="leave"
    />
    <WhichMeant :asks="calculator.words.value.whichMeant" :meanings="meanings" @mean="text = said($event)" />
  </div>
</template>
