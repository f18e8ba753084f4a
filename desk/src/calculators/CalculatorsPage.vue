<script setup lang="ts">
import { Alert, Input, Skeleton } from 'ant-design-vue'
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { z } from 'zod'
import { CalculatorCard } from '@vivid/contract'
import { entered } from '../shared/fields/entered'
import { sentenceOf } from '../shared/api/api-error'
import { request } from '../shared/api/request'
import CallToAction from '../shared/page/CallToAction.vue'
import DeskHeader from '../shared/page/DeskHeader.vue'
import { useSession } from '../shared/session/session-store'
import CalculatorCardView from './CalculatorCardView.vue'
import CardActions from './CardActions.vue'
import { byFolder, countByState, findCards, foldersOf, stateFilters, type StateFilter } from './find-cards'
import NewCalculator from './NewCalculator.vue'
import { stateLooks } from './states'

const session = useSession()
const cards = ref<CalculatorCard[]>()
const problem = ref('')
const making = ref(false)
const acting = ref<CalculatorCard>()
const waiting = computed(() => cards.value?.filter(({ state }) => state === 'sent').length ?? 0)

/** What is looked for stands in the address: it is there again on the way back from a calculator. */
const [route, router] = [useRoute(), useRouter()]
const query = (name: 'find' | 'state' | 'folder') => {
  const value = route.query[name]
  return typeof value === 'string' ? value : ''
}
const wanted = ref(query('find'))
const filter = ref(Object.keys(stateFilters).find((one): one is StateFilter => one === query('state')))
/** Undefined: any folder; '': those in none. */
const folder = ref(route.query.folder === undefined ? undefined : query('folder'))
watch([wanted, filter, folder], ([find, state, inFolder]) => {
  const asked = {
    ...(find && { find }),
    ...(state && { state }),
    ...(inFolder !== undefined && { folder: inFolder }),
  }
  void router.replace({ query: asked })
})
const chooseFolder = (value: string) =>
  (folder.value = value === 'any' ? undefined : value.slice('in '.length))
function showAll(): void {
  wanted.value = ''
  filter.value = undefined
  folder.value = undefined
}
const asked = computed(() => ({ words: wanted.value, folder: folder.value }))
const found = computed(() => findCards(cards.value ?? [], { ...asked.value, filter: filter.value }))
const groups = computed(() => byFolder(found.value))
const folders = computed(() => foldersOf(cards.value ?? []))
const counts = computed(() => countByState(cards.value ?? [], asked.value))
const shown = computed(() => (cards.value ?? []).filter(({ putAway }) => !putAway).length)
const filters = computed(() =>
  (Object.keys(stateFilters) as StateFilter[])
    .map((state) => ({
      state,
      words: state === 'putAway' ? 'Put away' : `${stateLooks[state].shape} ${stateLooks[state].words}`,
      count: counts.value[state],
    }))
    // What nobody uses is not in the way.
    .filter(({ state, count }) => state !== 'putAway' || count > 0 || filter.value === 'putAway'),
)

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
        {{ shown }} in all<template v-if="waiting">, {{ waiting }} waiting for approval</template>
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
    <template v-else>
      <div class="finder" role="search">
        <Input
          v-model:value="wanted"
          class="find"
          type="search"
          allow-clear
          aria-label="Find a calculator"
          placeholder="Find by title, address or person"
        />
        <select
          v-if="folders.length"
          class="pick folder"
          aria-label="Folder"
          :value="folder === undefined ? 'any' : `in ${folder}`"
          @change="chooseFolder(entered($event))"
        >
          <option value="any">All folders</option>
          <option v-for="one in folders" :key="one" :value="`in ${one}`">{{ one }}</option>
          <option value="in ">In no folder</option>
        </select>
        <div class="filters" role="group" aria-label="Show only">
          <button
            v-for="{ state, words, count } in filters"
            :key="state"
            type="button"
            class="filter"
            :aria-pressed="filter === state"
            @click="filter = filter === state ? undefined : state"
          >
            {{ words }} <span class="soft">{{ count }}</span>
          </button>
        </div>
      </div>
      <p v-if="found.length === 0" class="none-found" role="status">
        None of {{ cards.length }} calculators fits.
        <button type="button" class="link" @click="showAll">Show all</button>
      </p>
      <section v-for="group in groups" :key="group.folder" :aria-label="group.folder || 'In no folder'">
        <h2 v-if="group.folder" class="folder-name">
          {{ group.folder }} <span class="soft">{{ group.cards.length }}</span>
        </h2>
        <div class="cards">
          <div v-for="card in group.cards" :key="card.id" class="place">
            <CalculatorCardView :card="card" />
            <button
              v-if="session.can('edit')"
              type="button"
              class="more"
              :aria-label="`Move, put away or remove ${card.title}`"
              @click="acting = card"
            >
              <span aria-hidden="true">▾</span>
            </button>
          </div>
        </div>
      </section>
    </template>
    <CardActions v-model:card="acting" :folders="folders" @listed="cards = $event" />
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
.finder {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: center;
  margin-bottom: 16px;
}
.find {
  width: 320px;
  max-width: 100%;
}
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.filter {
  padding: 4px 12px;
  border: 1px solid var(--control-line);
  border-radius: 16px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}
.filter[aria-pressed='true'] {
  border-color: var(--plum);
  background: var(--lilac);
  font-weight: 600;
}
.none-found {
  padding: 24px 0;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 16px;
}
.place {
  position: relative;
  display: grid;
}
.more {
  position: absolute;
  top: 12px;
  right: 12px;
  width: 30px;
  height: 30px;
  border: 1px solid transparent;
  border-radius: 6px;
  background: none;
  color: var(--ink-soft);
  cursor: pointer;
}
.more:hover,
.more:focus-visible {
  border-color: var(--control-line);
  color: var(--ink);
}
.folder {
  width: auto;
  max-width: 220px;
}
.folder-name {
  margin: 24px 0 10px;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--ink);
  font-size: 18px;
}
section:first-of-type .folder-name {
  margin-top: 4px;
}
.empty {
  display: grid;
  justify-items: start;
  gap: 8px;
  padding: 40px 0;
}
</style>
