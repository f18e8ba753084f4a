<script setup lang="ts">
import { computed, nextTick, reactive, ref } from 'vue'
import { isReachable } from '@vivid/contract/visitor'
import type { PageWords } from '@vivid/contract/wording'
import type { LivePage } from '../model/calculator-source'
import { handOver, type AsShown } from './ask-server'

const { live, shown, words } = defineProps<{
  live: LivePage
  shown: () => AsShown
  lender: string
  words: PageWords['handOver']
  optional: string
}>()
const emit = defineEmits<{ sent: []; cancel: [] }>()

const typed = reactive({ name: '', reach: '', message: '', consent: false })
const isTried = ref(false)
const isSending = ref(false)
const failed = ref(false)

/** What is missing, by field, in the order of the form. */
const missing = computed(() => ({
  ...(typed.name.trim() === '' && { name: words.nameMissing }),
  ...(!isReachable(typed.reach.trim()) && { reach: words.reachMissing }),
  ...(!typed.consent && { consent: words.consentMissing }),
}))
const told = computed((): Partial<Record<'name' | 'reach' | 'consent', string>> =>
  isTried.value ? missing.value : {},
)

async function send(): Promise<void> {
  isTried.value = true
  failed.value = false
  const [first] = Object.keys(missing.value)
  if (first) {
    await nextTick()
    return document.getElementById(`hand-over-${first}`)?.focus()
  }
  isSending.value = true
  try {
    const { name, reach, message } = typed
    await handOver(live, shown(), { name, reach, message, consent: true })
    emit('sent')
  } catch {
    failed.value = true
  } finally {
    isSending.value = false
  }
}
</script>

<template>
  <form class="hand-over" novalidate @submit.prevent="send">
    <p>{{ words.intro(lender) }}</p>
    <div class="try">
      <label for="hand-over-name">{{ words.name }}</label>
      <input
        id="hand-over-name"
        v-model="typed.name"
        class="typed"
        autocomplete="name"
        maxlength="120"
        :aria-invalid="told.name !== undefined"
        :aria-describedby="told.name && 'hand-over-name-problem'"
      />
      <p v-if="told.name" id="hand-over-name-problem" class="problem">{{ told.name }}</p>
    </div>
    <div class="try">
      <label for="hand-over-reach">{{ words.reach }}</label>
      <input
        id="hand-over-reach"
        v-model="typed.reach"
        class="typed"
        autocomplete="email"
        maxlength="200"
        :aria-invalid="told.reach !== undefined"
        :aria-describedby="told.reach ? 'hand-over-reach-problem' : 'hand-over-reach-help'"
      />
      <p v-if="told.reach" id="hand-over-reach-problem" class="problem">{{ told.reach }}</p>
      <p v-else id="hand-over-reach-help" class="help">{{ words.reachHelp }}</p>
    </div>
    <div class="try">
      <label for="hand-over-message"
        >{{ words.message }} <span class="aside">{{ optional }}</span></label
      >
      <textarea
        id="hand-over-message"
        v-model="typed.message"
        class="typed"
        rows="3"
        maxlength="2000"
      ></textarea>
    </div>
    <div>
      <label class="consent">
        <input
          id="hand-over-consent"
          v-model="typed.consent"
          type="checkbox"
          :aria-describedby="told.consent && 'hand-over-consent-problem'"
        />
        <span>{{ words.consent(lender) }}</span>
      </label>
      <p v-if="told.consent" id="hand-over-consent-problem" class="problem">{{ told.consent }}</p>
    </div>
    <p v-if="failed" class="problem" role="alert">{{ words.failed }}</p>
    <div class="actions">
      <button type="submit" class="work-out" :disabled="isSending">{{ words.send }}</button>
      <button type="button" class="action" @click="emit('cancel')">{{ words.cancel }}</button>
    </div>
  </form>
</template>
