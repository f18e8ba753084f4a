<script setup lang="ts">
import { entered } from './entered'
/** One of a few, as a plain list. */
defineProps<{
  id: string
  label: string
  value: string
  options: readonly { readonly value: string; readonly label: string }[]
  field?: string
  problem?: string | undefined
}>()
defineEmits<{ change: [value: string] }>()
</script>

<template>
  <div class="pick-field" :data-field="field">
    <label :for="id">{{ label }}</label>
    <select :id="id" class="pick" :value="value" @change="$emit('change', entered($event))">
      <option v-if="!options.some((one) => one.value === value)" :value="value" disabled>
        {{ value === '' ? 'choose …' : `${value}, which is not here` }}
      </option>
      <option v-for="option in options" :key="option.value" :value="option.value">{{ option.label }}</option>
    </select>
    <p v-if="problem" class="field-problem" role="alert">{{ problem }}</p>
  </div>
</template>
