<script setup lang="ts">
import { Alert, Button, Input, message, Modal } from 'ant-design-vue'
import { computed, onMounted, reactive, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { InvitePerson, PeopleChanged, PeopleRequest, PersonListed, roles, type Role } from '@vivid/contract'
import { entered } from '../shared/fields/entered'
import { request } from '../shared/api/request'
import CallToAction from '../shared/page/CallToAction.vue'
import ChecklistSection from './ChecklistSection.vue'
import DeskArea from '../shared/page/DeskArea.vue'
import RowTable from '../shared/page/RowTable.vue'
import { useAsking } from '../shared/api/use-asking'
import PickField from '../shared/fields/PickField.vue'
import { dayOf, whenOf } from '../shared/time/moments'
import { useSession } from '../shared/session/session-store'

/** Who works at the desk. Somebody new is sent a link; what is grave about an approver or keeper, a second keeper agrees to. */
const session = useSession()
const { busy, problem, asking } = useAsking()
const people = shallowRef<readonly PersonListed[]>()
onMounted(() =>
  asking(async () => {
    people.value = await request(z.array(PersonListed), 'GET', '/people')
    await loadRequests()
  }),
)

const roleWords: Readonly<Record<Role, string>> = {
  author: 'author: sets calculators and rates up',
  approver: 'approver: also puts live what others made',
  keeper: 'keeper: looks after people, placements and keys',
}
const roleOptions = roles.map((value) => ({ value, label: roleWords[value] }))

const requests = shallowRef<readonly PeopleRequest[]>([])
async function loadRequests(): Promise<void> {
  requests.value = await request(z.array(PeopleRequest), 'GET', '/people/requests')
}
async function tell(changed: PeopleChanged, done: string): Promise<void> {
  people.value = changed.people
  await loadRequests()
  void message.success(changed.waits ? 'Asked: it is done once a second keeper agrees.' : done, 5)
}
const mayAgree = ({ askedById }: PeopleRequest) => askedById !== session.person?.id
const settle = ({ id, person }: PeopleRequest, agrees: boolean) =>
  asking(async () => {
    const changed = await request(PeopleChanged, agrees ? 'POST' : 'DELETE', `/people/requests/${id}`)
    await tell(changed, agrees ? `Done for ${person}.` : 'It is not asked for any more.')
  })
const aRole = (role: Role | null) => (role === 'keeper' ? 'a keeper' : `an ${role ?? 'author'}`)
const requestWords = ({ kind, person, role, askedBy }: PeopleRequest): string => {
  switch (kind) {
    case 'role':
      return `${askedBy} wants ${person} to be ${aRole(role)}.`
    case 'reset':
      return `${askedBy} wants a new password link to be sent to ${person}.`
    case 'invitation':
      return `${askedBy} wants to invite ${person} as ${aRole(role)}.`
    case 'return':
      return `${askedBy} wants to let ${person} in again as ${aRole(role)}.`
    case 'factors':
      return `${askedBy} wants ${person} to come in without the second factor that was lost.`
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
    const asked = { ...fresh, name, email: fresh.email.trim() }
    await tell(
      await request(PeopleChanged, 'POST', '/people', asked),
      `A link is on its way to ${asked.email}.`,
    )
  })
  if (isDone) inviting.value = false
}
const inviteAgain = ({ id, email }: PersonListed) =>
  asking(async () => {
    const changed = await request(PeopleChanged, 'POST', `/people/${id}/invitation`)
    await tell(changed, `A link is on its way to ${email}.`)
  })
const signOut = ({ id, name }: PersonListed) =>
  asking(async () => {
    people.value = await request(z.array(PersonListed), 'DELETE', `/people/${id}/sessions`)
    void message.success(`${name} is signed out everywhere.`)
  })
