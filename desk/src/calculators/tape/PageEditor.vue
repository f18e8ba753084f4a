<script setup lang="ts">
import type { CalculatorDocument } from '@vivid/core'
import { useDraft } from '../draft-store'
import TextField from './TextField.vue'

const { document } = defineProps<{ document: CalculatorDocument }>()
const draft = useDraft()
const set = (fields: Partial<CalculatorDocument>) => void draft.change({ ...document, ...fields })
</script>

<template>
  <div class="editor">
    <TextField
      id="page-title"
      label="Title"
      :value="document.title"
      :most="120"
      required
      @change="set({ title: $event })"
    />
    <TextField
      id="page-lender"
      label="Lender"
      :value="document.lender"
      :most="80"
      required
      @change="set({ lender: $event })"
    />
    <TextField
      id="page-introduction"
      class="wide"
      label="Introduction below the title"
      :value="document.introduction"
      :most="600"
      long
      @change="set({ introduction: $event })"
    />
    <TextField
      id="page-disclosure"
      class="wide"
      label="What it assumes and leaves out"
      :value="document.disclosure"
      :most="2000"
      long
      @change="set({ disclosure: $event })"
    />
  </div>
</template>
