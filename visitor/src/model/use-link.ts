import { computed, ref, shallowRef, type ComputedRef } from 'vue'
import { mainLanguage, textIn } from '@vivid/core/evaluate'
import type { Figures, PageWords } from '@vivid/contract/wording'
import type { Then } from './carried'
import { saidOtherwise, type Headline } from './headline'
import type { CalculatorSource } from './calculator-source'

/** What has to be said of the link, or the address, that a page was opened with. */
export function useLink(
  source: ComputedRef<CalculatorSource>,
  page: {
    readonly figures: ComputedRef<Figures>
    readonly words: ComputedRef<PageWords>
    readonly headline: () => Headline | undefined
    /** Whether a question still says what it began with. */
    readonly isUntouched: (id: string) => boolean
  },
) {
  const then = shallowRef<Then>()
  const note = ref<CalculatorSource['linkNote']>()
  const refused = ref<readonly string[]>([])

  return {
    begin(): void {
      const { carried, refused: notTaken = [], linkNote } = source.value
      refused.value = notTaken
      note.value = linkNote
      then.value = saidOtherwise(carried?.then, page.headline())
    },
    forget(): void {
      then.value = undefined
      note.value = undefined
      refused.value = []
    },
    said: computed((): string[] => {
      const [figures, words] = [page.figures.value, page.words.value]
      const { linkUnreadable, linkMore } = words
      const notes = { unreadable: linkUnreadable, hasMore: linkMore }
      return [
        ...(note.value ? [notes[note.value]] : []),
        ...(then.value ? [source.value.thenSaid?.(then.value, source.value, { figures, words }) ?? ''] : []),
      ]
    }),
    /** Said of questions that begin with something else than the page was to begin with, until they are answered. */
    beginsAsUsual: computed(() => {
      const { program, language, carried } = source.value
      const main = mainLanguage(program)
      const labels = program.steps.flatMap(({ step }) =>
        step.kind === 'question' && refused.value.includes(step.id) && page.isUntouched(step.id)
          ? [textIn(step.label, language, main)]
          : [],
      )
      if (labels.length === 0) return ''
      const { beginsAsUsual: ofPage, linkNotAll } = page.words.value
      return (carried ? linkNotAll : ofPage)(labels.join(', '))
    }),
  }
}
