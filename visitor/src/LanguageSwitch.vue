<script setup lang="ts">
import { computed } from 'vue'

/** The calculator's languages, each by its own name. */
const { languages, hash } = defineProps<{
  languages: readonly string[]
  current: string
  label: string
  /** What stands in the fields, for the address: another language shows the same. */
  hash: () => string
}>()

const links = computed(() =>
  languages.map((language) => {
    const name = new Intl.DisplayNames(language, { type: 'language' }).of(language.slice(0, 2)) ?? language
    const href = `?${new URLSearchParams({ lang: language })}`
    return { language, href, name: name.charAt(0).toLocaleUpperCase(language) + name.slice(1) }
  }),
)

/** Put together when a link is about to be followed, in this tab or another; not with every key that is typed. */
function takeAlong({ currentTarget }: Event): void {
  const link = currentTarget as HTMLAnchorElement
  const placement = new URLSearchParams(location.search).get('placement')
  link.search = new URLSearchParams({ lang: link.lang, ...(placement && { placement }) }).toString()
  link.hash = hash()
}
</script>

<template>
  <nav v-if="languages.length > 1" class="languages" :aria-label="label">
    <a
      v-for="{ language, href, name } in links"
      :key="language"
      :href="href"
      :lang="language"
      :aria-current="language === current ? 'true' : undefined"
      @pointerdown="takeAlong"
      @focus="takeAlong"
      @click="takeAlong"
      >{{ name }}</a
    >
  </nav>
</template>
