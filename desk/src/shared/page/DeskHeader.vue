<script setup lang="ts">
import { message } from 'ant-design-vue'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { sentenceOf } from '../api/api-error'
import { areaOf, areas } from './areas'
import { useSession } from '../session/session-store'

const session = useSession()
const router = useRouter()
const route = useRoute()
const area = computed(() => areaOf(route.path))
const open = computed(() =>
  areas.filter(({ path }) => {
    const { needs } = router.resolve(path).meta
    return !needs || session.can(needs)
  }),
)

async function signOut(): Promise<void> {
  try {
    await session.signOut()
    await router.push('/sign-in')
  } catch (error) {
    void message.error(sentenceOf(error))
  }
}
</script>

<template>
  <header class="desk-header">
    <RouterLink to="/" class="brand"
      ><img src="./mark.svg" alt="" width="30" height="14" /><span>Vivid Meter</span></RouterLink
    >
    <nav aria-label="Areas">
      <RouterLink v-for="one in open" :key="one.path" :to="one.path" :class="{ here: area === one.path }">{{
        one.name
      }}</RouterLink>
    </nav>
    <div v-if="session.person" class="who">
      <RouterLink to="/me" :title="`${session.state?.lender}: your password and sessions`"
        >{{ session.person.name }}, {{ session.person.role }}</RouterLink
      >
      <button type="button" @click="signOut">Sign out</button>
    </div>
  </header>
</template>

<style scoped>
.desk-header {
  display: flex;
  align-items: center;
  gap: 28px;
  height: 52px;
  padding: 0 22px;
  background: var(--ink);
  color: #fff;
}
.brand {
  display: flex;
  align-items: center;
  gap: 9px;
  color: #fff;
  font: 700 19px var(--display);
}
nav a {
  color: #fff;
  padding: 6px 0;
  border-bottom: 3px solid transparent;
}
nav .here {
  border-color: var(--sun);
}
nav {
  display: flex;
  gap: 18px;
  min-width: 0;
  overflow-x: auto;
  white-space: nowrap;
}
.brand,
.who {
  white-space: nowrap;
}
.who {
  margin-left: auto;
  display: flex;
  gap: 18px;
  color: #d8cfe6;
}
.who a {
  color: #d8cfe6;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.who button {
  padding: 0;
  border: 0;
  background: none;
  color: #fff;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
.desk-header :focus-visible {
  outline-color: var(--sun);
}
@media (max-width: 1100px) {
  .desk-header {
    gap: 18px;
  }
  nav {
    gap: 14px;
  }
  /* The mark stays, with its name for who cannot see it. */
  .brand span {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}
@media (max-width: 980px) {
  .who a {
    max-width: 9em;
    overflow: hidden;
    text-overflow: ellipsis;
  }
}
@media (max-width: 800px) {
  .desk-header {
    gap: 12px;
    padding: 0 14px;
    font-size: 14px;
  }
  nav {
    gap: 11px;
  }
  .who a {
    display: none;
  }
}
</style>
