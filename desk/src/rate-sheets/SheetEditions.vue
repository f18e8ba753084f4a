<script setup lang="ts">
import { listed } from '../shared/fields/listed'
import { dayOf } from '../shared/time/moments'
import { useSheets } from './sheets-store'

/** The editions of the open sheet that were approved, each to begin anew from. */
defineProps<{ readOnly: boolean }>()
const sheets = useSheets()
</script>

<template>
  <details v-if="sheets.saved?.editions.length" class="editions">
    <summary>Approved so far: {{ sheets.saved.editions.length }}</summary>
    <ol reversed>
      <li v-for="edition in sheets.saved.editions" :key="edition.number">
        {{ dayOf(edition.approvedAt) }},
        {{ edition.approvedBy ? `by ${edition.approvedBy}` : 'brought along by a calculator' }}; changed by
        {{ listed(edition.contributors) }}.<template v-if="edition.note"> “{{ edition.note }}”</template>
        <button v-if="!readOnly" type="button" class="link" @click="sheets.startFrom(edition.number)">
          put it into the draft
        </button>
      </li>
    </ol>
  </details>
</template>

<style scoped>
ol {
  padding-left: 22px;
}
summary {
  color: var(--plum);
  cursor: pointer;
}
</style>
