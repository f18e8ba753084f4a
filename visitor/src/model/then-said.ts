import type { Figures, PageWords } from '@vivid/contract/wording'
import type { CalculatorSource } from './calculator-source'
import type { Then } from './carried'
import { marksOf } from './sheet-marks'

/** What a link said when it was made, where the same answers say something else today, and what has changed since. */
export function thenSaid(
  { headline, on, edition, rates }: Then,
  { sheets, live }: Pick<CalculatorSource, 'sheets' | 'live'>,
  { figures, words }: { readonly figures: Figures; readonly words: PageWords },
): string {
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
