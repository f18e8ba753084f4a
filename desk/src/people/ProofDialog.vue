<script setup lang="ts">
import { Alert, Button, Input, InputPassword, Modal } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { FactorsState, SessionState } from '@vivid/contract'
import { request } from '../shared/api/request'
import { useAsking } from '../shared/api/use-asking'
import { signWithPasskey } from './passkey'
import { useProof } from '../shared/session/proof-store'
import { useSession } from '../shared/session/session-store'

/** Asks whoever is here to prove it once more: by their second factor where they have one, else by their password. */
const proof = useProof()
const session = useSession()
const { busy, problem, asking } = useAsking()
const factors = ref<FactorsState>()
const typed = ref('')
watch(
  () => proof.isAsked,
  (isAsked) => {
    typed.value = problem.value = ''
    if (isAsked)
      void asking(async () => {
        factors.value = await request(FactorsState, 'GET', '/me/factors')
      })
  },
  { immediate: true },
)
const hasCode = computed(() => factors.value?.totp ?? false)
const hasPasskey = computed(() => (factors.value?.passkeys.length ?? 0) > 0)
const hasPassword = computed(() => factors.value !== undefined && !hasCode.value && !hasPasskey.value)

async function prove(body: () => Promise<object> | object): Promise<void> {
  const isDone = await asking(async () => {
    session.state = await request(SessionState, 'POST', '/session/proof', await body())
  })
  if (isDone) proof.end(true)
}
const byText = () => prove(() => (hasPassword.value ? { password: typed.value } : { code: typed.value }))
const byPasskey = () => prove(async () => ({ passkey: await signWithPasskey() }))
</script>

<template>
  <Modal
    :open="proof.isAsked"
    title="Is it still you?"
    :footer="null"
    :width="440"
    :z-index="1200"
    @cancel="proof.end(false)"
  >
    <form class="prove" novalidate @submit.prevent="byText">
      <p>What you are about to do is grave, and you proved who you are a while ago.</p>
      <template v-if="hasPassword">
        <label for="proof-password">Your password</label>
        <InputPassword id="proof-password" v-model:value="typed" autocomplete="current-password" autofocus />
      </template>
      <template v-else-if="hasCode">
        <label for="proof-code">The code your application shows now</label>
        <Input
          id="proof-code"
          v-model:value="typed"
          inputmode="numeric"
          autocomplete="one-time-code"
          autofocus
        />
      </template>
      <Alert v-if="problem" type="error" role="alert" :message="problem" />
      <p v-if="session.state?.provider && !hasCode && !hasPasskey" class="soft">
        Or prove it by <a class="link" href="/api/session/provider?again">{{ session.state.provider }}</a> and
        do it again.
      </p>
      <div class="acts">
        <Button v-if="hasPasskey" :loading="busy" @click="byPasskey">Use a passkey</Button>
        <Button
          v-if="hasPassword || hasCode"
          type="primary"
          html-type="submit"
          :loading="busy"
          :disabled="!typed"
          >It is me</Button
        >
      </div>
    </form>
  </Modal>
</template>

<style scoped>
.prove {
  display: grid;
  gap: 8px;
}
.prove label {
  font-weight: 600;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
  margin-top: 6px;
}
</style>
