import { english } from './english'
import { plainNumbers, pluralRules } from '../intl'
import type { OwnWords } from '../../visitor'
import type { Counted, Language } from '../language'
import type { PartOfWords } from '../own-words'

/** Languages at hand, by their two letters. English always is; a page asks for the one it speaks before it begins. */
const atHand = new Map<string, Language>([['en', english]])

/** How each further language is fetched: a file of its own, so that a visitor's browser has only the one it speaks. */
const further: Readonly<Record<string, () => Promise<Language>>> = {
  fr: async () => (await import('./french')).french,
  de: async () => (await import('./german')).german,
  es: async () => (await import('./spanish')).spanish,
  he: async () => (await import('./hebrew')).hebrew,
}

/** The two letters of the languages the product itself speaks. */
export const spokenLanguages: readonly string[] = ['en', ...Object.keys(further)]

export const lettersOf = (locale: string) => locale.slice(0, 2).toLowerCase()

/** Words that are at hand in every language, by its two letters: those of a locale's language, or English. */
export const wordsByLetters =
  <Words>(all: Readonly<Record<string, Words>> & { readonly en: Words }) =>
  (locale: string): Words =>
    all[lettersOf(locale)] ?? all.en

/** What puts a lender's words in place of ours; few pages need it. */
let rewording: typeof import('../own-words') | undefined
const fetchRewording = async () => void (rewording ??= await import('../own-words'))

/** Makes the words of a locale's language ready, so that `languageOf` has them; a lender's own too. */
export async function fetchLanguage(locale: string, own?: OwnWords): Promise<void> {
  const letters = lettersOf(locale)
  const [fetched] = await Promise.all([
    atHand.has(letters) ? undefined : further[letters]?.(),
    own?.[letters] && fetchRewording(),
  ])
  if (fetched) atHand.set(letters, fetched)
}

/** All of them: for a server, or a desk that shows calculators in every language. */
export const fetchAllLanguages = async (): Promise<void> =>
  void (await Promise.all([...spokenLanguages.map((one) => fetchLanguage(one)), fetchRewording()]))

/** The words of a locale's language; English where there are none of its own, or they were not fetched. */
export const languageOf = (locale: string, own?: OwnWords): Language =>
  inOwnWords('language', atHand.get(lettersOf(locale)) ?? english, locale, own)

/** Words as a lender words them, in one language; the same object for the same words. */
export function inOwnWords<W extends object>(part: PartOfWords, words: W, locale: string, own?: OwnWords): W {
  const phrases = own?.[lettersOf(locale)]
  return phrases && rewording ? rewording.reworded(part, words, phrases) : words
}

/** Whether a locale's text runs from right to left, by the script it is likely written in (Unicode CLDR); any text may be asked about. */
export const isRightToLeft = (locale: string): boolean =>
  /^((ar|dv|fa|he|iw|ji|ks|ps|sd|ug|ur|yi)\b|pa-PK$)/i.test(locale)

/** "25 years": a number with the word that goes with it. */
export const counted = (n: number, forms: Counted, locale: string): string => {
  const form = forms[pluralRules(locale).select(n)] ?? forms.other
  return form.replace('#', plainNumbers(locale).format(n))
}
