<script setup lang="ts">
import { Alert, Button, ConfigProvider, Input, InputPassword } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { sentenceOf } from '../shared/api/api-error'
import { actionTheme } from '../shared/page/theme'
import { mayUsePasskeys, signWithPasskey } from './passkey'
import { useSession } from '../shared/session/session-store'

const session = useSession()
const router = useRouter()
const route = useRoute()
const email = ref('')
const password = ref('')
const problem = ref(useSession().state?.problem ?? '')
const busy = ref(false)

const code = ref('')
const second = computed(() => session.state?.second ?? [])

async function attempt(act: () => Promise<void>): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    await act()
    if (!session.person) return
    const { then } = route.query
    await router.replace(typeof then === 'string' && then.startsWith('/') ? then : '/')
  } catch (error) {
    problem.value = sentenceOf(error)
  } finally {
    busy.value = false
  }
}
async function signIn(): Promise<void> {
  if (!email.value.trim() || !password.value) {
    problem.value = 'Type your e-mail address and your password.'
    return
  }
  await attempt(() => session.signIn(email.value, password.value))
}
const giveCode = () => attempt(() => session.giveSecond(code.value))
const byPasskey = () => attempt(async () => session.usePasskey(await signWithPasskey()))
async function backToPassword(): Promise<void> {
  await attempt(() => session.signOut())
  code.value = password.value = ''
}

function take(person: { email: string; password: string }): void {
  email.value = person.email
  password.value = person.password
}
</script>

<template>
  <main class="sign-in">
    <section class="pitch">
      <p class="brand"><img src="../shared/page/mark.svg" alt="" width="30" height="14" />Vivid Meter</p>
      <h1>Calculators your visitors can trust to the cent.</h1>
      <div class="bar" aria-hidden="true"><span></span><span></span><span></span></div>
      <p>Set one up, see every figure as you go, and have a second person put it live.</p>
    </section>
    <section class="entry">
      <form v-if="second.length > 0" class="form" novalidate @submit.prevent="giveCode">
        <h2>One thing more</h2>
        <template v-if="second.includes('totp')">
          <label for="second-code">The code your application shows, or one for when it is lost</label>
          <Input id="second-code" v-model:value="code" autocomplete="one-time-code" autofocus />
        </template>
        <Alert v-if="problem" type="error" :message="problem" role="alert" />
        <ConfigProvider :theme="actionTheme">
          <Button
            v-if="second.includes('totp')"
            type="primary"
            html-type="submit"
            size="large"
            block
            :loading="busy"
            :disabled="!code"
            >Come in</Button
          >
        </ConfigProvider>
        <Button v-if="second.includes('passkey')" size="large" block :loading="busy" @click="byPasskey"
          >Use a passkey</Button
        >
        <button type="button" class="link back" @click="backToPassword">Begin again</button>
      </form>
      <form v-else class="form" novalidate @submit.prevent="signIn">
        <h2>Sign in</h2>
        <label for="email">E-mail</label>
        <Input id="email" v-model:value="email" type="email" autocomplete="username" autofocus />
        <label for="password">Password</label>
        <InputPassword id="password" v-model:value="password" autocomplete="current-password" />
        <Alert v-if="problem" type="error" :message="problem" role="alert" />
        <ConfigProvider :theme="actionTheme">
          <Button type="primary" html-type="submit" size="large" block :loading="busy">Sign in</Button>
        </ConfigProvider>
        <Button v-if="mayUsePasskeys()" size="large" block :disabled="busy" @click="byPasskey"
          >Use a passkey</Button
        >
        <Button v-if="session.state?.provider" size="large" block href="/api/session/provider"
          >Come in with {{ session.state.provider }}</Button
        >
      </form>
      <div v-if="session.state?.demoPeople.length && second.length === 0" class="demo">
        <h3>This is a demo. Come in as</h3>
        <ul>
          <li v-for="person in session.state.demoPeople" :key="person.email">
            <button type="button" @click="take(person)">
              <strong>{{ person.name }}</strong>
              <span>{{ person.role }}</span>
              <code>{{ person.email }}</code>
            </button>
          </li>
        </ul>
        <p>
          The password of all of them is <code>{{ session.state.demoPeople[0]?.password }}</code>.
        </p>
      </div>
    </section>
  </main>
</template>

<style scoped>
.sign-in {
  min-height: 100vh;
  display: grid;
  grid-template-columns: minmax(320px, 44%) 1fr;
}
.pitch {
  padding: 40px 48px;
  background: var(--ink);
  color: #fff;
  display: flex;
  flex-direction: column;
}
.brand {
  display: flex;
  gap: 10px;
  align-items: center;
  font: 700 19px var(--display);
}
.pitch h1 {
  margin: auto 0 0;
  max-width: 11em;
  font-size: 42px;
  color: #fff;
}
.pitch > p:last-child {
  margin: 0 0 auto;
  max-width: 30em;
  color: #d8cfe6;
  font-size: 17px;
}
.bar {
  display: flex;
  gap: 4px;
  height: 30px;
  margin: 26px 0;
}
.bar span {
  border-radius: 4px;
  background: #e4402f;
  flex: 5;
}
.bar span:nth-child(2) {
  background: #f2a71b;
  flex: 3;
}
.bar span:nth-child(3) {
  background: #b9d9f5;
  flex: 1;
}
.entry {
  padding: 40px 24px;
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 32px;
  max-width: 500px;
  width: 100%;
  margin: 0 auto;
}
.form {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.form h2 {
  margin-bottom: 10px;
}
.form label {
  margin-top: 8px;
  font-weight: 600;
}
.form .ant-alert,
.form .ant-btn {
  margin-top: 14px;
}
.back {
  margin-top: 12px;
  justify-self: start;
}
.demo h3 {
  font: 600 15px var(--text);
  margin-bottom: 8px;
}
.demo ul {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
  border-top: 1px solid var(--line);
}
.demo button {
  width: 100%;
  display: grid;
  grid-template-columns: 8.4em 5em 1fr;
  align-items: baseline;
  gap: 10px;
  padding: 8px 4px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
  cursor: pointer;
}
.demo button:hover {
  background: var(--lilac);
}
.demo code {
  font-size: 13px;
}
.demo span {
  color: var(--ink-soft);
}
@media (max-width: 800px) {
  .sign-in {
    grid-template-columns: 1fr;
  }
  .pitch {
    padding: 24px;
  }
  .pitch h1 {
    margin-top: 24px;
    font-size: 28px;
  }
}
</style>
