<script setup lang="ts">
import { Alert, Button, Input, message, Modal } from 'ant-design-vue'
import { computed, ref, toRef, watch } from 'vue'
import type { OwnWords } from '@vivid/contract'
import { isSpoken } from '@vivid/contract/own-words'
import { isRightToLeft, spokenLanguages } from '@vivid/contract/wording'
import { entered } from '../../shared/fields/entered'
import { languageName } from '../../shared/fields/language-name'
import PickField from '../../shared/fields/PickField.vue'
import { readTextFile, saveTextFile } from '../../shared/files/text-files'
import { closeOnEscape } from '../../shared/page/close-on-escape'
import type { TableFault } from '../../shared/text-tables/read-table'
import { usePhrases, type WhichPhrases } from './use-phrases'
import { readWords, writeWords } from './words-csv'

/** Every phrase the page says, worded otherwise in a language it speaks, or all of them in one that it does not speak yet. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
const props = defineProps<{ words: OwnWords }>()
const emit = defineEmits<{ change: [words: OwnWords] }>()

const letters = ref('en')
const asked = ref('')
const which = ref<WhichPhrases>('all')
const { english, shipped, own, missing, rows, faults } = usePhrases(
  () => props.words,
  toRef(letters),
  asked,
  which,
)

/** Every language that has a name; those that are spoken and worded first. */
const languages = computed(() => {
  const first = [...new Set([...spokenLanguages, ...Object.keys(props.words)])]
  const other = ALL_LANGUAGES.filter((one) => !first.includes(one))
  const named = (all: readonly string[]) =>
    all.map((value) => ({ value, label: languageName(value) })).sort((a, b) => a.label.localeCompare(b.label))
  return [...named(first), ...named(other)]
})

const AT_ONCE = 40
const shownCount = ref(AT_ONCE)
watch([letters, asked, which], () => (shownCount.value = AT_ONCE))
const shown = computed(() => rows.value.slice(0, shownCount.value))

const put = (phrases: Readonly<Record<string, string>>) => {
  const { [letters.value]: _, ...others } = props.words
  emit('change', Object.keys(phrases).length > 0 ? { ...others, [letters.value]: phrases } : others)
}
function say(phrase: string, text: string): void {
  const { [phrase]: _, ...others } = own.value
  put(text.trim() === '' ? others : { ...others, [phrase]: text })
}

const save = () =>
  saveTextFile(
    writeWords(english.value, shipped.value, own.value),
    `words-${letters.value}.csv`,
    'text/csv;charset=utf-8',
  )
const brought = ref<readonly TableFault[]>([])
async function bring(): Promise<void> {
  const text = await readTextFile('.csv,text/csv')
  if (text === undefined) return
  const read = readWords(text, english.value, letters.value)
  brought.value = read.ok ? [] : read.faults
  if (!read.ok) return
  put(read.phrases)
  const count = Object.keys(read.phrases).length
  void message.success(`${count} ${count === 1 ? 'phrase is' : 'phrases are'} in your words now.`)
}
</script>

<script lang="ts">
const names = new Intl.DisplayNames('en', { type: 'language', fallback: 'none' })
const LETTERS = [...'abcdefghijklmnopqrstuvwxyz']
const ALL_LANGUAGES = LETTERS.flatMap((a) => LETTERS.map((b) => a + b)).filter(
  (one) => names.of(one) !== undefined && Intl.PluralRules.supportedLocalesOf(one).length > 0,
)
</script>

