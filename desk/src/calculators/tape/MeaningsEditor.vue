<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { mainLanguage, freeId, MOST_MEANINGS, type CalculatorDocument, type OwnMeaning } from '@vivid/core'
import TextsField from '../../shared/fields/TextsField.vue'

/** Words of the trade as the lender explains them to visitors, where they stand on the page. */
const { meanings, languages } = defineProps<{
  meanings: readonly OwnMeaning[]
  languages: CalculatorDocument['languages']
}>()
const emit = defineEmits<{ change: [meanings: OwnMeaning[]] }>()

const set = (id: string, fields: Partial<OwnMeaning>) =>
  emit(
    'change',
    meanings.map((one) => (one.id === id ? { ...one, ...fields } : one)),
  )
const add = () => emit('change', [...meanings, { id: freeId(meanings, 'word'), word: {}, meaning: {} }])
const remove = (id: string) =>
  emit(
    'change',
    meanings.filter((one) => one.id !== id),
  )
const nameOf = ({ word }: OwnMeaning) => word[mainLanguage({ languages })] || 'a word'
</script>

<template>
  <div class="meanings-editor" data-field="page.meanings">
    <span class="group-label">Words explained</span>
    <p class="soft">
      Words like balloon, accelerated or premium are explained already, with the visitor’s own figures. What
      you write here stands in place of that, and explains other words too.
    </p>
    <div v-for="one in meanings" :key="one.id" class="meaning">
      <TextsField
        :id="`meaning-${one.id}-word`"
        label="Word"
        :texts="one.word"
        :languages="languages"
        :field="`page.meanings.${one.id}.word`"
        needed
        @change="set(one.id, { word: $event })"
      />
      <TextsField
        :id="`meaning-${one.id}-meaning`"
        label="What it means, in a sentence"
        :texts="one.meaning"
        :languages="languages"
        :field="`page.meanings.${one.id}.meaning`"
        long
        needed
        @change="set(one.id, { meaning: $event })"
      />
      <Button size="small" :aria-label="`Remove ${nameOf(one)}`" @click="remove(one.id)">Remove</Button>
    </div>
    <button v-if="meanings.length < MOST_MEANINGS" type="button" class="link" @click="add">
      Explain a word
    </button>
  </div>
</template>

<style scoped>
.meanings-editor {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.meanings-editor p {
  margin: 0;
}
.meaning {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) 3fr auto;
  gap: 10px;
  align-items: start;
  width: 100%;
}
</style>
