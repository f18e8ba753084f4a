import { shallowRef, watch } from 'vue'
import { errorSentence } from '@vivid/contract'
import { languagesLacking, type LanguageLacking } from '@vivid/contract/own-words'
import { languageName } from '../../shared/fields/language-name'
import { useDraft } from './draft-store'
import { PAGE_LINE } from './tape-store'
import type { ToMend } from './to-mend'

/** Languages of the draft that its page could not speak whole: with one of them nothing is sent for approval. */
export function useLackingLanguages() {
  const draft = useDraft()
  const lacking = shallowRef<readonly ToMend[]>([])
  watch(
    () => [draft.document?.languages ?? [], draft.opened?.style.words] as const,
    async ([languages, words]) => {
      const found = await languagesLacking(languages, words)
      if (draft.document?.languages === languages || languages.length === 0) lacking.value = found.map(toMend)
    },
    { immediate: true },
  )
  return lacking
}

const toMend = ({ language, phrases }: LanguageLacking): ToMend => ({
  step: PAGE_LINE,
  field: 'languages',
  name: 'Title, languages and words',
  sentence: errorSentence('LANGUAGE_NOT_FILLED', {
    language: languageName(language),
    count: String(phrases.length),
  }),
  stops: true,
})