<template>
  <Modal v-model:open="open" title="Words of the page" :footer="null" :width="980">
    <div class="choose">
      <PickField
        id="words-language"
        label="Language"
        :value="letters"
        :options="languages"
        @change="letters = $event"
      />
      <div>
        <label for="words-find">Find a phrase</label>
        <Input id="words-find" v-model:value="asked" allow-clear placeholder="by its words or its name" />
      </div>
      <PickField
        id="words-which"
        label="Show"
        :value="which"
        :options="[
          { value: 'all', label: 'every phrase' },
          { value: 'own', label: 'those in your words' },
          { value: 'missing', label: 'those still missing' },
        ]"
        @change="which = $event as WhichPhrases"
      />
      <span class="files">
        <Button @click="save">Save as CSV</Button>
        <Button @click="bring">Bring a CSV …</Button>
      </span>
    </div>
    <p class="state" role="status">
      <template v-if="isSpoken(letters)"
        >The product speaks {{ languageName(letters) }}: a phrase you leave empty stays as it is.</template
      >
      <template v-else-if="missing.length > 0"
        ><strong>{{ missing.length }} of {{ Object.keys(english).length }} phrases are missing.</strong> Once
        all are there, calculators can be offered in {{ languageName(letters) }}; until then none can be sent
        for approval with it.</template
      >
      <template v-else>{{ languageName(letters) }} is whole: calculators can be offered in it.</template>
      <strong v-if="faults > 0" class="to-mend">{{ faults }} to mend before this can be saved.</strong>
    </p>
    <Alert v-if="brought.length > 0" type="error" role="alert" message="Nothing was taken from the file.">
      <template #description>
        <ul class="brought">
          <li v-for="(fault, i) in brought.slice(0, 8)" :key="i">
            Row {{ fault.row }}, {{ fault.column }}: {{ fault.what }}
          </li>
          <li v-if="brought.length > 8">and {{ brought.length - 8 }} more</li>
        </ul>
      </template>
    </Alert>
    <ul class="phrases">
      <li v-for="row in shown" :key="row.phrase">
        <label :for="`phrase-${row.phrase}`">
          <span dir="auto" class="as-it-is">{{ row.asItIs }}</span>
          <span class="name">{{ row.phrase }}</span>
        </label>
        <div>
          <textarea
            :id="`phrase-${row.phrase}`"
            :rows="row.asItIs.length > 56 ? 2 : 1"
            :dir="isRightToLeft(letters) ? 'rtl' : 'ltr'"
            :value="row.own"
            :aria-invalid="row.faults.length > 0"
            :aria-describedby="`places-${row.phrase}`"
            @change="say(row.phrase, entered($event))"
          ></textarea>
          <p :id="`places-${row.phrase}`" class="places">
            <template v-if="row.places.length > 0">has to say {{ row.places.join(', ') }}</template>
          </p>
          <p v-for="fault in row.faults" :key="fault" class="field-problem" role="alert">{{ fault }}</p>
        </div>
      </li>
    </ul>
    <p v-if="rows.length === 0" class="none">No phrase fits.</p>
    <Button v-if="rows.length > shownCount" @click="shownCount += AT_ONCE">
      {{ Math.min(AT_ONCE, rows.length - shownCount) }} more of {{ rows.length }}
    </Button>
  </Modal>
</template>

<style scoped>
.choose {
  display: grid;
  grid-template-columns: 1fr 1.4fr 1fr auto;
  gap: 12px;
  align-items: end;
}
.choose label {
  display: block;
}
.to-mend {
  margin-inline-start: 0.4em;
  color: var(--error);
}
.files {
  display: flex;
  gap: 8px;
}
.state {
  margin: 14px 0;
}
.brought {
  margin: 0;
  padding-inline-start: 18px;
}
.phrases {
  max-height: 52vh;
  margin: 0 0 12px;
  padding: 0;
  overflow-y: auto;
  list-style: none;
  border-block: 1px solid var(--line);
}
.phrases li {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
  padding: 10px 4px;
  border-bottom: 1px solid var(--line-soft, var(--line));
}
.as-it-is {
  display: block;
  overflow-wrap: anywhere;
}
.name {
  color: var(--ink-soft);
  font-size: 0.8125rem;
}
textarea {
  width: 100%;
  padding: 6px 10px;
  border: 1px solid var(--line);
  border-radius: var(--corner, 6px);
  background: var(--card, #fff);
  font: inherit;
  resize: vertical;
}
textarea[aria-invalid='true'] {
  border-color: var(--error);
}
.places {
  margin: 2px 0 0;
  color: var(--ink-soft);
  font-size: 0.8125rem;
}
@media (max-width: 820px) {
  .choose,
  .phrases li {
    grid-template-columns: 1fr 1fr;
  }
  .files {
    grid-column: 1 / -1;
  }
}
</style>
