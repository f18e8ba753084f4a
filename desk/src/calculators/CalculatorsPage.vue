<script setup lang="ts">
import { Alert, Skeleton } from 'ant-design-vue'
import { computed, onMounted, onUnmounted, ref } from 'vue'
import { z } from 'zod'
import { CalculatorCard } from '@vivid/contract'
import { sentenceOf } from '../shared/api/api-error'
import { request } from '../shared/api/request'
import CallToAction from '../shared/page/CallToAction.vue'
import DeskHeader from '../shared/page/DeskHeader.vue'
import { useSession } from '../shared/session/session-store'
import CalculatorCardView from './CalculatorCardView.vue'
import NewCalculator from './NewCalculator.vue'

const session = useSession()
const cards = ref<CalculatorCard[]>()
const problem = ref('')
const making = ref(false)
const waiting = computed(() => cards.value?.filter(({ state }) => state === 'sent').length ?? 0)

/** Figures that are still being worked out are there a moment later. */
const [LOOK_AGAIN_MS, MOST_LOOKS] = [800, 10]
let looks = 0
let again: number | undefined

async function load(): Promise<void> {
  problem.value = ''
  try {
    cards.value = await request(z.array(CalculatorCard), 'GET', '/calculators')
    if (cards.value.some(({ meterWaits }) => meterWaits) && looks++ < MOST_LOOKS)
      again = window.setTimeout(() => void load(), LOOK_AGAIN_MS)
  } catch (error) {
    problem.value = sentenceOf(error)
  }
}
onMounted(load)
onUnmounted(() => window.clearTimeout(again))
</script>

<template>
  <DeskHeader />
  <main class="list">
    <div class="head">
      <h1>Calculators</h1>
      <p v-if="cards" class="soft">
        {{ cards.length }} in all<template v-if="waiting">, {{ waiting }} waiting for approval</template>
      </p>
      <div v-if="session.can('edit')" class="new">
        <CallToAction @click="making = true">New calculator</CallToAction>
      </div>
    </div>
    <Alert v-if="problem" type="error" :message="problem">
      <template #action><button type="button" class="link" @click="load">Try again</button></template>
    </Alert>
    <Skeleton v-else-if="!cards" active :paragraph="{ rows: 6 }" />
    <div v-else-if="cards.length === 0" class="empty">
      <h2>No calculator yet</h2>
      <p>Each calculator you set up stands here with its state and the payment it works out.</p>
      <button v-if="session.can('edit')" type="button" class="link" @click="making = true">
        Make the first one from a starter
      </button>
    </div>
    <div v-else class="cards">
      <CalculatorCardView v-for="card in cards" :key="card.id" :card="card" />
    </div>
    <NewCalculator v-model:open="making" :cards="cards ?? []" />
  </main>
</template>

<style scoped>
.list {
  max-width: 1280px;
  margin: 0 auto;
  padding: 22px 22px 40px;
}
.head {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 18px;
}
.head .new {
  margin-left: auto;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 16px;
}
.empty {
  display: grid;
  justify-items: start;
  gap: 8px;
  padding: 40px 0;
}
</style>
