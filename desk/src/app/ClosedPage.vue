<script setup lang="ts">
import { computed } from 'vue'
import { permissions, type Permission } from '@vivid/contract'
import { useSession } from '../shared/session/session-store'
import DeadEnd from './DeadEnd.vue'

/** What stands where somebody's role does not lead. */
const { needs } = defineProps<{ needs: Permission }>()
const session = useSession()
const allowed = computed(() => permissions[needs].map((role) => `${role}s`).join(' and '))
</script>

<template>
  <DeadEnd :heading="`This is for ${allowed}`"
    >You are here as {{ session.person?.name }}, {{ session.person?.role }}. A keeper can give you another
    role.</DeadEnd
  >
</template>
