<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import type { RateSheet } from '@vivid/core'
import PickField from '../shared/fields/PickField.vue'
import { addKey, removeKey } from './sheet-edit'
import { useSheets } from './sheets-store'

/** What a sheet is called, what its rows are found by and what they give. */
const { sheet } = defineProps<{ sheet: RateSheet; readOnly: boolean }>()
const sheets = useSheets()

const changeKey = (at: number, fields: object) =>
  sheets.change(
    { ...sheet, keys: sheet.keys.map((key, i) => (i === at ? { ...key, ...fields } : key)) },
    `key ${at}`,
  )

const units = [
  { value: 'percent', label: 'a percentage' },
  { value: 'number', label: 'a number' },
  { value: 'money', label: 'an amount' },
  { value: 'term', label: 'a length, in months' },
  { value: 'text', label: 'a text' },
  { value: 'frequency', label: 'a payment frequency' },
]
const matches = [
  { value: 'exact', label: 'exactly' },
  { value: 'from', label: 'from this on' },
  { value: 'upTo', label: 'up to this' },
]
const given = [
  { value: 'percent', label: 'a percentage' },
  { value: 'money', label: 'an amount' },
  { value: 'number', label: 'a number' },
]
</script>

<template>
  <div class="editor" :inert="readOnly || undefined">
    <div>
      <label for="sheet-name">Name</label>
      <Input id="sheet-name" :value="sheet.name" :maxlength="80" @update:value="sheets.rename" />
    </div>
    <PickField
      id="sheet-gives"
      label="Each row gives"
      :value="sheet.gives"
      :options="given"
      @change="sheets.change({ ...sheet, gives: $event as RateSheet['gives'] })"
    />
    <div v-for="(key, i) in sheet.keys" :key="i" class="key wide">
      <div>
        <label :for="`key-${i}`">Found by</label>
        <Input
          :id="`key-${i}`"
          :value="key.name"
          :maxlength="80"
          @update:value="changeKey(i, { name: $event })"
        />
      </div>
      <PickField
        :id="`key-${i}-unit`"
        label="which is"
        :value="key.unit"
        :options="units"
        @change="changeKey(i, { unit: $event })"
      />
      <PickField
        :id="`key-${i}-match`"
        label="matched"
        :value="key.match"
        :options="matches"
        @change="changeKey(i, { match: $event })"
      />
      <Button v-if="i === 1" size="small" @click="sheets.change(removeKey(sheet))">Remove</Button>
    </div>
    <button
      v-if="sheet.keys.length < 2"
      type="button"
      class="link wide"
      @click="sheets.change(addKey(sheet))"
    >
      Find by a second key too
    </button>
  </div>
</template>

<style scoped>
.key {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr auto;
  gap: 12px;
  align-items: end;
}
.link {
  justify-self: start;
}
</style>
