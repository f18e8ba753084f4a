import type { ServedWords } from '../../served-words'
import { englishServed } from './english'
import { frenchServed } from './french'
import { germanServed } from './german'
import { hebrewServed } from './hebrew'
import { spanishServed } from './spanish'

const byLetters: Readonly<Record<string, ServedWords>> = {
  en: englishServed,
  fr: frenchServed,
  de: germanServed,
  es: spanishServed,
  he: hebrewServed,
}

/** The server's words in a locale's language. */
export const servedWords = (locale: string): ServedWords =>
  byLetters[locale.slice(0, 2).toLowerCase()] ?? englishServed
