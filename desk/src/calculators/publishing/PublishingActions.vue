<script setup lang="ts">
import { Button, message, Modal, Textarea } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { sentenceOf } from '../../shared/api/api-error'
import CallToAction from '../../shared/page/CallToAction.vue'
import { stoppingProblems } from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import { useProofs } from '../proofs/proofs-store'
import { useSession } from '../../shared/session/session-store'
import { momentOf } from '../../shared/time/moments'
import SendDialog from './SendDialog.vue'

/** What can be done with the calculator now, by the person who is here: one call to action, the rest beside it. */
const draft = useDraft()
const session = useSession()
const busy = ref(false)

const calculator = computed(() => draft.opened)
const nextEdition = computed(() => (calculator.value?.editions[0]?.number ?? 0) + 1)
const isMine = computed(() => calculator.value?.contributors.some(({ id }) => id === session.person?.id))
const unsaved = computed(() => draft.saveState.is !== 'saved')
const hasProblems = computed(
  () =>
    !draft.compiled ||
    stoppingProblems(draft.compiled).length > 0 ||
    !draft.evaluation ||
    draft.evaluation.problems.length > 0,
)
const proofs = useProofs()
const unchanged = computed(() => calculator.value?.state === 'live' && !unsaved.value)
const waits = computed(() => calculator.value?.state === 'sent' && !unsaved.value)
/** The edition visitors had until it was taken down. */
const toPutBack = computed(
  () =>
    calculator.value?.lastLiveEdition ?? calculator.value?.editions.find(({ wasLive }) => wasLive)?.number,
)

/** Why the next step cannot be taken, for the person here. */
const reason = computed(() => {
  const { scheduled } = calculator.value ?? {}
  if (scheduled && !waits.value)
    return `Edition ${scheduled.number} goes live ${momentOf(new Date(scheduled.at))}.`
  if (waits.value && session.can('approve') && isMine.value)
    return 'You changed it too: another approver puts it live.'
  if (waits.value && !session.can('approve')) return 'An approver puts it live.'
  if (unchanged.value) return ''
  if (hasProblems.value) return 'Something has to be mended first.'
  if (proofs.differing.length > 0)
    return `${proofs.differing.length} ${proofs.differing.length === 1 ? 'proof differs' : 'proofs differ'}: a wrong figure must not go live.`
  return ''
})

async function run(action: () => Promise<void>, done: string): Promise<void> {
  busy.value = true
  try {
    await action()
    void message.success(done)
  } catch (error) {
    void message.error(sentenceOf(error), 6)
  } finally {
    busy.value = false
  }
}

const sending = ref(false)
const note = ref('')
async function send(): Promise<void> {
  sending.value = false
  await run(async () => {
    await draft.send(note.value)
    note.value = ''
  }, 'Sent: an approver can put it live now.')
}
const unschedule = () => run(draft.unschedule, 'It does not go live by itself any more.')
const bringBack = (number: number) => run(() => draft.bringBack(number), `Edition ${number} is live again.`)

const takingDown = ref(false)
const notice = ref('')
async function takeDown(): Promise<void> {
  takingDown.value = false
  await run(() => draft.takeDown(notice.value), 'Taken down: visitors see a notice.')
  notice.value = ''
}
</script>

<template>
  <div v-if="calculator" class="actions">
    <span v-if="reason" class="soft reason">{{ reason }}</span>
    <Button
      v-if="calculator.liveEdition !== null && session.can('takeDown')"
      type="text"
      @click="takingDown = true"
      >Take down</Button
    >
    <Button
      v-if="calculator.state === 'takenDown' && toPutBack && session.can('approve')"
      :loading="busy"
      @click="bringBack(toPutBack)"
    >
      Put edition {{ toPutBack }} back
    </Button>
    <RouterLink v-if="calculator.liveEdition !== null" :to="`/placements?calculator=${calculator.slug}`"
      ><Button type="text">Placements</Button></RouterLink
    >
    <Button v-if="calculator.scheduled && session.can('approve')" :loading="busy" @click="unschedule"
      >Keep edition {{ calculator.scheduled.number }} back</Button
    >
    <RouterLink v-if="waits && session.can('approve')" :to="`/calculators/${calculator.id}/reading`"
      ><CallToAction>Read edition {{ nextEdition }}</CallToAction></RouterLink
    >
    <CallToAction
      v-else-if="session.can('edit') && !waits && !unchanged"
      :disabled="hasProblems || proofs.differing.length > 0 || draft.saveState.is === 'conflict'"
      :loading="busy"
      @click="sending = true"
    >
      Send for approval
    </CallToAction>
    <SendDialog v-model:open="sending" v-model:note="note" @send="send" />
    <Modal
      v-model:open="takingDown"
      :title="`Take edition ${calculator.liveEdition} down?`"
      ok-text="Take it down"
      :ok-button-props="{ danger: true }"
      cancel-text="Leave it live"
      @ok="takeDown"
    >
      <p>
        Visitors see a notice in its place, on every page that shows it. No edition is lost, and an approver
        can put it back.
      </p>
      <label for="take-down-message">What the notice says <span class="soft">optional</span></label>
      <Textarea id="take-down-message" v-model:value="notice" :rows="2" :maxlength="500" />
    </Modal>
  </div>
</template>

<style scoped>
.actions {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  align-items: center;
  gap: 10px;
}
.reason {
  max-width: 15em;
  font-size: 14px;
  line-height: 1.25;
  text-align: right;
}
</style>
