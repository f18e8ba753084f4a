<script setup lang="ts">
import { Alert, Button, message, Modal, Skeleton } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { EditionSeen, LiveOn, type CalculatorOpened } from '@vivid/contract'
import { entered } from '../../shared/fields/entered'
import { sentenceOf } from '../../shared/api/api-error'
import { request } from '../../shared/api/request'
import { useDraft } from '../draft/draft-store'
import { localToday } from '../../shared/time/local-today'
import { listed } from '../../shared/fields/listed'
import { dayOf } from '../../shared/time/moments'
import VisitorPreview from '../../shared/preview/VisitorPreview.vue'
import { useSession } from '../../shared/session/session-store'

/** An edition as visitors saw it: on the day it went live, or on any other, with the rates of that day. */
const open = defineModel<boolean>('open', { required: true })
const { calculator, number } = defineProps<{ calculator: CalculatorOpened; number: number }>()
const draft = useDraft()
const session = useSession()

const summary = computed(() => calculator.editions.find((one) => one.number === number))
const seen = ref<EditionSeen>()
const on = ref('')
const problem = ref('')
/** Which edition visitors had at the end of that day. */
const liveThen = ref<number | null>()
const notThen = computed(() => {
  if (liveThen.value === undefined || liveThen.value === number) return ''
  return liveThen.value === null
    ? 'On that day visitors had no edition of this calculator; this is how this one would have shown.'
    : `At the end of that day visitors had edition ${liveThen.value}; this is how this one would have shown.`
})

async function load(): Promise<void> {
  problem.value = ''
  try {
    const query = on.value ? `?on=${on.value}` : ''
    seen.value = await request(EditionSeen, 'GET', `/calculators/${calculator.id}/editions/${number}${query}`)
    on.value = seen.value.on
    const live = await request(LiveOn, 'GET', `/calculators/${calculator.id}/live-on/${on.value}`)
    liveThen.value = live.number
  } catch (error) {
    problem.value = sentenceOf(error)
  }
}
watch(
  () => [open.value, number],
  () => {
    seen.value = undefined
    on.value = ''
    if (open.value) void load()
  },
)
function chooseDay(event: Event): void {
  const value = entered(event)
  if (value === '' || value === on.value) return
  on.value = value
  void load()
}

async function bringBack(): Promise<void> {
  try {
    await draft.bringBack(number)
    open.value = false
    void message.success(`Edition ${number} is live again.`)
  } catch (error) {
    problem.value = sentenceOf(error)
  }
}
</script>

<template>
  <Modal v-model:open="open" :title="`Edition ${number}`" :footer="null" :width="1000" centered>
    <div v-if="summary" class="facts">
      <p>
        Approved {{ dayOf(summary.publishedAt) }} by {{ summary.approvedBy }}; changed by
        {{ listed(summary.contributors) }}.<template v-if="!summary.wasLive"> Never live.</template
        ><template v-if="summary.note"> “{{ summary.note }}”</template>
      </p>
      <label for="edition-day">As it was on</label>
      <input
        id="edition-day"
        type="date"
        class="pick"
        :value="on"
        :min="summary.publishedAt.slice(0, 10)"
        :max="localToday()"
        @change="chooseDay"
      />
      <Button
        v-if="summary.wasLive && number !== calculator.liveEdition && session.can('approve')"
        @click="bringBack"
        >Put it live again</Button
      >
    </div>
    <p v-if="notThen" class="then" role="status">{{ notThen }}</p>
    <Alert v-if="problem" type="error" role="alert" :message="problem" />
    <Skeleton v-if="!seen && !problem" active />
    <VisitorPreview
      v-if="seen"
      class="view"
      :title="`Edition ${number} as visitors saw it`"
      :program="seen.program"
      :answers="{}"
      :house-style="seen.style"
      :sheets="seen.sheets"
      :now="`${seen.on}T23:59`"
    />
    <p v-if="summary" class="hash">SHA-256 {{ summary.sha256 }}</p>
  </Modal>
</template>

<style scoped>
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-bottom: 10px;
}
.facts p {
  flex: 1 1 300px;
}
.facts .pick {
  width: auto;
}
.view {
  height: min(64vh, 620px);
  border-radius: 8px;
}
.then {
  margin: 6px 0;
  color: var(--sun-text);
}
.hash {
  margin-top: 8px;
  color: var(--ink-soft);
  font-size: 13px;
  overflow-wrap: anywhere;
}
</style>
