<script setup lang="ts">
import { Button, message, Modal, Textarea } from 'ant-design-vue'
import { computed, ref } from 'vue'
import CallToAction from '../shared/page/CallToAction.vue'
import { useSession } from '../shared/session/session-store'
import { useSheets } from './sheets-store'

/** What can be done with the sheet now, by the person who is here. */
const sheets = useSheets()
const session = useSession()

const listed = computed(() => sheets.saved)
const waits = computed(() => listed.value?.state === 'sent' && !sheets.isChanged)
const isMine = computed(() => listed.value?.contributors.some(({ id }) => id === session.person?.id))
const isSound = computed(() => sheets.isReadable && sheets.faults.length === 0)
const canSend = computed(() => listed.value?.state !== 'live' || sheets.isChanged)

const sending = ref(false)
const note = ref('')
async function send(): Promise<void> {
  sending.value = false
  if (await sheets.step('send', { note: note.value }))
    void message.success('Sent: an approver can put it in force now.')
  note.value = ''
}
const returning = ref(false)
const words = ref('')
async function sendBack(): Promise<void> {
  if (!words.value.trim()) return
  returning.value = false
  if (await sheets.step('send-back', { text: words.value }))
    void message.success('Sent back: its author sees what for.')
  words.value = ''
}
async function approve(): Promise<void> {
  if (await sheets.step('approve')) void message.success('In force: each version counts from its minute on.')
}
async function save(): Promise<void> {
  if (await sheets.save()) void message.success('Saved. Visitors see it once it is approved.')
}
</script>

<template>
  <div class="foot">
    <span v-if="waits && session.can('approve') && isMine" class="soft"
      >You changed it too: another approver puts it in force.</span
    >
    <span v-else-if="waits && !session.can('approve')" class="soft">An approver puts it in force.</span>
    <Button :loading="sheets.busy" :disabled="!isSound" @click="sheets.showImpact"
      >What would it change?</Button
    >
    <Button
      v-if="session.can('edit')"
      :disabled="!sheets.isChanged || !isSound"
      :loading="sheets.busy"
      @click="save"
      >Save the draft</Button
    >
    <Button v-if="waits && session.can('approve')" @click="returning = true">Send back</Button>
    <CallToAction
      v-if="waits && session.can('approve')"
      :disabled="isMine"
      :loading="sheets.busy"
      @click="approve"
      >Put it in force</CallToAction
    >
    <CallToAction
      v-else-if="session.can('edit') && !waits"
      :disabled="!isSound || !canSend"
      :loading="sheets.busy"
      @click="sending = true"
      >Send for approval</CallToAction
    >
    <Modal
      v-model:open="sending"
      title="Send for approval"
      ok-text="Send it"
      cancel-text="Not yet"
      @ok="send"
    >
      <label for="sheet-note">A word for the approver <span class="soft">optional</span></label>
      <Textarea id="sheet-note" v-model:value="note" :rows="3" :maxlength="2000" />
    </Modal>
    <Modal
      v-model:open="returning"
      title="Send back"
      ok-text="Send it back"
      :ok-button-props="{ disabled: !words.trim() }"
      cancel-text="Not now"
      @ok="sendBack"
    >
      <label for="sheet-back">What should change</label>
      <Textarea id="sheet-back" v-model:value="words" :rows="3" :maxlength="2000" />
    </Modal>
  </div>
</template>

<style scoped>
.foot {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  align-items: center;
  gap: 10px 12px;
}
.foot > .soft {
  margin-right: auto;
}
</style>
