<script setup lang="ts">
import { Button, ConfigProvider } from 'ant-design-vue'
import { actionTheme } from './theme'

/** The one next step of a screen, in the one colour kept for it. */
defineProps<{ disabled?: boolean; loading?: boolean }>()
defineEmits<{ click: [] }>()
</script>

<template>
  <ConfigProvider :theme="actionTheme">
    <Button type="primary" :disabled="disabled" :loading="loading" @click="$emit('click')"><slot /></Button>
  </ConfigProvider>
</template>
