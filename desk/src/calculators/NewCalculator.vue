<script setup lang="ts">
import { Alert, Button, Input, message, Modal } from 'ant-design-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { starters } from '@vivid/core'
import { z } from 'zod'
import {
  CalculatorOpened,
  FIRST_STYLE,
  resolveStyle,
  StyleListed,
  type CalculatorCard,
  type HouseStyle,
} from '@vivid/contract'
import { entered } from '../shared/fields/entered'
import { sentenceOf } from '../shared/api/api-error'
import { request } from '../shared/api/request'
import CallToAction from '../shared/page/CallToAction.vue'
import { readTextFile } from '../shared/files/text-files'
import { hasWords } from './find-cards'
import StarterShown from './StarterShown.vue'
import WorksheetChooser from './worksheet/WorksheetChooser.vue'
import { useWorksheet } from './worksheet/worksheet-store'

const open = defineModel<boolean>('open', { required: true })
const { cards } = defineProps<{ cards: readonly CalculatorCard[] }>()
const router = useRouter()

/** Words that are looked for among the starters; the one that is chosen stays. */
const wanted = ref('')
const offered = computed(() =>
  starters.filter(
    ({ id, title: called, purpose }) =>
      from.value === `starter:${id}` || hasWords(wanted.value, [called, purpose]),
  ),
)

/** `starter:…`, `copy:…` or `empty`. */
const from = ref(`starter:${starters[0]?.id ?? ''}`)
const title = ref('')
const problem = ref('')
const busy = ref(false)

const suggestion = computed(() => {
  const [kind, id] = from.value.split(':')
  if (kind === 'starter') return starters.find((one) => one.id === id)?.title ?? ''
  return kind === 'copy' ? `${cards.find((one) => one.id === id)?.title ?? ''}, copy` : ''
})

/** The starter that is chosen, shown as the page it makes, in the looks a new calculator has. */
const shown = computed(() => starters.find(({ id }) => from.value === `starter:${id}`))
const looks = shallowRef<HouseStyle>({})
async function loadLooks(): Promise<void> {
  const styles = await request(z.array(StyleListed), 'GET', '/house-styles')
  const style = styles.find(({ id }) => id === FIRST_STYLE) ?? styles[0]
  if (style) looks.value = resolveStyle(style.choices)
}

watch(open, (isOpen) => {
  // Without them a starter is shown in the page's own colours.
  if (isOpen) void loadLooks().catch(() => undefined)
  problem.value = ''
  title.value = ''
  wanted.value = ''
})

function make(): void {
  const name = title.value.trim() || suggestion.value
  if (!name) {
    problem.value = 'Give it a title: visitors see it at the top of the page.'
    return
  }
  const [kind, id] = from.value.split(':')
  void send(
    kind === 'starter'
      ? { from: 'starter', starter: id, title: name }
      : kind === 'copy'
        ? { from: 'copy', calculator: id, title: name }
        : { from: 'empty', title: name },
  )
}

async function load(): Promise<void> {
  const text = await readTextFile('.json,application/json')
  if (text === undefined) return
  let file: unknown
  try {
    file = JSON.parse(text)
  } catch {
    problem.value = 'This file is no calculator: it is not JSON.'
    return
  }
  await send({ from: 'file', file, ...(title.value.trim() ? { title: title.value } : {}) })
}

/** A worksheet is looked at on a page of its own before a draft is made of it. */
async function readWorksheet(file: Blob, name: string): Promise<void> {
  open.value = false
  await router.push('/worksheet')
  await useWorksheet().open(file, name)
}

