<script setup lang="ts">
import { Alert, InputPassword, Skeleton } from 'ant-design-vue'
import { onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import type { z } from 'zod'
import { InvitedPerson, SessionState } from '@vivid/contract'
import { request } from '../shared/api/request'
import CallToAction from '../shared/page/CallToAction.vue'
import { useAsking } from '../shared/api/use-asking'
import { useSession } from '../shared/session/session-store'

/** Somebody comes by an invitation and chooses a password. The secret stands behind the #, so no server logs it. */
const secret = window.location.hash.slice(1)
const router = useRouter()
const session = useSession()
const { busy, problem, asking } = useAsking()
const person = shallowRef<z.infer<typeof InvitedPerson>>()
const password = ref('')
const again = ref('')
onMounted(() =>
  asking(async () => {
    person.value = await request(InvitedPerson, 'POST', '/invitation', { secret })
  }),
)

async function accept(): Promise<void> {
  if (password.value !== again.value) {
    problem.value = 'The two passwords are not the same.'
    return
  }
  const isDone = await asking(async () => {
    session.state = await request(SessionState, 'PUT', '/invitation', { secret, password: password.value })
  })
  if (isDone) await router.replace('/')
}
</script>

<template>
  <main class="welcome">
    <p class="brand"><img src="../shared/page/mark.svg" alt="" width="30" height="14" />Vivid Meter</p>
    <Skeleton v-if="!person && !problem" active />
    <form v-else novalidate @submit.prevent="accept">
      <template v-if="person">
        <h1>Welcome, {{ person.name }}</h1>
        <p>
          Choose a password: 12 characters or more. A few words in a row are easy to keep in mind and hard to
          guess.
        </p>
        <input type="email" :value="person.email" autocomplete="username" hidden readonly />
        <label for="new-password">Password</label>
        <InputPassword id="new-password" v-model:value="password" autocomplete="new-password" autofocus />
        <label for="new-password-again">The same again</label>
        <InputPassword id="new-password-again" v-model:value="again" autocomplete="new-password" />
      </template>
      <h1 v-else>This way is closed</h1>
      <Alert v-if="problem" type="error" role="alert" :message="problem" />
      <CallToAction v-if="person" :loading="busy" :disabled="!password || !again" @click="accept"
        >Come in</CallToAction
      >
    </form>
  </main>
</template>

<style scoped>
.welcome {
  display: grid;
  gap: 22px;
  max-width: 460px;
  margin: 0 auto;
  padding: 64px 22px;
}
.brand {
  display: flex;
  align-items: center;
  gap: 9px;
  font: 700 19px var(--display);
}
form {
  display: grid;
  gap: 10px;
}
</style>
