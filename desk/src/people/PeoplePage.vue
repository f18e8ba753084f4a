<script setup lang="ts">
import { Alert, Button, Input, message, Modal, Table } from 'ant-design-vue'
import { computed, onMounted, reactive, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { Invited, InvitePerson, PersonListed, roles, type Role } from '@vivid/contract'
import { request } from '../api/request'
import CallToAction from '../app/CallToAction.vue'
import { copyText } from '../app/copy-text'
import DeskArea from '../app/DeskArea.vue'
import { useAsking } from '../app/use-asking'
import PickField from '../calculators/fields/PickField.vue'
import { dayOf, whenOf } from '../calculators/moments'

/** Who works at the desk. Somebody new gets a link, which is passed on to them by whoever invited them. */
const { busy, problem, asking } = useAsking()
const people = shallowRef<readonly PersonListed[]>()
onMounted(() =>
  asking(async () => {
    people.value = await request(z.array(PersonListed), 'GET', '/people')
  }),
)

const roleWords: Readonly<Record<Role, string>> = {
  author: 'author: sets calculators and rates up',
  approver: 'approver: also puts live what others made',
  keeper: 'keeper: looks after people, placements and keys',
}
const roleOptions = roles.map((value) => ({ value, label: roleWords[value] }))

const link = ref<{ name: string; text: string; until: string }>()
function tell(name: string, invited: Invited): void {
  people.value = invited.people
  link.value = {
    name,
    text: `${window.location.origin}/desk/welcome#${invited.secret}`,
    until: invited.until,
  }
}

const inviting = ref(false)
const fresh = reactive({ name: '', email: '', role: 'author' as Role })
const isWhole = computed(() => InvitePerson.safeParse(fresh).success)
function begin(): void {
  Object.assign(fresh, { name: '', email: '', role: 'author' })
  problem.value = ''
  inviting.value = true
}
async function invite(): Promise<void> {
  const name = fresh.name.trim()
  const isDone = await asking(async () => {
    tell(name, await request(Invited, 'POST', '/people', { ...fresh, name, email: fresh.email.trim() }))
  })
  if (isDone) inviting.value = false
}
const inviteAgain = ({ id, name }: PersonListed) =>
  asking(async () => {
    tell(name, await request(Invited, 'POST', `/people/${id}/invitation`))
  })

const change = ({ id, name, role, active }: PersonListed, fields: Partial<PersonListed>, done: string) =>
  asking(async () => {
    people.value = await request(z.array(PersonListed), 'PUT', `/people/${id}`, {
      name,
      role,
      active,
      ...fields,
    })
    void message.success(done)
  })
function deactivate(person: PersonListed): void {
  Modal.confirm({
    title: `Close the desk to ${person.name}?`,
    content:
      'They are signed out everywhere at once. What they made stays, and so does their name on record.',
    okText: 'Close it to them',
    okButtonProps: { danger: true },
    cancelText: 'Leave it open',
    onOk: () =>
      change(person, { active: false }, `${person.name} cannot come in any more.`).then(() => undefined),
  })
}
const columns = [
  { title: 'Name', key: 'name' },
  { title: 'Role', key: 'role', width: 420 },
  { title: 'Last here', key: 'seen', width: 200 },
  { title: '', key: 'actions', width: 270 },
]
</script>

<template>
  <DeskArea title="People" about="who works at this desk" :problem="problem" :loading="!people">
    <template #actions>
      <a class="link" href="/api/archive" download>Take everything out, as one archive</a>
      <CallToAction @click="begin">Invite somebody</CallToAction>
    </template>
    <Alert v-if="link" type="success" class="link-note" closable @close="link = undefined">
      <template #message
        >Pass this link on to {{ link.name }}. It is shown once, and holds until
        {{ dayOf(link.until) }}.</template
      >
      <template #description>
        <pre id="invitation-link" tabindex="0">{{ link.text }}</pre>
        <Button size="small" @click="copyText(link.text)">Copy the link</Button>
      </template>
    </Alert>
    <Table
      :data-source="[...(people ?? [])]"
      :columns="columns"
      row-key="id"
      size="small"
      :pagination="false"
    >
      <template #bodyCell="{ column, record }">
        <template v-if="column.key === 'name'">
          <strong :class="{ soft: !record.active }">{{ record.name }}</strong><br /><span class="soft">{{
            record.email
          }}</span>
        </template>
        <select
          v-else-if="column.key === 'role'"
          class="pick"
          :value="record.role"
          :disabled="!record.active || busy"
          :aria-label="`Role of ${record.name}`"
          @change="
            change(
              record as PersonListed,
              { role: ($event.target as HTMLSelectElement).value as Role },
              `${record.name} has another role now.`,
            )
          "
        >
          <option v-for="role in roleOptions" :key="role.value" :value="role.value">{{ role.label }}</option>
        </select>
        <template v-else-if="column.key === 'seen'">
          <template v-if="!record.active">gone</template>
          <template v-else-if="record.invitedUntil && !record.hasPassword"
            >invited, until {{ dayOf(record.invitedUntil) }}</template
          >
          <template v-else-if="record.lastSeen">{{ whenOf(new Date(record.lastSeen)) }}</template>
          <span v-else class="soft">not lately</span>
        </template>
        <span v-else class="acts">
          <template v-if="record.active">
            <button type="button" class="link" @click="inviteAgain(record as PersonListed)">
              {{ record.hasPassword ? 'New password link' : 'New link' }}
            </button>
            <button type="button" class="link" @click="deactivate(record as PersonListed)">
              Close to them
            </button>
          </template>
          <button
            v-else
            type="button"
            class="link"
            @click="change(record as PersonListed, { active: true }, `${record.name} may come in again.`)"
          >
            Let in again
          </button>
        </span>
      </template>
    </Table>
    <Modal
      v-model:open="inviting"
      title="Invite somebody"
      ok-text="Make the link"
      :ok-button-props="{ disabled: !isWhole, loading: busy }"
      cancel-text="Cancel"
      @ok="invite"
    >
      <div class="invite">
        <label for="person-name">Name</label>
        <Input id="person-name" v-model:value="fresh.name" :maxlength="120" />
        <label for="person-email">E-mail</label>
        <Input id="person-email" v-model:value="fresh.email" type="email" :maxlength="254" />
        <PickField
          id="person-role"
          label="Role"
          :value="fresh.role"
          :options="roleOptions"
          @change="fresh.role = $event as Role"
        />
        <Alert v-if="problem" type="error" role="alert" :message="problem" />
      </div>
    </Modal>
  </DeskArea>
</template>

<style scoped>
.link-note {
  margin-bottom: 14px;
}
pre {
  margin: 6px 0 8px;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 14px;
}
.invite {
  display: grid;
  gap: 8px;
}
</style>
