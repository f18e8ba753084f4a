<script setup lang="ts">
/** What a typed text could mean, where it could mean more than one thing: one is taken by pressing it. */
defineProps<{
  meanings: readonly { readonly answer: unknown; readonly said: string }[]
  /** Said before them. */
  asks: string
}>()
defineEmits<{ mean: [answer: unknown] }>()
</script>

<template>
  <p v-if="meanings.length" class="doubt" role="status">
    {{ asks }}
    <button
      v-for="{ answer, said } in meanings"
      :key="said"
      type="button"
      class="mean"
      @click="$emit('mean', answer)"
    >
      {{ said }}
    </button>
  </p>
</template>
