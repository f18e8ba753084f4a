<script setup lang="ts">
import { Button, Input, Modal } from 'ant-design-vue'
import { nextTick, ref } from 'vue'
import { freeId, type CalculatorDocument, type Sample } from '@vivid/core'
import { entered } from '../../shared/fields/entered'
import { useDraft } from '../draft/draft-store'

/** Whose values the tape shows; sample visitors are made, named, copied and removed here. */
const { document } = defineProps<{ document: CalculatorDocument }>()
const draft = useDraft()
const renaming = ref(false)

const put = (samples: Sample[], key?: string) => draft.change({ ...document, samples }, key)

function add(answers: Sample['answers'], name: string): void {
  const id = freeId(document.samples, name)
  put([...document.samples, { id, name, answers }])
  draft.sampleId = id
  void rename()
}
async function rename(): Promise<void> {
  renaming.value = true
  await nextTick()
  window.document.getElementById('sample-name')?.focus()
}
function setName(name: string): void {
  const { sample } = draft
  if (sample && name.trim())
    put(
      document.samples.map((one) => (one.id === sample.id ? { ...one, name } : one)),
      `sample.${sample.id}`,
    )
}
function remove(): void {
  const { sample } = draft
  if (!sample) return
  const count = Object.keys(sample.answers).length
  Modal.confirm({
    title: `Remove ${sample.name}?`,
    content: `${count} ${count === 1 ? 'answer goes' : 'answers go'} with this sample visitor. Undo brings them back.`,
    okText: 'Remove',
    okButtonProps: { danger: true },
    cancelText: 'Keep',
    onOk: () => void put(document.samples.filter(({ id }) => id !== sample.id)),
  })
}
</script>

<template>
  <div class="samples">
    <label for="sample-visitor" class="soft">Values below are for</label>
    <Input
      v-if="renaming"
      id="sample-name"
      :value="draft.sample?.name ?? ''"
      aria-label="Name of the sample visitor"
      :maxlength="80"
      size="small"
      @update:value="setName"
      @blur="renaming = false"
      @press-enter="renaming = false"
    />
    <select
      v-else
      id="sample-visitor"
      class="pick"
      :value="draft.sample?.id"
      @change="draft.sampleId = entered($event)"
    >
      <option v-for="one in document.samples" :key="one.id" :value="one.id">{{ one.name }}</option>
    </select>
    <span class="soft">{{
      document.samples.length === 1
        ? 'the one sample visitor'
        : `one of ${document.samples.length} sample visitors`
    }}</span>
    <span class="do">
      <Button size="small" type="text" @click="rename">Rename</Button>
      <Button
        size="small"
        type="text"
        :disabled="document.samples.length >= 20"
        @click="add({ ...draft.sample?.answers }, 'another visitor')"
        >Add</Button
      >
      <Button v-if="document.samples.length > 1" size="small" type="text" @click="remove">Remove</Button>
    </span>
  </div>
</template>

<style scoped>
.samples {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  padding: 10px 20px 2px 94px;
}
.pick {
  max-width: 280px;
  border: 0;
  border-bottom: 2px solid var(--sun);
  border-radius: 0;
  background: none;
  font-weight: 600;
  min-height: 30px;
  padding: 2px 4px;
}
#sample-name {
  width: 240px;
}
.do {
  margin-left: auto;
}
</style>
