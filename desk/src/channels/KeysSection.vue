<script setup lang="ts">
import { Alert, Button, Input, InputNumber, Modal } from 'ant-design-vue'
import { onMounted, reactive, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { KeyListed, KeyMade } from '@vivid/contract'
import { request } from '../shared/api/request'
import RowTable from '../shared/page/RowTable.vue'
import { copyText } from '../shared/files/copy-text'
import { useAsking } from '../shared/api/use-asking'
import { localToday } from '../shared/time/local-today'
import { dayOf, whenOf } from '../shared/time/moments'

/** Keys by which other servers of the lender's ask for figures. */
const { busy, problem, asking } = useAsking()
const keys = shallowRef<readonly KeyListed[]>()
const made = ref('')
onMounted(() =>
  asking(async () => {
    keys.value = await request(z.array(KeyListed), 'GET', '/channels/keys')
  }),
)
const making = ref(false)
const fresh = reactive({ name: '', perMinute: 600, calculators: [] as string[], endsOn: '' })
const { slugs } = defineProps<{ slugs: readonly string[] }>()
async function make(): Promise<void> {
  const isMade = await asking(async () => {
    const { key, keys: all } = await request(KeyMade, 'POST', '/channels/keys', {
      ...fresh,
      calculators: fresh.calculators.length > 0 ? fresh.calculators : null,
      endsOn: fresh.endsOn || null,
    })
    made.value = key
    keys.value = all
  })
  if (!isMade) return
  making.value = false
  Object.assign(fresh, { name: '', calculators: [], endsOn: '' })
}
function withdraw({ id, name }: KeyListed): void {
  Modal.confirm({
    title: `Withdraw “${name}”?`,
    content: 'Whatever asks with it is refused from then on, within a second. It cannot be brought back.',
    okText: 'Withdraw it',
    okButtonProps: { danger: true },
    cancelText: 'Keep it',
    onOk: () =>
      asking(async () => {
        keys.value = await request(z.array(KeyListed), 'DELETE', `/channels/keys/${id}`)
      }).then(() => undefined),
  })
}
const boundsOf = ({ calculators, endsOn }: KeyListed): string =>
  [calculators && `only ${calculators.join(', ')}`, endsOn && `until ${dayOf(`${endsOn}T12:00:00Z`)}`]
    .filter(Boolean)
    .join('; ')
const columns = [
  { title: 'Key', key: 'name' },
  { title: 'Begins with', dataIndex: 'start', width: 120 },
  { title: 'A minute', dataIndex: 'perMinute', width: 90, align: 'right' as const },
  { title: 'Made', key: 'made', width: 230 },
  { title: 'Last used', key: 'used', width: 120 },
  { title: '', key: 'actions', width: 110 },
]
</script>

<template>
  <section>
    <div class="head">
      <h2>Keys</h2>
      <Button :loading="busy" @click="making = true">Make a key</Button>
    </div>
    <Alert v-if="problem && !making" type="error" role="alert" :message="problem" />
    <Alert v-if="made" type="success" closable @close="made = ''">
      <template #message>Put this key where the other server keeps its secrets. It is shown once.</template>
      <template #description>
        <pre id="new-key" tabindex="0">{{ made }}</pre>
        <Button size="small" @click="copyText(made)">Copy the key</Button>
      </template>
    </Alert>
    <p v-if="keys?.length === 0" class="soft">
      No key yet: another server of the lender’s gets one, with a limit of its own. Without a key, each
      address has a low one.
    </p>
    <RowTable v-else :rows="keys ?? []" :columns="columns" row-key="id">
      <template #cell="{ column, row: key }">
        <template v-if="column === 'name'"
          ><strong :class="{ soft: key.withdrawnAt }">{{ key.name }}</strong
          ><span v-if="boundsOf(key)" class="soft"><br />{{ boundsOf(key) }}</span></template
        >
        <template v-else-if="column === 'made'">{{ dayOf(key.madeAt) }} by {{ key.madeBy }}</template>
        <template v-else-if="column === 'used'">{{
          key.lastUsed ? whenOf(new Date(key.lastUsed)) : 'never'
        }}</template>
        <template v-else-if="column === 'actions'">
          <span v-if="key.withdrawnAt" class="soft">withdrawn</span>
          <button v-else type="button" class="link" @click="withdraw(key)">Withdraw</button>
        </template>
      </template>
    </RowTable>
    <Modal
      v-model:open="making"
      title="Make a key"
      ok-text="Make it"
      :ok-button-props="{ disabled: !fresh.name.trim(), loading: busy }"
      cancel-text="Cancel"
      @ok="make"
    >
      <label for="key-name">What asks with it</label>
      <Input id="key-name" v-model:value="fresh.name" :maxlength="80" placeholder="Branch terminals" />
      <label for="key-limit" class="next">Evaluations a minute, at most</label>
      <InputNumber id="key-limit" v-model:value="fresh.perMinute" :min="1" :max="100000" />
      <fieldset id="key-calculators" class="next">
        <legend>Only for these calculators (none chosen: all)</legend>
        <label v-for="slug in slugs" :key="slug"
          ><input v-model="fresh.calculators" type="checkbox" :value="slug" /> {{ slug }}</label
        >
      </fieldset>
      <label for="key-end" class="next">Its last day (empty: until it is withdrawn)</label>
      <input id="key-end" v-model="fresh.endsOn" type="date" class="pick" :min="localToday()" />
      <Alert v-if="problem" type="error" role="alert" :message="problem" class="next" />
    </Modal>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
pre {
  margin: 6px 0 8px;
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}
fieldset {
  max-height: 180px;
  overflow-y: auto;
  padding: 6px 10px;
  border: 1px solid var(--line);
}
legend {
  width: auto;
  margin: 0;
  padding: 0 4px;
  border: 0;
  font-size: inherit;
}
fieldset label {
  display: block;
}
.next {
  display: block;
  margin-top: 12px;
}
</style>