function forgetFactors({ id, name }: PersonListed): void {
  Modal.confirm({
    title: `Has ${name} lost their second factor?`,
    content:
      'Their passkeys, codes by time and codes for when all else is lost are removed, and they are signed out everywhere. Until they set one up anew, a password alone lets them in. Be sure that it is they who ask.',
    okText: 'Remove it',
    okButtonProps: { danger: true },
    cancelText: 'Leave it',
    onOk: () =>
      asking(async () => {
        const changed = await request(PeopleChanged, 'DELETE', `/people/${id}/factors`)
        await tell(changed, `${name} comes in by password alone now.`)
      }).then(() => undefined),
  })
}
const change = ({ id, name, role, active }: PersonListed, fields: Partial<PersonListed>, done: string) =>
  asking(async () => {
    await tell(await request(PeopleChanged, 'PUT', `/people/${id}`, { name, role, active, ...fields }), done)
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
  { title: 'Role', key: 'role', width: 380 },
  { title: 'Last here', key: 'seen', width: 190 },
  { title: '', key: 'actions', width: 330 },
]
</script>

<template>
  <DeskArea title="People" about="who works at this desk" :problem="problem" :loading="!people">
    <template #actions>
      <RouterLink to="/people/archive" class="link">Archive</RouterLink>
      <CallToAction @click="begin">Invite somebody</CallToAction>
    </template>
    <Alert v-for="one in requests" :key="one.id" type="info" class="asked" :message="requestWords(one)">
      <template #action>
        <span class="acts">
          <Button v-if="mayAgree(one)" size="small" type="primary" :loading="busy" @click="settle(one, true)"
            >Agree</Button
          >
          <span v-else class="soft">waits for a second keeper</span>
          <Button size="small" :loading="busy" @click="settle(one, false)">{{
            mayAgree(one) ? 'Decline' : 'Take it back'
          }}</Button>
        </span>
      </template>
    </Alert>
    <RowTable :rows="people ?? []" :columns="columns" row-key="id">
      <template #cell="{ column, row: person }">
        <template v-if="column === 'name'">
          <strong :class="{ soft: !person.active }">{{ person.name }}</strong><template
            v-if="person.hasSecondFactor"
            ><span class="soft"> · has a second factor, </span
            ><button type="button" class="link" @click="forgetFactors(person)">lost?</button></template
          ><br /><span class="soft">{{ person.email }}</span>
        </template>
        <select
          v-else-if="column === 'role'"
          class="pick"
          :value="person.role"
          :disabled="!person.active || busy"
          :aria-label="`Role of ${person.name}`"
          @change="change(person, { role: entered($event) as Role }, `${person.name} has another role now.`)"
        >
          <option v-for="role in roleOptions" :key="role.value" :value="role.value">{{ role.label }}</option>
        </select>
        <template v-else-if="column === 'seen'">
          <template v-if="!person.active">gone</template>
          <template v-else-if="person.invitedUntil && !person.hasPassword"
            >invited, until {{ dayOf(person.invitedUntil) }}</template
          >
          <template v-else-if="person.lastSeen">{{ whenOf(new Date(person.lastSeen)) }}</template>
          <span v-else class="soft">not lately</span>
        </template>
        <span v-else class="acts">
          <template v-if="person.active">
            <button type="button" class="link" @click="inviteAgain(person)">
              {{ person.hasPassword ? 'New password link' : 'New link' }}
            </button>
            <button v-if="person.lastSeen" type="button" class="link" @click="signOut(person)">
              Sign out
            </button>
            <button type="button" class="link" @click="deactivate(person)">Close to them</button>
          </template>
          <button
            v-else
            type="button"
            class="link"
            @click="change(person, { active: true }, `${person.name} may come in again.`)"
          >
            Let in again
          </button>
        </span>
      </template>
    </RowTable>
    <ChecklistSection />
    <Modal
      v-model:open="inviting"
      title="Invite somebody"
      ok-text="Send the link"
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
.asked {
  margin-bottom: 14px;
}
.acts {
  display: flex;
  white-space: nowrap;
  gap: 14px;
}
@media (max-width: 1000px) {
  .acts {
    flex-wrap: wrap;
    gap: 2px 14px;
  }
  td .pick {
    min-width: 170px;
  }
}
.invite {
  display: grid;
  gap: 8px;
}
</style>
