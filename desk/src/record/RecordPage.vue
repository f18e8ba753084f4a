<script setup lang="ts">
import { Alert, Button } from 'ant-design-vue'
import { computed, onMounted, reactive, ref, watch } from 'vue'
import { RecordPage, RecordVerified, recordActs, type RecordEntry, type RecordQuery } from '@vivid/contract'
import { sentenceOf } from '../shared/api/api-error'
import { request } from '../shared/api/request'
import DeskArea from '../shared/page/DeskArea.vue'
import RowTable from '../shared/page/RowTable.vue'
import { momentOf } from '../shared/time/moments'
import PickField from '../shared/fields/PickField.vue'
import { actWords, detailWords } from './record-words'

/** Who did what and when. It is only ever added to; each entry's hash rests on the one before. */
const query = reactive({ act: '', person: '', from: '', to: '' })
const entries = ref<RecordEntry[]>()
const people = ref<string[]>([])
const next = ref<number | null>(null)
const problem = ref('')
const busy = ref(false)
const verified = ref<RecordVerified>()

const asked = (before?: number): string => {
  const filled: Partial<Record<keyof RecordQuery, string>> = {
    ...query,
    ...(before !== undefined && { before: String(before) }),
  }
  return new URLSearchParams(Object.entries(filled).filter(([, value]) => value !== '')).toString()
}

async function load(before?: number): Promise<void> {
  problem.value = ''
  busy.value = true
  try {
    const page = await request(RecordPage, 'GET', `/record?${asked(before)}`)
    entries.value = before === undefined ? page.entries : [...(entries.value ?? []), ...page.entries]
    next.value = page.next
    people.value = page.people
  } catch (error) {
    problem.value = sentenceOf(error)
  } finally {
    busy.value = false
  }
}
async function verify(): Promise<void> {
  problem.value = ''
  try {
    verified.value = await request(RecordVerified, 'GET', '/record/verify')
  } catch (error) {
    problem.value = sentenceOf(error)
  }
}
onMounted(load)
watch(query, () => void load())

const csv = computed(() => `/api/record/csv?${asked()}`)
const isNarrowed = computed(() => Object.values(query).some((value) => value !== ''))
const columns = [
  { title: 'No.', dataIndex: 'number', width: 70, align: 'right' as const },
  { title: 'When', key: 'at', width: 190 },
  { title: 'Who', dataIndex: 'person', width: 160 },
  { title: 'What', key: 'what' },
  { title: 'More', key: 'more' },
  { title: 'Hash', key: 'hash', width: 130 },
]
</script>

<template>
  <DeskArea
    title="Record"
    about="who did what, and when; nobody can change it"
    :problem="problem"
    :loading="!entries"
  >
    <template #actions>
      <Button @click="verify">Check the chain</Button>
      <a class="link" :href="csv" download>Save as CSV</a>
    </template>
    <Alert
      v-if="verified"
      class="alert"
      role="status"
      :type="verified.brokenAt === null ? 'success' : 'error'"
      :message="
        verified.brokenAt === null
          ? `All ${verified.entries} entries say what they said when they were made.`
          : `Entry ${verified.brokenAt} does not say what it said when it was made.`
      "
      :description="verified.lastHash ? `The newest one’s hash: ${verified.lastHash}` : undefined"
    />
    <div class="filters">
      <PickField
        id="record-act"
        label="What"
        :value="query.act"
        :options="[
          { value: '', label: 'anything' },
          ...recordActs.map((value) => ({ value, label: actWords[value] })),
        ]"
        @change="query.act = $event"
      />
      <PickField
        id="record-person"
        label="Who"
        :value="query.person"
        :options="[{ value: '', label: 'anyone' }, ...people.map((value) => ({ value, label: value }))]"
        @change="query.person = $event"
      />
      <div>
        <label for="record-from">From</label>
        <input id="record-from" v-model="query.from" type="date" class="pick" />
      </div>
      <div>
        <label for="record-to">To</label>
        <input id="record-to" v-model="query.to" type="date" class="pick" />
      </div>
    </div>
    <p v-if="entries?.length === 0" class="none">
      {{
        isNarrowed
          ? 'Nothing of that kind is on record; choose something wider.'
          : 'Nothing is on record yet: whatever is made, changed, sent, put live or taken down stands here from then on.'
      }}
    </p>
    <template v-else-if="entries">
      <RowTable :rows="entries" :columns="columns" row-key="number" :loading="busy">
        <template #cell="{ column, row: entry }">
          <template v-if="column === 'at'">{{ momentOf(new Date(entry.at)) }}</template>
          <template v-else-if="column === 'what'">
            {{ actWords[entry.act] }}
            <strong
              ><bdi>{{ entry.subject }}</bdi></strong
            >
          </template>
          <span v-else-if="column === 'more'" class="soft">{{ detailWords(entry) }}</span>
          <code v-else-if="column === 'hash'" :title="entry.hash">{{ entry.hash.slice(0, 12) }}</code>
        </template>
      </RowTable>
      <Button v-if="next !== null" class="more" :loading="busy" @click="load(next)">Show older ones</Button>
    </template>
  </DeskArea>
</template>

<style scoped>
.alert {
  margin-bottom: 12px;
}
.filters {
  display: grid;
  grid-template-columns: 1fr 1fr 170px 170px;
  gap: 12px;
  align-items: end;
  margin-bottom: 14px;
}
.none {
  padding: 30px 0;
  color: var(--ink-soft);
}
.more {
  margin-top: 14px;
}
</style>
