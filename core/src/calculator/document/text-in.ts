import type { Texts } from './texts'

/** A text in a language, or in the main one where it is missing there. */
export const textIn = (texts: Texts, language: string, main: string): string =>
  texts[language] || texts[main] || ''
