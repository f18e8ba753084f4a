<script setup lang="ts">
import { Alert, Button, message, Textarea } from 'ant-design-vue'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { Checklist, MOST_CHECKS, SaveChecklist } from '@vivid/contract'
import { isApiError } from '../shared/api/api-error'
import { request } from '../shared/api/request'
import { useAsking } from '../shared/api/use-asking'
import { dayOf } from '../shared/time/moments'

/** What approvers tick before an edition goes live: a line each, in the lender's own words. */
const { busy, problem, asking } = useAsking()
const kept = shallowRef<Checklist>()
const text = ref('')
const take = (found: Checklist) => {
  kept.value = found
  text.value = found.items.join('\n')
}
onMounted(() => asking(async () => take(await request(Checklist, 'GET', '/checklist'))))

const items = computed(() =>
  text.value
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean),
)
const isChanged = computed(() => items.value.join('\n') !== kept.value?.items.join('\n'))
/** What is wrong with the lines as they stand. */
const fault = computed(() => {
  const twice = items.value.find((item, i) => items.value.indexOf(item) !== i)
  const long = items.value.find((item) => item.length > 200)
  if (twice) return `“${twice}” is there twice.`
  if (long) return `“${long.slice(0, 40)}…” is longer than 200 letters.`
  return items.value.length > MOST_CHECKS
    ? `That is ${items.value.length} lines; up to ${MOST_CHECKS} are ticked.`
    : ''
})
const save = () =>
  asking(async () => {
    const asked: SaveChecklist = { items: items.value, revision: kept.value?.revision ?? 0 }
    try {
      take(await request(Checklist, 'PUT', '/checklist', asked))
    } catch (error) {
      // What is typed stays; saving it again then takes the place of what somebody else wrote.
      const current = isApiError(error, 'REVISION_STALE')
        ? Checklist.safeParse(error.body?.current)
        : undefined
      if (current?.success) kept.value = current.data
      throw error
    }
    void message.success('Saved: it is asked for from now on.')
  })
</script>

<template>
  <section class="checklist" aria-labelledby="checklist-title">
    <h2 id="checklist-title">Before an edition goes live</h2>
    <p class="soft">
      Approvers tick each of these lines after reading a calculator, and what they ticked goes to the record.
    </p>
    <Textarea
      v-model:value="text"
      :auto-size="{ minRows: 3, maxRows: 14 }"
      aria-labelledby="checklist-title"
      placeholder="Every text was read."
      :disabled="!kept"
    />
    <p v-if="fault" class="field-problem" role="alert">{{ fault }}</p>
    <Alert v-if="problem" type="error" role="alert" :message="problem">
      <template v-if="kept && isChanged" #description
        >It reads now: {{ kept.items.join(' · ') || 'nothing' }}</template
      >
    </Alert>
    <div class="acts">
      <Button :disabled="!isChanged || fault !== ''" :loading="busy" @click="save">Save the checklist</Button>
      <span v-if="kept?.lastEditedBy" class="soft"
        >{{ kept.lastEditedBy }}, {{ dayOf(kept.lastEditedAt) }}</span
      >
    </div>
  </section>
</template>

<style scoped>
.checklist {
  display: grid;
  gap: 8px;
  max-width: 640px;
  margin-top: 30px;
}
.acts {
  display: flex;
  align-items: center;
  gap: 14px;
}
</style>
