<script setup lang="ts">
import { Input, InputNumber, Modal } from 'ant-design-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  CalculatorOpened,
  type CalculatorCard,
  type PlacementChoices,
  type PlacementListed,
  type Site,
} from '@vivid/contract'
import { closeOnEscape } from '../app/close-on-escape'
import { textIn } from '@vivid/core'
import { request } from '../api/request'
import { languageName } from '../calculators/fields/language-name'
import PickField from '../calculators/fields/PickField.vue'

/** What one page of a site shows. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
const {
  before,
  sites,
  calculators,
  preferred = '',
} = defineProps<{
  before: PlacementListed | undefined
  sites: readonly Site[]
  calculators: readonly CalculatorCard[]
  /** The calculator a new placement begins with. */
  preferred?: string
}>()
const emit = defineEmits<{ save: [choices: PlacementChoices] }>()

const choices = ref<PlacementChoices>(fresh())
function fresh(): PlacementChoices {
  if (before) {
    const { site, page, calculator, language, answers, width } = before
    return { site, page, calculator, language, answers: { ...answers }, width }
  }
  return {
    site: sites[0]?.id ?? '',
    page: '/',
    calculator: preferred || (calculators[0]?.id ?? ''),
    language: '',
    answers: {},
    width: null,
  }
}
watch(open, (now) => {
  if (now) choices.value = fresh()
})

const opened = shallowRef<CalculatorOpened>()
watch(
  () => [open.value, choices.value.calculator] as const,
  async ([isOpen, id]) => {
    if (!isOpen || !id) return
    opened.value = await request(CalculatorOpened, 'GET', `/calculators/${id}`).catch(() => undefined)
  },
)
const main = computed(() => opened.value?.document.languages[0] ?? '')
const questions = computed(() =>
  (opened.value?.document.steps ?? []).flatMap((step) =>
    step.kind === 'question'
      ? [{ id: step.id, label: textIn(step.label, main.value, main.value) || step.name }]
      : [],
  ),
)
const isWhole = computed(
  () => choices.value.site !== '' && choices.value.page.startsWith('/') && choices.value.calculator !== '',
)

function save(): void {
  const asked = new Set(questions.value.map(({ id }) => id))
  const answers = Object.fromEntries(
    Object.entries(choices.value.answers).filter(([id, text]) => asked.has(id) && text.trim() !== ''),
  )
  open.value = false
  emit('save', { ...choices.value, answers })
}
</script>

<template>
  <Modal
    v-model:open="open"
    :title="before ? 'Change the placement' : 'Place a calculator'"
    ok-text="Save"
    :ok-button-props="{ disabled: !isWhole }"
    cancel-text="Cancel"
    :width="680"
    @ok="save"
  >
    <div class="editor">
      <PickField
        id="placement-site"
        label="Site"
        :value="choices.site"
        :options="sites.map(({ id, name }) => ({ value: id, label: name }))"
        @change="choices.site = $event"
      />
      <div>
        <label for="placement-page">Page, as its path</label>
        <Input
          id="placement-page"
          v-model:value="choices.page"
          :maxlength="200"
          placeholder="/borrow/narrowboat"
        />
      </div>
      <PickField
        id="placement-calculator"
        label="Calculator"
        :value="choices.calculator"
        :options="calculators.map(({ id, title }) => ({ value: id, label: title }))"
        @change="choices.calculator = $event"
      />
      <PickField
        id="placement-language"
        label="Language"
        :value="choices.language"
        :options="[
          { value: '', label: 'the page’s own' },
          ...(opened?.document.languages ?? []).map((value) => ({ value, label: languageName(value) })),
        ]"
        @change="choices.language = $event"
      />
      <div>
        <label for="placement-width">Widest, in pixels (empty: as wide as the page)</label>
        <InputNumber
          id="placement-width"
          :value="choices.width ?? undefined"
          :min="280"
          :max="2400"
          @update:value="choices.width = typeof $event === 'number' ? $event : null"
        />
      </div>
      <fieldset class="wide">
        <legend>Answers to begin with, as a visitor would type them (empty: the usual)</legend>
        <div v-for="{ id, label } in questions" :key="id">
          <label :for="`placement-answer-${id}`">{{ label }}</label>
          <Input
            :id="`placement-answer-${id}`"
            :value="choices.answers[id] ?? ''"
            size="small"
            :maxlength="80"
            @update:value="choices.answers = { ...choices.answers, [id]: $event }"
          />
        </div>
      </fieldset>
    </div>
  </Modal>
</template>

<style scoped>
fieldset {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 6px 14px;
  margin: 0;
  padding: 8px 12px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
}
legend {
  width: auto;
  margin: 0;
  padding: 0 6px;
  border: 0;
  font-size: 15px;
  font-weight: 600;
}
</style>
