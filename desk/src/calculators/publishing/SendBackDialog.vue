<script setup lang="ts">
import { Button, Modal, Textarea } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import type { Remark } from '@vivid/contract'
import type { CalculatorDocument } from '@vivid/core'
import PickField from '../../shared/fields/PickField.vue'

/** What an approver wants changed, step by step; the author finds each at its place. */
const open = defineModel<boolean>('open', { required: true })
const { document } = defineProps<{ document: CalculatorDocument }>()
const emit = defineEmits<{ send: [remarks: Remark[]] }>()

const fresh = (): Remark => ({ step: null, text: '' })
const remarks = ref<Remark[]>([fresh()])
watch(open, (now) => {
  if (now) remarks.value = [fresh()]
})
const places = computed(() => [
  { value: '', label: 'the calculator as a whole' },
  ...document.steps.map(({ id, name }) => ({ value: id, label: name })),
])
const said = computed(() => remarks.value.filter(({ text }) => text.trim() !== ''))

function send(): void {
  if (said.value.length === 0) return
  open.value = false
  emit('send', said.value)
}
</script>

<template>
  <Modal
    v-model:open="open"
    title="Send back"
    ok-text="Send it back"
    :ok-button-props="{ disabled: said.length === 0 }"
    cancel-text="Not now"
    :width="640"
    @ok="send"
  >
    <p class="soft">Its author sees each remark at its step. Nothing live changes.</p>
    <div v-for="(remark, i) in remarks" :key="i" class="remark">
      <PickField
        :id="`remark-${i}-step`"
        label="About"
        :value="remark.step ?? ''"
        :options="places"
        @change="remark.step = $event || null"
      />
      <div>
        <label :for="`remark-${i}-text`">What should change</label>
        <Textarea :id="`remark-${i}-text`" v-model:value="remark.text" :rows="2" :maxlength="1000" />
      </div>
    </div>
    <Button size="small" :disabled="remarks.length >= 50" @click="remarks.push(fresh())"
      >Another remark</Button
    >
  </Modal>
</template>

<style scoped>
.remark {
  display: grid;
  grid-template-columns: 250px 1fr;
  gap: 12px;
  align-items: start;
  margin: 12px 0;
}
</style>
