<script setup lang="ts">
import { Modal, RadioGroup } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { closeOnEscape } from '../../shared/page/close-on-escape'
import { momentOf } from '../../shared/time/moments'

/** Live now, or at a time: visitors see an edition from that minute on, whoever is at a desk then. */
const open = defineModel<boolean>('open', { required: true })
closeOnEscape(open)
const { edition } = defineProps<{ edition: number }>()
const emit = defineEmits<{ approve: [at: Date | undefined] }>()

const when = ref<'now' | 'later'>('now')
const day = ref('')
const time = ref('09:00')
watch(open, (now) => {
  if (!now) return
  when.value = 'now'
  const tomorrow = new Date(Date.now() + 86_400_000)
  const two = (n: number) => String(n).padStart(2, '0')
  day.value = `${tomorrow.getFullYear()}-${two(tomorrow.getMonth() + 1)}-${two(tomorrow.getDate())}`
})
const at = computed(() => (day.value && time.value ? new Date(`${day.value}T${time.value}`) : undefined))
const isPast = computed(() => when.value === 'later' && (!at.value || at.value.getTime() <= Date.now()))
</script>

<template>
  <Modal
    v-model:open="open"
    :title="`Put edition ${edition} live`"
    :ok-text="when === 'now' ? 'Put it live now' : 'Put it live then'"
    :ok-button-props="{ disabled: isPast }"
    cancel-text="Not yet"
    @ok="emit('approve', when === 'later' ? at : undefined)"
  >
    <RadioGroup
      v-model:value="when"
      :options="[
        { value: 'now', label: 'now' },
        { value: 'later', label: 'at a time' },
      ]"
    />
    <div v-if="when === 'later'" class="time">
      <label for="live-day">Day</label>
      <input id="live-day" v-model="day" type="date" class="pick" />
      <label for="live-time">at</label>
      <input id="live-time" v-model="time" type="time" class="pick" />
    </div>
    <p v-if="isPast" class="field-problem" role="alert">That is not in the future.</p>
    <p v-else-if="when === 'later' && at" class="soft">
      It waits until {{ momentOf(at) }} on this computer’s clock. Until then what is live stays, and an
      approver can still keep it back.
    </p>
    <p v-else class="soft">Every page that shows this calculator has it within a second.</p>
  </Modal>
</template>

<style scoped>
.time {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-top: 10px;
}
.time .pick {
  width: auto;
}
p {
  margin-top: 10px;
}
</style>
