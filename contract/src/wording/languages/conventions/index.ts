import { wordsByLetters } from '..'
import type { Conventions } from '../../convention-words'
import { englishConventions } from './english'
import { frenchConventions } from './french'
import { germanConventions } from './german'
import { hebrewConventions } from './hebrew'
import { spanishConventions } from './spanish'

/** The words for conventions in a locale's language; few pages' first sight needs them, so that they are fetched apart. */
export const conventionWords = wordsByLetters<Conventions>({
  en: englishConventions,
  fr: frenchConventions,
  de: germanConventions,
  es: spanishConventions,
  he: hebrewConventions,
})
