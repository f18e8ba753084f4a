import type { Conventions } from '../../convention-words'
import { englishConventions } from './english'
import { frenchConventions } from './french'
import { germanConventions } from './german'
import { hebrewConventions } from './hebrew'
import { spanishConventions } from './spanish'

const byLetters: Readonly<Record<string, Conventions>> = {
  en: englishConventions,
  fr: frenchConventions,
  de: germanConventions,
  es: spanishConventions,
  he: hebrewConventions,
}

/** The words for conventions in a locale's language; few pages' first sight needs them, so that they are fetched apart. */
export const conventionWords = (locale: string): Conventions =>
  byLetters[locale.slice(0, 2).toLowerCase()] ?? englishConventions
