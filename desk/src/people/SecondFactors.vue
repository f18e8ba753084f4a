<script setup lang="ts">
import { Alert, Button, Input, Modal } from 'ant-design-vue'
import { toDataURL } from 'qrcode'
import { onMounted, ref, shallowRef } from 'vue'
import { FactorsState, RecoveryCodes, TotpBegun } from '@vivid/contract'
import { request } from '../shared/api/request'
import { copyText } from '../shared/files/copy-text'
import { useAsking } from '../shared/api/use-asking'
import { dayOf, whenOf } from '../shared/time/moments'
import { makePasskey, mayUsePasskeys } from './passkey'
import { useSession } from '../shared/session/session-store'

/** What a person has besides a password: codes by time, passkeys, and codes for when all else is lost. */
const session = useSession()
const { busy, problem, asking } = useAsking()
const factors = shallowRef<FactorsState>()
const load = () =>
  asking(async () => {
    factors.value = await request(FactorsState, 'GET', '/me/factors')
  })
onMounted(load)

const begun = shallowRef<TotpBegun & { picture: string }>()
const code = ref('')
const recovery = shallowRef<readonly string[]>()
const begin = () =>
  asking(async () => {
    const made = await request(TotpBegun, 'POST', '/me/factors/totp')
    code.value = ''
    begun.value = { ...made, picture: await toDataURL(made.uri, { margin: 1, width: 180 }) }
  })
const confirm = () =>
  asking(async () => {
    const secret = begun.value?.secret ?? ''
    recovery.value = (
      await request(RecoveryCodes, 'PUT', '/me/factors/totp', { secret, code: code.value })
    ).codes
    begun.value = undefined
    await changed()
  })
async function changed(): Promise<void> {
  factors.value = await request(FactorsState, 'GET', '/me/factors')
  session.forget()
  await session.load()
}
const anew = () =>
  asking(async () => {
    recovery.value = (await request(RecoveryCodes, 'POST', '/me/factors/recovery')).codes
    await changed()
  })
function remove(title: string, path: string): void {
  Modal.confirm({
    title,
    content: 'From then on it is not asked for, and does not let you in.',
    okText: 'Remove it',
    okButtonProps: { danger: true },
    cancelText: 'Keep it',
    onOk: () =>
      void asking(async () => {
        await request(FactorsState, 'DELETE', path)
        await changed()
      }),
  })
}
const keyName = ref('')
const addPasskey = () =>
  asking(async () => {
    const response = await makePasskey()
    const name = keyName.value.trim() || 'This device'
    await request(FactorsState, 'POST', '/me/factors/passkeys', { name, response })
    keyName.value = ''
    await changed()
  })
</script>

<template>
  <section class="factors">
    <h2>A second way to prove it is you</h2>
    <Alert
      v-if="session.state?.mustSetUp"
      type="warning"
      message="Your role needs one of these before anything else."
    />
    <Alert v-if="problem" type="error" role="alert" :message="problem" />
    <template v-if="factors">
      <div class="one">
        <span
          ><strong>Codes by time</strong><br /><span class="soft">{{
            factors.totp
              ? 'Your application shows a new one every 30 seconds.'
              : 'An application on your phone shows a new one every 30 seconds.'
          }}</span></span
        >
        <Button v-if="!factors.totp" :loading="busy" @click="begin">Set up codes</Button>
        <Button v-else size="small" @click="remove('Remove your codes?', '/me/factors/totp')">Remove</Button>
      </div>
      <form v-if="begun" class="begin" novalidate @submit.prevent="confirm">
        <img
          :src="begun.picture"
          alt="The secret as a picture, for the camera of your phone"
          width="180"
          height="180"
        />
        <div>
          <p>Scan the picture with your application, or type the secret:</p>
          <code>{{ begun.secret }}</code>
          <label for="totp-code">Then the code it shows</label>
          <Input id="totp-code" v-model:value="code" inputmode="numeric" autocomplete="one-time-code" />
          <Button type="primary" html-type="submit" :loading="busy" :disabled="!code">Turn codes on</Button>
        </div>
      </form>
      <Alert v-if="recovery" type="success" class="codes" closable @close="recovery = undefined">
        <template #message
          >Keep these where your phone is not. Each works once, and they are shown only now.</template
        >
        <template #description>
          <pre id="recovery-codes" tabindex="0">{{ recovery.join('\n') }}</pre>
          <Button size="small" @click="copyText(recovery.join('\n'))">Copy them</Button>
        </template>
      </Alert>
      <div v-if="factors.totp" class="one">
        <span
          ><strong>Codes for when all else is lost</strong><br /><span class="soft"
            >{{ factors.recoveryLeft }} left</span
          ></span
        >
        <Button size="small" @click="anew">New ones</Button>
      </div>
      <div v-for="key in factors.passkeys" :key="key.id" class="one">
        <span
          ><strong>Passkey: {{ key.name }}</strong
          ><br /><span class="soft"
            >since {{ dayOf(key.madeAt)
            }}{{ key.lastUsed ? `, last used ${whenOf(new Date(key.lastUsed))}` : '' }}</span
          ></span
        >
        <Button
          size="small"
          @click="remove(`Remove the passkey ${key.name}?`, `/me/factors/passkeys/${key.id}`)"
          >Remove</Button
        >
      </div>
      <form v-if="mayUsePasskeys()" class="one" novalidate @submit.prevent="addPasskey">
        <Input
          v-model:value="keyName"
          placeholder="This device"
          aria-label="What to call the passkey"
          :maxlength="60"
        />
        <Button html-type="submit" :loading="busy">Add a passkey</Button>
      </form>
      <p v-else class="soft">Passkeys are for an address with a name, like calculators.example.</p>
    </template>
  </section>
</template>

<style scoped>
.factors {
  display: grid;
  gap: 4px;
}
.one {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
  padding: 9px 0;
  border-bottom: 1px solid var(--line);
}
.begin {
  display: grid;
  grid-template-columns: 180px 1fr;
  gap: 18px;
  padding: 12px 0;
}
.begin > div {
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: start;
}
.begin label {
  font-weight: 600;
}
code {
  overflow-wrap: anywhere;
}
.codes {
  margin: 8px 0;
}
pre {
  columns: 2;
  margin: 4px 0 8px;
}
</style>
