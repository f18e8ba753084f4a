import type { Texts } from './texts'

/** A text in a language, or in the main one where it is missing there. */
export const textIn = (texts: Texts, language: string, main: string): string =>
  texts[language] || texts[main] || ''

/** The language of a calculator that the others fall back on: its first. */
export const mainLanguage = ({
  languages: [first = 'en-CA'],
}: {
  readonly languages: readonly string[]
}): string => first

/** A text in the main language of a calculator. */
export function mainText(texts: Texts, languages: readonly string[]): string {
  const main = mainLanguage({ languages })
  return textIn(texts, main, main)
}

/** What a calculator is called in its main language. */
export const mainTitle = ({
  title,
  languages,
}: {
  readonly title: Texts
  readonly languages: readonly string[]
}) => mainText(title, languages)
