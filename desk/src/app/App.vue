<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { computed, defineAsyncComponent } from 'vue'
import { useRoute } from 'vue-router'
import { useProof } from '../shared/session/proof-store'
import { useSession } from '../shared/session/session-store'
import { theme } from '../shared/page/theme'
import ClosedPage from './ClosedPage.vue'

const ProofDialog = defineAsyncComponent(() => import('../people/ProofDialog.vue'))
const proof = useProof()
const route = useRoute()
const session = useSession()
/** What somebody would have to be allowed to see the page, and is not. */
const lacks = computed(() => {
  const { needs } = route.meta
  return needs && session.person && !session.can(needs) ? needs : undefined
})
</script>

<template>
  <ConfigProvider :theme="theme" :auto-insert-space-in-button="false">
    <ClosedPage v-if="lacks" :needs="lacks" />
    <RouterView v-else />
    <ProofDialog v-if="proof.isAsked" />
  </ConfigProvider>
</template>
