import type { OwnWords } from '../../../visitor'
import { inOwnWords, wordsByLetters } from '..'
import type { ServedWords } from '../../served-words'
import { englishServed } from './english'
import { frenchServed } from './french'
import { germanServed } from './german'
import { hebrewServed } from './hebrew'
import { spanishServed } from './spanish'

const shipped = wordsByLetters<ServedWords>({
  en: englishServed,
  fr: frenchServed,
  de: germanServed,
  es: spanishServed,
  he: hebrewServed,
})

/** The server's words in a locale's language. */
export const servedWords = (locale: string, own?: OwnWords): ServedWords =>
  inOwnWords('served', shipped(locale), locale, own)
