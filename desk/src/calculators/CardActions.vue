<script setup lang="ts">
import { Alert, Button, Input, message, Modal } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { z } from 'zod'
import { CalculatorCard, type PlaceInList } from '@vivid/contract'
import { request } from '../shared/api/request'
import { useAsking } from '../shared/api/use-asking'

/** What becomes of a calculator in the list: moved to a folder, put away, or removed for good. */
const card = defineModel<CalculatorCard | undefined>('card', { required: true })
const { folders } = defineProps<{ folders: readonly string[] }>()
const emit = defineEmits<{ listed: [CalculatorCard[]] }>()
const { busy, problem, asking } = useAsking()

const folder = ref('')
const sure = ref(false)
watch(card, (now) => {
  if (!now) return
  folder.value = now.folder
  sure.value = false
  problem.value = ''
})

async function change(method: 'PUT' | 'DELETE', done: string, place?: Partial<PlaceInList>): Promise<void> {
  const { value: changed } = card
  if (!changed) return
  const path = `/calculators/${changed.id}${place ? '/place' : ''}`
  const body = place && { folder: changed.folder, putAway: changed.putAway, ...place }
  await asking(async () => {
    emit('listed', await request(z.array(CalculatorCard), method, path, body))
    void message.success(done)
    card.value = undefined
  })
}
const move = () => {
  const to = folder.value.trim()
  return change('PUT', to ? `It is in ${to} now.` : 'It is in no folder now.', { folder: to })
}

/** Why it cannot be put away now. */
const inUse = computed(() => {
  switch (card.value?.state) {
    case 'live':
    case 'liveWithChanges':
      return 'Visitors have it: taken down, it can be put away.'
    case 'sent':
      return 'It waits for approval.'
    default:
      return ''
  }
})
</script>

<template>
  <Modal
    :open="card !== undefined"
    :title="card?.title"
    :footer="null"
    :width="560"
    @cancel="card = undefined"
  >
    <template v-if="card">
      <form class="move" @submit.prevent="move">
        <label for="card-folder">Folder <span class="soft">one that is there, or a new name</span></label>
        <div class="row">
          <Input
            id="card-folder"
            v-model:value="folder"
            class="name"
            list="folders-there"
            :maxlength="60"
            allow-clear
            placeholder="In no folder"
          />
          <datalist id="folders-there">
            <option v-for="one in folders" :key="one" :value="one"></option>
          </datalist>
          <Button html-type="submit" type="primary" :disabled="folder.trim() === card.folder" :loading="busy"
            >Move it</Button
          >
        </div>
      </form>
      <section class="row">
        <Button
          v-if="card.putAway"
          :loading="busy"
          @click="change('PUT', 'It is listed again.', { putAway: false })"
          >List it again</Button
        >
        <Button
          v-else
          :disabled="inUse !== ''"
          :loading="busy"
          @click="change('PUT', 'It is put away.', { putAway: true })"
          >Put it away</Button
        >
        <span class="soft">{{
          inUse || (card.putAway ? 'It is out of the way.' : 'Out of the way, and found under “Put away”.')
        }}</span>
      </section>
      <section class="row">
        <template v-if="!card.mayGo">
          <Button disabled>Remove it for good</Button>
          <span class="soft">Visitors had it, or it waits for its time: what they had is kept.</span>
        </template>
        <template v-else-if="!sure">
          <Button danger @click="sure = true">Remove it for good …</Button>
          <span class="soft">Visitors never had it.</span>
        </template>
        <template v-else>
          <span
            >Its draft, sample visitors and proofs are gone then, and nothing brings them back. That it was
            there stays on record.</span
          >
          <Button danger type="primary" :loading="busy" @click="change('DELETE', 'It is removed.')"
            >Remove it for good</Button
          >
          <Button @click="sure = false">Keep it</Button>
        </template>
      </section>
      <Alert v-if="problem" type="error" role="alert" :message="problem" />
    </template>
  </Modal>
</template>

<style scoped>
.move,
section {
  padding: 12px 0;
  border-bottom: 1px solid var(--line);
}
section:last-of-type {
  border-bottom: 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
}
.name {
  flex: 1 1 240px;
}
label {
  display: block;
  margin-bottom: 6px;
}
</style>
