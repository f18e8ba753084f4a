import type { Texts } from './texts'

/** A text in a language, or in the main one where it is missing there. */
export const textIn = (texts: Texts, language: string, main: string): string =>
  texts[language] || texts[main] || ''

/** A text in the main language of a calculator, which is the first of its languages. */
export const mainText = (texts: Texts, languages: readonly string[]): string =>
  textIn(texts, languages[0] ?? '', languages[0] ?? '')

/** What a calculator is called in its main language. */
export const mainTitle = ({
  title,
  languages,
}: {
  readonly title: Texts
  readonly languages: readonly string[]
}) => mainText(title, languages)
