<script setup lang="ts">
import { Modal, RadioButton, RadioGroup } from 'ant-design-vue'
import { computed, reactive } from 'vue'
import CallToAction from '../shared/page/CallToAction.vue'
import { placeWords } from './reading/change-words'
import { valueWords } from './reading/value-words'
import { useDraft } from './draft/draft-store'

/** Two people changed the same fields: both values are shown, and a person says which stays. Nothing is lost till then. */
const draft = useDraft()
const choices = reactive<Record<string, 'mine' | 'theirs'>>({})

const rows = computed(() => {
  const { document } = draft
  if (!document) return []
  return draft.conflicts.map((conflict) => ({
    key: conflict.key,
    place: placeWords(conflict, document, conflict.mine, conflict.theirs),
    mine: valueWords(conflict.mine, conflict, document),
    theirs: valueWords(conflict.theirs, conflict, document),
  }))
})
</script>

<template>
  <Modal
    :open="rows.length > 0"
    :title="`${draft.conflictWith} changed the same fields`"
    :closable="false"
    :mask-closable="false"
    :keyboard="false"
    :footer="null"
    :width="720"
  >
    <p>Everything else is kept from both of you. Choose what stays here:</p>
    <div v-for="row in rows" :key="row.key" class="row">
      <h3>{{ row.place }}</h3>
      <RadioGroup
        :value="choices[row.key] ?? 'mine'"
        @change="(event) => (choices[row.key] = event.target.value)"
      >
        <RadioButton value="mine">Mine: {{ row.mine }}</RadioButton>
        <RadioButton value="theirs">Theirs: {{ row.theirs }}</RadioButton>
      </RadioGroup>
    </div>
    <div class="foot"><CallToAction @click="draft.resolve(choices)">Keep these</CallToAction></div>
  </Modal>
</template>

<style scoped>
.row {
  padding: 12px 0;
  border-bottom: 1px solid var(--line);
}
h3 {
  margin-bottom: 6px;
  font: 600 15px var(--text);
}
.row :deep(.ant-radio-button-wrapper) {
  height: auto;
  white-space: normal;
}
.foot {
  display: flex;
  justify-content: flex-end;
  margin-top: 16px;
}
</style>
