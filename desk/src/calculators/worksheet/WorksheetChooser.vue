<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { ref } from 'vue'
import { chosenFile } from '../../shared/files/chosen-file'
import houseboat from './samples/houseboat-extra-payment.xlsx?url'
import mooring from './samples/mooring-schedule.xlsx?url'

/** Where a worksheet is chosen or dropped, or one of ours tried. */
const emit = defineEmits<{ choose: [file: Blob, name: string] }>()
const samples = [
  { address: houseboat, name: 'houseboat-extra-payment.xlsx', words: 'what an extra payment does' },
  { address: mooring, name: 'mooring-schedule.xlsx', words: 'a schedule, payment by payment' },
]
const isOver = ref(false)
const picker = ref<HTMLInputElement>()
const problem = ref('')

function take(file: File | undefined): void {
  isOver.value = false
  problem.value = ''
  if (file && /\.xlsx$/i.test(file.name)) emit('choose', file, file.name)
  else if (file) problem.value = `“${file.name}” is no worksheet: its name would end in .xlsx.`
}
async function trySample({ address, name }: (typeof samples)[number]): Promise<void> {
  emit('choose', await (await fetch(address)).blob(), name)
}
</script>

<template>
  <div
    class="chooser"
    :class="{ over: isOver }"
    @dragover.prevent="isOver = true"
    @dragleave="isOver = false"
    @drop.prevent="take($event.dataTransfer?.files[0])"
  >
    <input
      ref="picker"
      type="file"
      accept=".xlsx"
      hidden
      aria-label="Worksheet"
      @change="take(chosenFile($event))"
    />
    <Button @click="picker?.click()">Choose a worksheet</Button>
    <p class="soft">
      Or drop one here (.xlsx). It is read in this browser; nothing leaves it before you make a draft.<br />
      Or try one of ours:
      <template v-for="(sample, i) in samples" :key="sample.name"
        ><template v-if="i > 0">, </template
        ><button type="button" class="link" @click="trySample(sample)">{{ sample.words }}</button></template
      >.
    </p>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.chooser {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  padding: 10px 14px;
  border: 1px dashed var(--control-line);
  border-radius: 8px;
}
.over {
  border-style: solid;
  border-color: var(--plum);
  background: var(--lilac);
}
</style>
