import { encoded, LINK, type Carried } from '../model/carried'
import { marksOf } from '../model/sheet-marks'
import type { Calculator } from '../model/use-calculator'

/** A link that brings the same figures back. No server and no log sees what stands behind the #. */
export function linkTo(page: string, language: string, carried: Carried): string {
  const link = new URL(page)
  link.search = new URLSearchParams({ lang: language }).toString()
  link.hash = `${LINK}=${encoded(JSON.stringify(carried))}`
  return link.href
}

/** What a link carries of a page: the answers of the figures that are shown, and what it says today. */
export const linkedNow = ({ shownAnswers, beside, today, headline, live, sheets }: Calculator): Carried => ({
  answers: shownAnswers.value,
  beside,
  isWorkedOut: true,
  then: {
    on: today.value,
    headline: headline.value?.value,
    edition: live.value?.edition ?? 0,
    rates: marksOf(sheets.value),
  },
})
