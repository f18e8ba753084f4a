<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { ref } from 'vue'
import { MOST_LOGO_BYTES, type Logo } from '@vivid/contract'
import { chosenFile } from '../shared/files/chosen-file'

/** The lender's mark above a page's title, in the PDF and on paper; the server makes it safe when it is kept. */
const { logo } = defineProps<{ logo: Logo | undefined }>()
const emit = defineEmits<{ change: [logo: Logo | undefined] }>()
const problem = ref('')

async function choose(event: Event): Promise<void> {
  const file = chosenFile(event)
  if (!file) return
  problem.value = ''
  if (file.type !== 'image/png' && file.type !== 'image/svg+xml') {
    problem.value = 'A logo is a PNG or SVG image.'
  } else if (file.size > MOST_LOGO_BYTES) {
    problem.value = `This file has ${Math.ceil(file.size / 1024)} KB. It comes with every page: up to ${MOST_LOGO_BYTES / 1024} KB.`
  } else {
    const image = await asDataUrl(file)
    const size = await sizeOf(image)
    if (size) emit('change', { image, alt: logo?.alt ?? 'Logo', ...size })
    else problem.value = 'This image cannot be drawn.'
  }
}

const asDataUrl = (file: File) =>
  new Promise<string>((done, fail) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result))
    reader.onerror = () => fail(reader.error ?? new Error('the file cannot be read'))
    reader.readAsDataURL(file)
  })
const sizeOf = (image: string) =>
  new Promise<{ width: number; height: number } | undefined>((done) => {
    const drawn = new Image()
    drawn.onload = () =>
      done({ width: Math.max(1, drawn.naturalWidth), height: Math.max(1, drawn.naturalHeight) })
    drawn.onerror = () => done(undefined)
    drawn.src = image
  })
</script>

<template>
  <fieldset class="logo-field">
    <legend>Logo</legend>
    <img v-if="logo" :src="logo.image" :alt="logo.alt" />
    <label class="file">
      <span>{{ logo ? 'Another image' : 'PNG or SVG image' }}</span>
      <input type="file" accept="image/png,image/svg+xml" @change="choose" />
    </label>
    <template v-if="logo">
      <label for="logo-alt">What it says, for whoever cannot see it</label>
      <Input
        id="logo-alt"
        :value="logo.alt"
        :maxlength="120"
        :status="logo.alt.trim() ? '' : 'error'"
        @update:value="emit('change', { ...logo, alt: $event })"
      />
      <Button size="small" @click="emit('change', undefined)">Remove the logo</Button>
    </template>
    <p v-if="problem" class="field-problem" role="alert">{{ problem }}</p>
  </fieldset>
</template>

<style scoped>
.logo-field {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  justify-items: start;
}
legend {
  width: auto;
  margin: 0;
  padding: 0 6px;
  border: 0;
  font-size: 15px;
  font-weight: 600;
}
img {
  max-width: 220px;
  max-height: 48px;
}
.file {
  display: grid;
  gap: 4px;
}
</style>
