import { computed, ref, shallowRef, type ComputedRef } from 'vue'
import { mainLanguage, textIn } from '@vivid/core/evaluate'
import type { Figures, PageWords } from '@vivid/contract/wording'
import { marksOf, type Then } from './carried'
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

  /** What a link said when it was made, where the same answers say something else today, and what has changed since. */
  function thenSaid({ headline, on, edition, rates }: Then): string {
    const [figures, words] = [page.figures.value, page.words.value]
    const { sheets, live } = source.value
    if (!headline) return ''
    const figure = headline.unit === 'money' ? figures.money(headline.money) : figures.value(headline)
    const marks = marksOf(sheets)
    const changed = sheets.filter(({ id }) => id in rates && rates[id] !== marks[id])
    return [
      words.keptThen(on ? figures.date(on) : '–', figure),
      ...(changed.length > 0 ? [words.ratesSince(changed.map(({ name }) => name).join(', '))] : []),
      ...(edition !== 0 && edition !== live?.edition ? [words.calculatorSince] : []),
    ].join(' ')
  }

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
      const { linkUnreadable, linkMore } = page.words.value
      const notes = { unreadable: linkUnreadable, hasMore: linkMore }
      return [
        ...(note.value ? [notes[note.value]] : []),
        ...(then.value?.headline ? [thenSaid(then.value)] : []),
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
