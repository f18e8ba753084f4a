<script setup lang="ts">
import { Alert, Modal, Textarea } from 'ant-design-vue'
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue'
import type { TrialFailure } from '@vivid/core'
import { trialSentence } from '@vivid/contract'
import { closeOnEscape } from '../../shared/page/close-on-escape'
import { useDraft } from '../draft/draft-store'
import { localNow } from '../../shared/time/local-today'

/** A draft is sent for approval. Before that, every option and both ends of every range are tried on it. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
/** A word for the approver. */
const note = defineModel<string>('note', { required: true })
const emit = defineEmits<{ send: [] }>()
const draft = useDraft()

/** Undefined while they are tried. */
const failures = shallowRef<readonly TrialFailure[]>()
let worker: Worker | undefined
function tryAll(): void {
  stop()
  failures.value = undefined
  worker = new Worker(new URL('./trial-worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = ({ data }: MessageEvent<TrialFailure[]>) => (failures.value = data)
  const request = { document: draft.document, sheets: draft.sheets, now: localNow() }
  // Plain data only: what Vue watches cannot be sent to a worker.
  worker.postMessage(JSON.parse(JSON.stringify(request)))
}
function stop(): void {
  worker?.terminate()
  worker = undefined
}
watch(open, (isOpen) => (isOpen ? tryAll() : stop()))
onBeforeUnmount(stop)
const keepsBack = ({ trial, stops }: TrialFailure) => stops || trial.changed === undefined
const stopping = computed(() => failures.value?.filter(keepsBack) ?? [])
const told = computed(() => failures.value?.filter((failure) => !keepsBack(failure)) ?? [])
const MOST_SHOWN = 6
const said = (failure: TrialFailure): string => {
  const sentence = draft.document ? trialSentence(failure, draft.document) : ''
  return sentence.charAt(0).toUpperCase() + sentence.slice(1)
}

function send(): void {
  if (stopping.value.length === 0) emit('send')
}
</script>

<template>
  <Modal
    v-model:open="open"
    title="Send for approval"
    ok-text="Send it"
    :ok-button-props="{ disabled: stopping.length > 0 }"
    cancel-text="Not yet"
    :width="620"
    @ok="send"
  >
    <p v-if="!failures" class="soft" role="status">Every option and both ends of every range are tried …</p>
    <p v-else-if="failures.length === 0" class="soft" role="status">
      Every option and both ends of every range were tried: all of it works out.
    </p>
    <Alert v-if="stopping.length" type="error" role="alert" message="It cannot be sent while this fails">
      <template #description>
        <p v-for="(failure, i) in stopping.slice(0, MOST_SHOWN)" :key="i">{{ said(failure) }}</p>
        <p v-if="stopping.length > MOST_SHOWN">and {{ stopping.length - MOST_SHOWN }} more.</p>
      </template>
    </Alert>
    <Alert
      v-if="told.length"
      type="warning"
      role="status"
      message="These answers give no result; visitors are told why"
    >
      <template #description>
        <p v-for="(failure, i) in told.slice(0, MOST_SHOWN)" :key="i">{{ said(failure) }}</p>
        <p v-if="told.length > MOST_SHOWN">and {{ told.length - MOST_SHOWN }} more.</p>
      </template>
    </Alert>
    <label for="send-note">A word for the approver <span class="soft">optional</span></label>
    <Textarea id="send-note" v-model:value="note" :rows="3" :maxlength="2000" @press-enter.ctrl="send" />
  </Modal>
</template>

<style scoped>
.ant-alert,
.soft {
  margin-bottom: 12px;
}
.ant-alert p {
  margin: 0 0 4px;
}
</style>
