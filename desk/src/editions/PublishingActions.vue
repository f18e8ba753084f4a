<script setup lang="ts">
import { Button, message, Modal } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { sentenceOf } from '../api/api-error'
import CallToAction from '../app/CallToAction.vue'
import { stoppingProblems } from '@vivid/core'
import { useDraft } from '../calculators/draft-store'
import { useProofs } from '../calculators/proofs/proofs-store'
import { useSession } from '../people/session-store'
import PlacementSnippet from './PlacementSnippet.vue'

/** What can be done with the calculator now, by the person who is here: one call to action, the rest beside it. */
const draft = useDraft()
const session = useSession()
const busy = ref(false)
const placing = ref(false)

const calculator = computed(() => draft.opened)
const nextEdition = computed(() => (calculator.value?.editions[0]?.number ?? 0) + 1)
const isMine = computed(() => calculator.value?.lastEditedById === session.person?.id)
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
const newest = computed(() => calculator.value?.editions[0]?.number)

/** Why the next step cannot be taken, for the person here. */
const reason = computed(() => {
  if (waits.value && session.can('approve') && isMine.value)
    return 'You changed it last: another approver puts it live.'
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

const send = () => run(draft.send, 'Sent: an approver can put it live now.')
const approve = () => run(draft.approve, 'It is live: visitors see it now.')
const bringBack = (number: number) => run(() => draft.bringBack(number), `Edition ${number} is live again.`)

function takeDown(): void {
  const number = calculator.value?.liveEdition
  Modal.confirm({
    title: `Take edition ${number} down?`,
    content:
      'Visitors see a notice in its place, on every page that shows it. No edition is lost, and an approver can put it back.',
    okText: 'Take it down',
    okButtonProps: { danger: true },
    cancelText: 'Leave it live',
    onOk: () => run(draft.takeDown, 'Taken down: visitors see a notice.'),
  })
}
</script>

<template>
  <div v-if="calculator" class="actions">
    <span v-if="reason" class="soft reason">{{ reason }}</span>
    <Button v-if="calculator.liveEdition !== null && session.can('takeDown')" type="text" @click="takeDown"
      >Take down</Button
    >
    <Button
      v-if="calculator.state === 'takenDown' && newest && session.can('approve')"
      :loading="busy"
      @click="bringBack(newest)"
    >
      Put edition {{ newest }} back
    </Button>
    <Button v-if="calculator.liveEdition !== null" @click="placing = true">Placement snippet</Button>
    <CallToAction v-if="waits && session.can('approve')" :disabled="isMine" :loading="busy" @click="approve">
      Put edition {{ nextEdition }} live
    </CallToAction>
    <CallToAction
      v-else-if="session.can('edit') && !waits && !unchanged"
      :disabled="hasProblems || proofs.differing.length > 0 || draft.saveState.is === 'conflict'"
      :loading="busy"
      @click="send"
    >
      Send for approval
    </CallToAction>
    <PlacementSnippet v-if="calculator.liveEdition !== null" v-model:open="placing" :slug="calculator.slug" />
  </div>
</template>

<style scoped>
.actions {
  display: flex;
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
