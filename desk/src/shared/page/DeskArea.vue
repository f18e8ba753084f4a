<script setup lang="ts">
import { Alert, Skeleton } from 'ant-design-vue'
import DeskHeader from './DeskHeader.vue'

/** One area of the desk: its name, what it is about, what can be done here, and its content once it is there. */
defineProps<{ title: string; about: string; problem?: string; loading?: boolean }>()
</script>

<template>
  <DeskHeader />
  <main class="area">
    <div class="head">
      <h1>{{ title }}</h1>
      <p class="soft">{{ about }}</p>
      <span v-if="!loading || !problem" class="right"><slot name="actions" /></span>
    </div>
    <Alert v-if="problem" type="error" role="alert" :message="problem" class="alert" />
    <slot v-if="!loading" />
    <Skeleton v-else-if="!problem" active />
  </main>
</template>

<style scoped>
.area {
  max-width: 1280px;
  margin: 0 auto;
  padding: 22px 22px 40px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 6px 14px;
  margin-bottom: 16px;
}
.right {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: baseline;
  margin-left: auto;
}
.alert {
  margin-bottom: 12px;
}
</style>
