<script setup lang="ts">
import { Input, Modal, Textarea } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { closeOnEscape } from '../shared/page/close-on-escape'
import { Origin, type SaveSite, type Site } from '@vivid/contract'

/** A site of the lender's: only pages under its addresses may show its calculators. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
const { before } = defineProps<{ before: Site | undefined }>()
const emit = defineEmits<{ save: [site: SaveSite] }>()

const name = ref('')
const text = ref('')
watch(open, (now) => {
  if (!now) return
  name.value = before?.name ?? ''
  text.value = before?.origins.join('\n') ?? ''
})
const origins = computed(() =>
  text.value
    .split(/\s+/)
    .filter(Boolean)
    .map((line) => line.replace(/\/$/, '').toLowerCase()),
)
const wrong = computed(() => origins.value.find((origin) => !Origin.safeParse(origin).success))

function save(): void {
  open.value = false
  emit('save', { name: name.value.trim(), origins: origins.value })
}
</script>

<template>
  <Modal
    v-model:open="open"
    :title="before ? 'Change the site' : 'List a site'"
    ok-text="Save"
    :ok-button-props="{ disabled: !name.trim() || origins.length === 0 || wrong !== undefined }"
    cancel-text="Cancel"
    @ok="save"
  >
    <label for="site-name">Name</label>
    <Input id="site-name" v-model:value="name" :maxlength="80" />
    <label for="site-origins" class="next">How its addresses begin, one to a line</label>
    <Textarea id="site-origins" v-model:value="text" :rows="3" placeholder="https://www.larkmoor.example" />
    <p v-if="wrong" class="field-problem" role="alert">
      “{{ wrong }}” is none: it looks like https://www.larkmoor.example, without a path.
    </p>
    <p class="soft next">
      Anything under these addresses, and nothing else, may show what is placed on this site. Test sites have
      addresses of their own.
    </p>
  </Modal>
</template>

<style scoped>
.next {
  display: block;
  margin-top: 12px;
}
</style>
