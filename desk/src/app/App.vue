<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { theme } from './theme'
</script>

<template>
  <ConfigProvider :theme="theme" :auto-insert-space-in-button="false">
    <RouterView />
  </ConfigProvider>
</template>
