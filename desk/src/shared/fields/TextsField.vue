<script setup lang="ts">
import { mainLanguage } from '@vivid/core'
import { Input, Textarea } from 'ant-design-vue'
import type { Texts } from '@vivid/core'
import { languageName } from './language-name'

/** One text in every language of the calculator; a missing translation is marked. */
const {
  texts,
  languages,
  hint = '',
} = defineProps<{
  id: string
  label: string
  texts: Texts
  languages: readonly string[]
  field: string
  long?: boolean
  /** Whether visitors need it at all. */
  needed?: boolean
  hint?: string
}>()
const emit = defineEmits<{ change: [texts: Texts] }>()

function set(language: string, text: string): void {
  const others = Object.fromEntries(Object.entries(texts).filter(([one]) => one !== language))
  emit('change', text === '' ? others : { ...others, [language]: text })
}
const isMissing = (language: string, at: number) =>
  !texts[language]?.trim() && at > 0 && Boolean(texts[mainLanguage({ languages })]?.trim())
</script>

<template>
  <div class="texts-field" :data-field="field">
    <span :id="`${id}-label`" class="group-label">{{ label }}</span>
    <div
      v-for="(language, i) in languages"
      :key="language"
      class="language"
      :class="{ missing: isMissing(language, i) }"
    >
      <span v-if="languages.length > 1" class="tag" :title="languageName(language)" aria-hidden="true">{{
        language.slice(0, 2)
      }}</span>
      <component
        :is="long ? Textarea : Input"
        :id="i === 0 ? id : `${id}-${language}`"
        :value="texts[language] ?? ''"
        :maxlength="600"
        :auto-size="long ? { minRows: 1, maxRows: 5 } : undefined"
        :aria-label="languages.length > 1 ? `${label}, ${languageName(language)}` : label"
        :placeholder="isMissing(language, i) ? `not yet in ${languageName(language)}` : hint"
        @update:value="set(language, $event)"
      />
    </div>
    <p v-if="needed && !texts[mainLanguage({ languages })]?.trim()" class="field-problem" role="alert">
      Visitors need a text here.
    </p>
  </div>
</template>

<style scoped>
.language {
  display: flex;
  align-items: stretch;
}
.language + .language {
  margin-top: 4px;
}
.tag {
  display: grid;
  place-items: center;
  min-width: 32px;
  margin-right: 4px;
  border-radius: 6px;
  background: #e5dbf0;
  color: var(--ink);
  font-size: 13px;
  font-weight: 600;
  text-transform: uppercase;
}
.missing .tag {
  background: var(--sun);
}
</style>
