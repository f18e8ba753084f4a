<script setup lang="ts">
import { Button, message, Modal } from 'ant-design-vue'
import { computed } from 'vue'

/** What the site developer pastes into the lender's page; offered only once an edition is live. */
const open = defineModel<boolean>('open', { required: true })
const { slug } = defineProps<{ slug: string }>()

const address = computed(() => `${window.location.origin}/c/${slug}`)
const snippet = computed(
  () =>
    `<script async src="${window.location.origin}/embed.js" data-calculator="${slug}"><${'/'}script>\n` +
    `<noscript><a href="${address.value}">Loan calculator</a></noscript>`,
)

async function copy(text: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text)
    void message.success('Copied')
  } catch {
    void message.info('Copying is not allowed here; select the text and copy it by keyboard.')
  }
}
</script>

<template>
  <Modal v-model:open="open" title="Place it on a page" :footer="null" :width="640">
    <p>
      Paste this where the calculator should stand. It grows with its content and always shows the live
      edition.
    </p>
    <pre id="placement-snippet" tabindex="0">{{ snippet }}</pre>
    <Button type="primary" @click="copy(snippet)">Copy the snippet</Button>
    <p class="address">
      The page’s own language is spoken where the calculator has it, or another by
      <code>data-language="fr-CA"</code>; <code>data-answers="homePrice=412,600"</code> fills answers in, and
      <code>data-height="1200"</code> keeps room for it while it loads.
    </p>
    <p class="address">
      Its own page: <a class="link" :href="address" target="_blank" rel="noopener">{{ address }}</a>
    </p>
  </Modal>
</template>

<style scoped>
pre {
  margin: 12px 0;
  padding: 12px;
  border: 1px solid var(--line);
  border-radius: 7px;
  background: var(--paper);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.address {
  margin-top: 14px;
}
</style>
