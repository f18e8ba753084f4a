<script setup lang="ts">
import { Button, InputPassword, message } from 'ant-design-vue'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { SessionListed } from '@vivid/contract'
import { request } from '../shared/api/request'
import CallToAction from '../shared/page/CallToAction.vue'
import DeskArea from '../shared/page/DeskArea.vue'
import { useAsking } from '../shared/api/use-asking'
import { whenOf } from '../shared/time/moments'
import SecondFactors from './SecondFactors.vue'
import { useSession } from '../shared/session/session-store'

/** A person's own password and sessions. */
const session = useSession()
const { busy, problem, asking } = useAsking()
const sessions = shallowRef<readonly SessionListed[]>()
const ask = (method: 'GET' | 'PUT' | 'DELETE', path: string, body?: object) =>
  asking(async () => {
    sessions.value = await request(z.array(SessionListed), method, path, body)
  })
onMounted(() => ask('GET', '/me/sessions'))

const present = ref('')
const next = ref('')
const again = ref('')
const isSame = computed(() => next.value === again.value)
async function change(): Promise<void> {
  if (!(await ask('PUT', '/me/password', { present: present.value, next: next.value }))) return
  present.value = next.value = again.value = ''
  void message.success('Changed. You are signed out everywhere else.')
}
</script>

<template>
  <DeskArea
    title="You"
    :about="`${session.person?.name ?? ''}, ${session.person?.role ?? ''}, ${session.person?.email ?? ''}`"
    :problem="problem"
    :loading="!sessions"
  >
    <div class="both">
      <form novalidate aria-label="Password" @submit.prevent="change">
        <h2>Another password</h2>
        <input type="email" :value="session.person?.email" autocomplete="username" hidden readonly />
        <label for="password-now">The present one</label>
        <InputPassword id="password-now" v-model:value="present" autocomplete="current-password" />
        <label for="password-next">The new one, 12 characters or more</label>
        <InputPassword id="password-next" v-model:value="next" autocomplete="new-password" />
        <label for="password-again">The new one again</label>
        <InputPassword id="password-again" v-model:value="again" autocomplete="new-password" />
        <p v-if="again && !isSame" class="field-problem" role="alert">The two are not the same.</p>
        <CallToAction :disabled="!present || !next || !isSame" :loading="busy" @click="change"
          >Change it</CallToAction
        >
      </form>
      <section class="others">
        <SecondFactors />
        <h2>Where you are signed in</h2>
        <ul>
          <li v-for="one in sessions" :key="one.name">
            <span
              ><strong>{{ one.browser || 'an earlier session' }}</strong
              ><br /><span class="soft"
                >since {{ whenOf(new Date(one.began)) }}, last used {{ whenOf(new Date(one.lastUsed)) }}</span
              ></span
            >
            <span v-if="one.isThis" class="soft">this one</span>
            <Button v-else size="small" @click="ask('DELETE', `/me/sessions/${one.name}`)">End it</Button>
          </li>
        </ul>
        <Button v-if="(sessions?.length ?? 0) > 1" @click="ask('DELETE', '/me/sessions')"
          >End all others</Button
        >
      </section>
    </div>
  </DeskArea>
</template>

<style scoped>
.others {
  display: grid;
  gap: 10px;
}
.others h2 {
  margin-top: 18px;
}
.others :deep(.factors h2) {
  margin-top: 0;
}
.both {
  display: grid;
  grid-template-columns: minmax(0, 380px) minmax(0, 520px);
  gap: 48px;
  align-items: start;
}
form {
  display: grid;
  gap: 8px;
  justify-items: start;
}
form > * {
  width: 100%;
}
form > button {
  width: auto;
}
ul {
  margin: 10px 0 14px;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
  padding: 9px 0;
  border-bottom: 1px solid var(--line);
}
@media (max-width: 800px) {
  .both {
    grid-template-columns: 1fr;
  }
}
</style>