async function send(asked: object): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    const made = await request(CalculatorOpened, 'POST', '/calculators', asked)
    open.value = false
    if (made.sheetsKept?.length)
      void message.info(`Already here and left as they are: ${made.sheetsKept.join(', ')}.`, 6)
    await router.push(`/calculators/${made.id}`)
  } catch (error) {
    problem.value = sentenceOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <Modal
    v-model:open="open"
    title="New calculator"
    :footer="null"
    :width="1120"
    :style="{ top: '24px' }"
    destroy-on-close
  >
    <form class="new-calculator" @submit.prevent="make">
      <div class="choosing">
        <fieldset>
          <legend>Begin from a starter</legend>
          <Input
            v-model:value="wanted"
            class="find"
            type="search"
            allow-clear
            aria-label="Find a starter"
            placeholder="Find one by what it answers: extra, insurance, refinance …"
            @keydown.enter.prevent
          />
          <div class="starters">
            <label v-for="choice in offered" :key="choice.id" class="starter">
              <input v-model="from" type="radio" name="starter" :value="`starter:${choice.id}`" />
              <span
                ><strong>{{ choice.title }}</strong
                ><br />{{ choice.purpose }}</span
              >
            </label>
          </div>
          <p v-if="wanted.trim() && offered.length < 2" class="soft" role="status">
            No other starter has these words.
          </p>
        </fieldset>
        <StarterShown v-if="shown" :starter="shown" :house-style="looks" class="preview" />
        <p v-else class="soft preview">A starter is shown here as the page it makes.</p>
      </div>
      <fieldset>
        <legend>Or otherwise</legend>
        <div class="others">
          <label class="starter">
            <input v-model="from" type="radio" name="starter" value="empty" />
            <span><strong>An empty one</strong></span>
          </label>
          <label class="starter">
            <input
              v-model="from"
              type="radio"
              name="starter"
              :value="from.startsWith('copy:') ? from : `copy:${cards[0]?.id ?? ''}`"
              :disabled="cards.length === 0"
            />
            <span>
              <strong>A copy of</strong>
              <select class="pick" aria-label="Calculator to copy" @change="from = `copy:${entered($event)}`">
                <option v-for="card in cards" :key="card.id" :value="card.id">{{ card.title }}</option>
              </select>
            </span>
          </label>
          <Button :loading="busy" @click="load">Load one from a file</Button>
        </div>
      </fieldset>
      <fieldset>
        <legend>Or from a worksheet</legend>
        <WorksheetChooser @choose="readWorksheet" />
      </fieldset>
      <label for="new-title">Title</label>
      <Input
        id="new-title"
        v-model:value="title"
        :maxlength="120"
        autofocus
        :placeholder="suggestion || 'For example: Houseboat mortgage'"
        @press-enter.prevent="make"
      />
      <Alert v-if="problem" type="error" :message="problem" role="alert" />
      <div class="foot"><CallToAction :loading="busy" @click="make">Make it</CallToAction></div>
    </form>
  </Modal>
</template>

<style scoped>
.new-calculator {
  display: grid;
  gap: 8px;
}
fieldset {
  min-width: 0;
  margin: 0 0 6px;
  padding: 0;
  border: 0;
}
legend {
  margin-bottom: 6px;
  font-size: 15px;
  font-weight: 600;
}
label {
  font-weight: 600;
}
.find {
  margin-bottom: 8px;
}
.starters {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 6px;
  max-height: min(34vh, 430px);
  overflow-y: auto;
}
.choosing {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 408px;
  gap: 22px;
}
.preview {
  max-height: min(42vh, 500px);
  overflow-y: auto;
}
@media (max-width: 900px) {
  .choosing {
    grid-template-columns: minmax(0, 1fr);
  }
}
.others {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.starter {
  display: flex;
  gap: 10px;
  padding: 8px 11px;
  border: 1px solid var(--line);
  border-radius: 8px;
  font-weight: 400;
  font-size: 14px;
}
.starter:has(input:checked) {
  border-color: var(--plum);
  background: var(--lilac);
}
.starter input {
  accent-color: var(--plum);
}
.pick {
  padding: 2px 6px;
  border: 1px solid var(--control-line);
  border-radius: 6px;
  background: var(--card);
  font: inherit;
}
.foot {
  display: flex;
  justify-content: flex-end;
  margin-top: 8px;
}
</style>
