import type { Readout, Said, Value } from '@vivid/core/evaluate'
import { pluralRules } from './intl'
import type { Figures } from './language'

/** A result as the visitor reads it: a large figure and a plain sentence that says what it means. */
export interface ReadoutText {
  readonly figure: string
  readonly sentence: string
}

/** A sentence in the figures' language, or in the main one where it has not been translated. */
export function sentenceText(said: Said, figures: Figures, main: string): string {
  const pieces = said[figures.locale]?.length ? said[figures.locale] : said[main]
  return (pieces ?? [])
    .map((piece, i, all) => {
      if (typeof piece === 'string') return inNumber(piece, all[i - 1], figures)
      return piece.unit === 'money' ? figures.money(piece.money) : figures.value(piece)
    })
    .join('')
}

/** The words behind a number in the form that goes with it: an author writes "{n} payments", and one is "1 payment". */
function inNumber(text: string, before: Value | string | undefined, { words, locale }: Figures): string {
  const n = numberOf(before)
  if (n === undefined) return text
  for (const forms of [words.payments, words.months, words.years]) {
    const many = forms.other.replace('#', '')
    if (!text.startsWith(many) || /^[\p{L}\p{N}]/u.test(text.slice(many.length))) continue
    const form = forms[pluralRules(locale).select(n)] ?? forms.other
    return form.replace('#', '') + text.slice(many.length)
  }
  return text
}

const numberOf = (value: Value | string | undefined): number | undefined =>
  typeof value !== 'object'
    ? undefined
    : value.unit === 'count'
      ? Number(value.count)
      : value.unit === 'number'
        ? Number(value.number)
        : undefined

/** How often an amount recurs: "every two weeks", "a month"; empty for one that does not. */
export function oftenSaid(value: Value, figures: Figures): string {
  if (value.unit !== 'money') return ''
  if (value.per !== undefined && value.per !== 'payment') return figures.per(value.per)
  return value.every ? figures.every(value.every) : ''
}

/** What a figure is called, with how often it recurs, unless its author said so already: "New payment a month". */
export function labelSaid(label: string, value: Value, figures: Figures): string {
  const often = oftenSaid(value, figures)
  const isSaid = label.toLocaleLowerCase(figures.locale).endsWith(often.toLocaleLowerCase(figures.locale))
  return isSaid ? label : `${label} ${often}`.trim()
}

/** The words of a figure, or of a meter: what the page shows large, and its sentence. */
export function figureText(
  readout: Extract<Readout, { shows: 'figure' | 'meter' }>,
  figures: Figures,
  main: string,
): ReadoutText {
  const value = readout.shows === 'figure' ? readout.value : readout.total
  const figure =
    value.unit === 'money'
      ? figures.money(value.money)
      : value.unit === 'date'
        ? figures.month(value.date)
        : figures.value(value)
  return { figure, sentence: sentenceText(readout.sentence, figures, main) }
}
