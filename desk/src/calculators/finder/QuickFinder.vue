<script setup lang="ts">
import { Modal } from 'ant-design-vue'
import { closeOnEscape } from '../../shared/page/close-on-escape'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { z } from 'zod'
import { CalculatorCard } from '@vivid/contract'
import { request } from '../../shared/api/request'
import { useDraft } from '../draft/draft-store'
import { PAGE_LINE, useTape } from '../draft/tape-store'

/** Jumps to any calculator, step or rate sheet by a few letters of its name. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
const router = useRouter()
const draft = useDraft()
const tape = useTape()
const typed = ref('')
const at = ref(0)
const calculators = ref<CalculatorCard[]>([])

interface Place {
  readonly id: string
  readonly name: string
  readonly what: string
  readonly go: () => void
}
const places = computed((): Place[] => [
  {
    id: 'page',
    name: 'Title, languages and words',
    what: 'this calculator',
    go: () => void tape.goTo(PAGE_LINE),
  },
  ...(draft.document?.steps ?? []).map((step): Place => ({
    id: `step-${step.id}`,
    name: step.name,
    what:
      { question: 'question', section: 'heading', readout: 'readout' }[step.kind as 'question'] ?? 'working',
    go: () => void tape.goTo(step.id),
  })),
  ...calculators.value.map((card): Place => ({
    id: card.id,
    name: card.title,
    what: 'calculator',
    go: () => void router.push(`/calculators/${card.id}`),
  })),
  ...draft.sheets.map((sheet): Place => ({
    id: `sheet-${sheet.id}`,
    name: sheet.name,
    what: 'rate sheet',
    go: () => void router.push(`/rate-sheets?sheet=${sheet.id}`),
  })),
])
/** Every typed word has to begin a word of the name, in any order. */
const found = computed(() => {
  const words = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  const fits = (name: string) => {
    const own = name.toLowerCase().split(/[\s,’'-]+/)
    return words.every((word) => own.some((one) => one.startsWith(word)))
  }
  return places.value.filter(({ name }) => fits(name)).slice(0, 12)
})

watch(open, async (isOpen) => {
  if (!isOpen) return
  typed.value = ''
  at.value = 0
  calculators.value = await request(z.array(CalculatorCard), 'GET', '/calculators').catch(() => [])
  await nextTick()
  document.getElementById('finder')?.focus()
})
watch(typed, () => (at.value = 0))

function go(place: Place | undefined): void {
  if (!place) return
  open.value = false
  // Once the dialog has given the focus back.
  window.setTimeout(place.go, 50)
}
function walk(by: number): void {
  at.value = Math.max(0, Math.min(found.value.length - 1, at.value + by))
}
</script>

<template>
  <Modal v-model:open="open" title="Go to" :footer="null" :width="520">
    <input
      id="finder"
      v-model="typed"
      class="pick"
      role="combobox"
      aria-expanded="true"
      aria-controls="finder-found"
      aria-autocomplete="list"
      :aria-activedescendant="found[at] ? `found-${found[at]?.id}` : undefined"
      aria-label="A step, calculator or rate sheet"
      placeholder="a step, calculator or rate sheet"
      autocomplete="off"
      @keydown.down.prevent="walk(1)"
      @keydown.up.prevent="walk(-1)"
      @keydown.enter.prevent="go(found[at])"
    />
    <ul id="finder-found" role="listbox" aria-label="Found">
      <li
        v-for="(place, i) in found"
        :id="`found-${place.id}`"
        :key="place.id"
        role="option"
        :aria-selected="i === at"
        @click="go(place)"
        @mousemove="at = i"
      >
        {{ place.name }} <span>{{ place.what }}</span>
      </li>
      <li v-if="found.length === 0" class="none" role="option" aria-selected="false">
        Nothing is called that.
      </li>
    </ul>
  </Modal>
</template>

<style scoped>
ul {
  min-height: 300px;
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  padding: 6px 10px;
  border-radius: 6px;
  cursor: pointer;
}
li[aria-selected='true'] {
  background: var(--lilac);
}
li span,
.none {
  color: var(--ink-soft);
}
</style>
