<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { defineAsyncComponent } from 'vue'
import { useProof } from '../shared/session/proof-store'
import { theme } from '../shared/page/theme'

const ProofDialog = defineAsyncComponent(() => import('../people/ProofDialog.vue'))
const proof = useProof()
</script>

<template>
  <ConfigProvider :theme="theme" :auto-insert-space-in-button="false">
    <RouterView />
    <ProofDialog v-if="proof.isAsked" />
  </ConfigProvider>
</template>
