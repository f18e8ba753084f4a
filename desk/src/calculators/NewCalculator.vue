<script setup lang="ts">
import { Alert, Input, Modal } from 'ant-design-vue'
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { starters, type StarterId } from '@vivid/core'
import { CalculatorOpened } from '@vivid/contract'
import { sentenceOf } from '../api/api-error'
import { request } from '../api/request'
import CallToAction from '../app/CallToAction.vue'

const open = defineModel<boolean>('open', { required: true })
const router = useRouter()
const starter = ref<StarterId>(starters[0].id)
const title = ref('')
const problem = ref('')
const busy = ref(false)

watch(open, () => {
  problem.value = ''
  title.value = ''
})

async function make(): Promise<void> {
  if (!title.value.trim()) {
    problem.value = 'Give it a title: visitors see it at the top of the page.'
    return
  }
  busy.value = true
  problem.value = ''
  try {
    const made = await request(CalculatorOpened, 'POST', '/calculators', {
      starter: starter.value,
      title: title.value,
    })
    open.value = false
    await router.push(`/calculators/${made.id}`)
  } catch (error) {
    problem.value = sentenceOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <Modal v-model:open="open" title="New calculator" :footer="null" destroy-on-close>
    <form class="new-calculator" @submit.prevent="make">
      <fieldset>
        <legend>Begin from a starter</legend>
        <label v-for="choice in starters" :key="choice.id" class="starter">
          <input v-model="starter" type="radio" name="starter" :value="choice.id" />
          <span
            ><strong>{{ choice.title }}</strong
            ><br />{{ choice.purpose }}</span
          >
        </label>
      </fieldset>
      <label for="new-title">Title</label>
      <Input
        id="new-title"
        v-model:value="title"
        :maxlength="120"
        autofocus
        placeholder="For example: Houseboat mortgage"
      />
      <Alert v-if="problem" type="error" :message="problem" role="alert" />
      <div class="foot">
        <CallToAction :loading="busy" @click="make">Make it</CallToAction>
      </div>
    </form>
  </Modal>
</template>

<style scoped>
.new-calculator {
  display: grid;
  gap: 8px;
}
fieldset {
  margin: 0 0 8px;
  padding: 0;
  border: 0;
}
legend {
  margin-bottom: 6px;
  font-size: 15px;
  font-weight: 600;
}
label {
  font-weight: 600;
}
.starter {
  display: flex;
  gap: 10px;
  padding: 10px 12px;
  border: 1px solid var(--plum);
  border-radius: 8px;
  background: var(--lilac);
  font-weight: 400;
}
.starter input {
  accent-color: var(--plum);
}
.foot {
  display: flex;
  justify-content: flex-end;
  margin-top: 8px;
}
</style>
