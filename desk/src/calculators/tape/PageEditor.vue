<script setup lang="ts">
import { Button, Input, Modal } from 'ant-design-vue'
import { onMounted, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { StyleListed } from '@vivid/contract'
import { currencies, inCurrency, removeLanguage, type CalculatorDocument, type Currency } from '@vivid/core'
import { sentenceOf } from '../../shared/api/api-error'
import { request } from '../../shared/api/request'
import { useDraft } from '../draft/draft-store'
import { languageName, offeredLanguages } from '../../shared/fields/language-name'
import MeaningsEditor from './MeaningsEditor.vue'
import { choicesOf, optionWords } from './option-words'
import PickField from '../../shared/fields/PickField.vue'
import RichTextField from '../../shared/fields/RichTextField.vue'
import TextField from '../../shared/fields/TextField.vue'
import TextsField from '../../shared/fields/TextsField.vue'

/** What holds for the whole calculator: title, languages, currency, when results show, and the words around them. */
const { document } = defineProps<{ document: CalculatorDocument }>()
const draft = useDraft()
const set = (fields: Partial<CalculatorDocument>) =>
  void draft.change({ ...document, ...fields }, `page.${Object.keys(fields).join()}`)

const styles = shallowRef<readonly StyleListed[]>([])
const styleProblem = ref('')
onMounted(async () => {
  styles.value = await request(z.array(StyleListed), 'GET', '/house-styles').catch(() => [])
})
async function chooseStyle(style: string): Promise<void> {
  styleProblem.value = ''
  try {
    await draft.chooseStyle(style)
  } catch (error) {
    styleProblem.value = sentenceOf(error)
  }
}

const next = ref('')
const isLanguage = (text: string) => /^[a-z]{2}-[A-Z]{2}$/.test(text)
function add(): void {
  if (!isLanguage(next.value) || document.languages.includes(next.value)) return
  set({ languages: [...document.languages, next.value] })
  next.value = ''
}
function remove(language: string): void {
  const count = (JSON.stringify(document).match(new RegExp(`"${language}":`, 'g')) ?? []).length
  Modal.confirm({
    title: `Remove ${languageName(language)}?`,
    content: `${count} texts in it go with it. Undo brings them back.`,
    okText: 'Remove it',
    okButtonProps: { danger: true },
    cancelText: 'Keep it',
    onOk: () => void draft.change(removeLanguage(document, language)),
  })
}
const makeMain = (language: string) =>
  set({ languages: [language, ...document.languages.filter((one) => one !== language)] })

/** The document as it was in each currency it had while this is open: turned back, it has what it had. */
const before = new Map<Currency, CalculatorDocument>()
function turnTo(currency: Currency): void {
  before.set(document.currency, document)
  void draft.change(inCurrency(document, currency, before.get(currency)))
}
</script>

<template>
  <div class="editor">
    <div class="stack">
      <TextsField
        id="page-title"
        label="Title"
        :texts="document.title"
        :languages="document.languages"
        field="page.title"
        needed
        @change="set({ title: $event })"
      />
      <div class="style">
        <PickField
          id="page-style"
          label="House style"
          :value="draft.opened?.houseStyle ?? ''"
          :options="styles.map(({ id, name }) => ({ value: id, label: name }))"
          :problem="styleProblem"
          @change="chooseStyle"
        />
        <RouterLink to="/house-styles" class="link">Change the looks and words themselves</RouterLink>
      </div>
    </div>
    <div class="stack">
      <TextField
        id="page-lender"
        label="Lender"
        :value="document.lender"
        :most="80"
        required
        @change="set({ lender: $event })"
      />
      <PickField
        id="page-currency"
        label="Currency"
        data-field="page.currency"
        :value="document.currency"
        :options="currencies.map((value) => ({ value, label: value }))"
        @change="turnTo($event as Currency)"
      />
      <PickField
        id="page-results"
        label="Results"
        :value="document.results"
        :options="choicesOf(optionWords.results)"
        @change="set({ results: $event as 'live' | 'onButton' })"
      />
    </div>
    <div class="wide" data-field="page.languages">
      <span class="group-label">Languages</span>
      <ul class="languages">
        <li v-for="(language, i) in document.languages" :key="language">
          <strong>{{ language }}</strong> {{ languageName(language) }}
          <span v-if="i === 0" class="soft">main: stands in where another has no text</span>
          <button v-else type="button" class="link" @click="makeMain(language)">make it the main one</button>
          <button v-if="document.languages.length > 1" type="button" class="link" @click="remove(language)">
            remove
          </button>
        </li>
        <li>
          <Input
            v-model:value="next"
            class="next"
            aria-label="Another language, like fr-CA"
            placeholder="another, like fr-CA"
            list="page-languages"
            size="small"
            @press-enter="add"
          />
          <datalist id="page-languages">
            <option v-for="one in offeredLanguages" :key="one" :value="one">{{ languageName(one) }}</option>
          </datalist>
          <Button size="small" :disabled="!isLanguage(next) || document.languages.includes(next)" @click="add"
            >Add</Button
          >
        </li>
      </ul>
    </div>
    <TextsField
      id="page-contact"
      class="wide"
      label="How the lender is reached, where the page cannot run"
      :texts="document.contact ?? {}"
      :languages="document.languages"
      field="page.contact"
      @change="set({ contact: $event })"
    />
    <RichTextField
      id="page-introduction"
      class="wide"
      label="Introduction below the title"
      :texts="document.introduction"
      :languages="document.languages"
      field="page.introduction"
      @change="set({ introduction: $event })"
    />
    <RichTextField
      id="page-nextSteps"
      class="wide"
      label="What happens next, below the figures"
      :texts="document.nextSteps ?? {}"
      :languages="document.languages"
      field="page.nextSteps"
      @change="set({ nextSteps: $event })"
    />
    <RichTextField
      id="page-disclosure"
      class="wide"
      label="Words below the figures"
      :texts="document.disclosure"
      :languages="document.languages"
      field="page.disclosure"
      @change="set({ disclosure: $event })"
    />
    <MeaningsEditor
      class="wide"
      :meanings="document.meanings ?? []"
      :languages="document.languages"
      @change="set({ meanings: $event })"
    />
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  align-content: start;
  gap: 8px;
}
.style {
  display: grid;
  gap: 4px;
  align-content: start;
}
.languages {
  margin: 0;
  padding: 0;
  list-style: none;
}
.languages li {
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 2px 0;
}
.next {
  width: 180px;
}
</style>
