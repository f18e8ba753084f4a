import { computed, shallowRef, watch, type Ref } from 'vue'
import type { OwnWords } from '@vivid/contract'
import {
  isSpoken,
  missingPhrases,
  phraseFaults,
  phraseFaultSaid,
  placesNeeded,
  pluralForms,
  shippedPhrases,
  type Phrases,
} from '@vivid/contract/own-words'

export type WhichPhrases = 'all' | 'own' | 'missing'

/** One phrase as it is edited. */
export interface PhraseRow {
  readonly phrase: string
  /** As the product has it in this language, else in English. */
  readonly asItIs: string
  readonly own: string
  readonly places: readonly string[]
  readonly faults: readonly string[]
}

/** The phrases of one language in a lender's wording, found by words and by what is still to be done. */
export function usePhrases(
  words: () => OwnWords,
  letters: Ref<string>,
  asked: Ref<string>,
  which: Ref<WhichPhrases>,
) {
  const english = shallowRef<Phrases>({})
  const shipped = shallowRef<Phrases>({})
  watch(
    letters,
    async (now) => {
      const [model, asItIs] = await Promise.all([
        shippedPhrases('en', pluralForms(now)),
        isSpoken(now) ? shippedPhrases(now) : {},
      ])
      if (letters.value === now) [english.value, shipped.value] = [model, asItIs]
    },
    { immediate: true },
  )
  const own = computed<Phrases>(() => words()[letters.value] ?? {})
  const missing = computed(() => missingPhrases(letters.value, own.value, english.value))
  const faultsOf = computed(() => {
    const found = new Map<string, string[]>()
    for (const fault of phraseFaults(own.value, english.value, letters.value))
      found.set(fault.phrase, [...(found.get(fault.phrase) ?? []), phraseFaultSaid(fault)])
    return found
  })
  const rows = computed((): PhraseRow[] => {
    const lacking = new Set(missing.value)
    const sought = asked.value.trim().toLowerCase()
    return Object.entries(english.value).flatMap(([phrase, model]): PhraseRow[] => {
      const asItIs = shipped.value[phrase] ?? model
      const said = own.value[phrase] ?? ''
      if (which.value === 'own' && !said) return []
      if (which.value === 'missing' && !lacking.has(phrase)) return []
      if (sought && ![phrase, model, asItIs, said].some((text) => text.toLowerCase().includes(sought)))
        return []
      return [
        {
          phrase,
          asItIs,
          own: said,
          places: placesNeeded(phrase, model, letters.value),
          faults: faultsOf.value.get(phrase) ?? [],
        },
      ]
    })
  })
  const faults = computed(() => faultsOf.value.size)
  return { english, shipped, own, missing, rows, faults }
}
