<script setup lang="ts">
import { Button, Modal } from 'ant-design-vue'
import { computed } from 'vue'
import type { PlacementListed } from '@vivid/contract'
import { placementSnippet } from '@vivid/contract/formats'
import { closeOnEscape } from '../shared/page/close-on-escape'
import { copyText } from '../shared/files/copy-text'

/** What the site developer pastes into the page, and what their own security policy has to let through. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
const { placement } = defineProps<{ placement: PlacementListed | undefined }>()

const { origin } = window.location
const snippet = computed(() => (placement ? placementSnippet(origin, placement) : ''))
const policy = `script-src ${origin}; frame-src ${origin}; connect-src ${origin}`
</script>

<template>
  <Modal v-model:open="open" title="Place it on the page" :footer="null" :width="680">
    <template v-if="placement">
      <p>
        Paste this where <strong>{{ placement.title }}</strong> should stand on {{ placement.siteName }},
        <code>{{ placement.page }}</code>. Calculator, language, answers and width can be changed here
        afterwards, without touching the page again.
      </p>
      <pre id="placement-snippet" tabindex="0">{{ snippet }}</pre>
      <Button type="primary" @click="copyText(snippet)">Copy the snippet</Button>
      <p class="next">
        If the site sends a content security policy, these have to stand in it beside what is there:
      </p>
      <pre tabindex="0">{{ policy }}</pre>
      <p class="next soft">
        <code>data-height="1200"</code> keeps room while it loads. Its own page:
        <a class="link" :href="`${origin}/c/${placement.slug}`" target="_blank" rel="noopener"
          >{{ origin }}/c/{{ placement.slug }}</a
        >
      </p>
    </template>
  </Modal>
</template>

<style scoped>
pre {
  overflow-x: auto;
  margin: 12px 0;
  padding: 12px 14px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--paper);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.next {
  margin-top: 14px;
}
</style>
