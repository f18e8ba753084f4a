<script setup lang="ts">
import { Alert, Button, Checkbox, CheckboxGroup, message } from 'ant-design-vue'
import { computed, onMounted, ref, watch } from 'vue'
import { Checklist, type CalculatorOpened, type Remark } from '@vivid/contract'
import type { CalculatorDocument } from '@vivid/core'
import { isApiError } from '../../shared/api/api-error'
import { request } from '../../shared/api/request'
import { useAsking } from '../../shared/api/use-asking'
import CallToAction from '../../shared/page/CallToAction.vue'
import { useSession } from '../../shared/session/session-store'
import { momentOf } from '../../shared/time/moments'
import { useDraft } from '../draft/draft-store'
import GoLiveDialog from './GoLiveDialog.vue'
import SendBackDialog from './SendBackDialog.vue'

/** At the end of reading: the lender's checklist, and what was sent is put live or sent back. */
const { calculator, document } = defineProps<{
  calculator: CalculatorOpened
  document: CalculatorDocument
}>()
const emit = defineEmits<{ done: [] }>()
const draft = useDraft()
const session = useSession()
const { busy, problem, asking } = useAsking()

const items = ref<readonly string[]>()
const ticked = ref<string[]>([])
const load = () =>
  asking(async () => {
    items.value = (await request(Checklist, 'GET', '/checklist')).items
    ticked.value = ticked.value.filter((item) => items.value?.includes(item))
  })
onMounted(load)
// What was ticked was of what stood there: of another draft nothing is ticked yet.
watch(
  () => calculator.revision,
  () => (ticked.value = []),
)

const edition = computed(() => (calculator.editions[0]?.number ?? 0) + 1)
const isMine = computed(() => calculator.contributors.some(({ id }) => id === session.person?.id))
const open = computed(() => (items.value?.length ?? 0) - ticked.value.length)
/** Why it cannot be put live here now. */
const reason = computed(() => {
  if (calculator.state !== 'sent')
    return 'This is how the draft stands. Once it is sent, an approver can put it live.'
  if (!session.can('approve')) return 'An approver reads this and puts it live.'
  if (isMine.value) return 'You changed it too: another approver puts it live.'
  return open.value === 0 ? '' : `${open.value} of ${items.value?.length ?? 0} still to tick.`
})
const mayDecide = computed(() => calculator.state === 'sent' && session.can('approve'))

const run = (action: () => Promise<void>, done: string) =>
  asking(async () => {
    try {
      await action()
    } catch (error) {
      if (isApiError(error, 'CHECKLIST_OPEN')) void load()
      throw error
    }
    void message.success(done)
    emit('done')
  })
const approving = ref(false)
async function approve(at: Date | undefined): Promise<void> {
  approving.value = false
  await run(
    () => draft.approve(ticked.value, at),
    at ? `Approved: it goes live ${momentOf(at)}.` : 'It is live: visitors see it now.',
  )
}
const sendingBack = ref(false)
const sendBack = (remarks: Remark[]) =>
  run(() => draft.sendBack(remarks), 'Sent back: its author sees what for.')
</script>

<template>
  <section class="go-live" aria-label="Before it goes live">
    <h2>Before it goes live</h2>
    <template v-if="items?.length">
      <CheckboxGroup v-model:value="ticked" :disabled="!mayDecide || isMine" class="items">
        <Checkbox v-for="item in items" :key="item" :value="item">{{ item }}</Checkbox>
      </CheckboxGroup>
    </template>
    <p v-else-if="items" class="soft">The lender has no checklist. A keeper can write one, under People.</p>
    <Alert v-if="problem" type="error" role="alert" :message="problem" />
    <p v-if="reason" class="soft" role="status">{{ reason }}</p>
    <div v-if="mayDecide" class="acts">
      <Button :loading="busy" @click="sendingBack = true">Send back</Button>
      <CallToAction :disabled="reason !== '' || !items" :loading="busy" @click="approving = true"
        >Put edition {{ edition }} live</CallToAction
      >
    </div>
    <SendBackDialog v-model:open="sendingBack" :document="document" @send="sendBack" />
    <GoLiveDialog v-model:open="approving" :edition="edition" @approve="approve" />
  </section>
</template>

<style scoped>
h2 {
  font-size: 17px;
}
.items {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  margin: 8px 0 12px;
}
.items :deep(.ant-checkbox-wrapper) {
  margin: 0;
  line-height: 1.35;
  white-space: normal;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 12px;
}
</style>
