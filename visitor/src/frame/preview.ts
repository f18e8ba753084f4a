import { nextTick, type ShallowRef } from 'vue'
import { isRightToLeft } from '@vivid/contract/wording'
import type { CalculatorSource } from '../model/calculator-source'
import { fetchFor, sourceOf } from '../model/source-of'
import { followPreview, tellAnswers, tellAsked, type Preview } from './follow-preview'
import { applyStyle } from './house-style'
import { showPart } from './preview-marks'

/** Shows what the desk gives, as it gives it, and tells the desk what is answered on the page. */
export function previewIn(source: ShallowRef<CalculatorSource | undefined>): void {
  let given = ''
  let isGiving = false
  const show = async ({ answers, turn, language, sight, ...shown }: Preview) => {
    const asked = JSON.stringify([answers, turn])
    const same = asked === given
    given = asked
    const fetched = await fetchFor(shown.content, language)
    applyStyle(shown.content.style)
    speak(language)
    isGiving = true
    source.value = {
      ...sourceOf(shown, language, fetched),
      answers: same && source.value ? source.value.answers : answers,
      // What the desk gives it knows.
      hears: (answered) => isGiving || tellAnswers(answered),
      hearsAsked: () => isGiving || tellAsked(),
    }
    await nextTick()
    isGiving = false
    if (sight !== undefined && !same) showPart(sight)
  }
  const ask = async () => {
    isGiving = true
    document.querySelector<HTMLButtonElement>('.work-out')?.click()
    await nextTick()
    isGiving = false
  }
  followPreview(show, ask)
}

function speak(language: string): void {
  document.documentElement.lang = language
  document.documentElement.dir = isRightToLeft(language) ? 'rtl' : 'ltr'
}
