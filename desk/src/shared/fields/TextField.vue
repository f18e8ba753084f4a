<script setup lang="ts">
import { Input, Textarea } from 'ant-design-vue'
import { ref, watch } from 'vue'

/** A text of the document. One that may not be empty is not passed on while it is. */
const props = defineProps<{
  id: string
  label: string
  value: string
  most: number
  required?: boolean
  long?: boolean
  field?: string
}>()
const emit = defineEmits<{ change: [text: string] }>()
const text = ref(props.value)
const problem = ref('')

watch(
  () => props.value,
  (value) => {
    if (!problem.value && value !== text.value.trim()) text.value = value
  },
)

function take(typed: string): void {
  text.value = typed
  problem.value = props.required && !typed.trim() ? 'This cannot be empty.' : ''
  if (!problem.value) emit('change', typed)
}
</script>

<template>
  <div class="text-field" :data-field="field">
    <label :for="id">{{ label }}</label>
    <component
      :is="long ? Textarea : Input"
      :id="id"
      :value="text"
      :maxlength="most"
      :auto-size="long ? { minRows: 2, maxRows: 5 } : undefined"
      :status="problem ? 'error' : ''"
      @update:value="take"
    />
    <p v-if="problem" class="field-problem" role="alert">{{ problem }}</p>
  </div>
</template>
