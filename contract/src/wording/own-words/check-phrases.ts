import type { OwnWords } from '../../visitor'
import { pluralRules } from '../intl'
import { fetchAllLanguages, lettersOf, spokenLanguages } from '../languages'
import { allTakes } from '.'
import { allWordsOf } from './all-words'
import { phrasesOf, placesIn, pluralCategories, type Phrases } from './phrases'

/** The most characters of a phrase. */
export const MOST_PHRASE = 600

/** What is wrong with a lender's wording of a phrase; `place`: the figure it is about, as it stands in the phrase. */
export interface PhraseFault {
  readonly phrase: string
  readonly why: 'unknown' | 'empty' | 'tooLong' | 'placeUnknown' | 'placeMissing' | 'braceAlone'
  readonly place?: string
}

/** The plural forms of a language by the Unicode CLDR, by its two letters. */
export const pluralForms = (letters: string): readonly string[] =>
  pluralRules(letters).resolvedOptions().pluralCategories

/** Every phrase the product says to visitors, as it is worded in a language it speaks; `forms`: of words by number. */
export async function shippedPhrases(letters: string, forms = pluralForms(letters)): Promise<Phrases> {
  await fetchAllLanguages()
  return phrasesOf(await allWordsOf(letters), allTakes, forms)
}

export type { Phrases } from './phrases'

/** Whether the product speaks a language itself, by its two letters. */
export const isSpoken = (letters: string): boolean => spokenLanguages.includes(letters)

/**
 * Whether a phrase is the form of a word for one number only, which may be left out of it then: "a year", "two years" in
 * one word. French has one form for none and for one, Russian for 1, 21, 31 …
 */
function isOfOneNumber(phrase: string, letters: string): boolean {
  const [, form] = /\.(zero|one|two)$/.exec(phrase) ?? []
  if (form === undefined) return false
  const rules = pluralRules(letters)
  return Array.from({ length: 200 }, (_, n) => rules.select(n)).filter((one) => one === form).length <= 1
}

/**
 * The figures a phrase has to say in a language, by its two letters, as they stand in it, by what it says in English:
 * "{amount}"; "#" is the number.
 */
export const placesNeeded = (phrase: string, english: string, letters: string): string[] => [
  ...placesIn(english).map(braced),
  ...(english.includes('#') && !isOfOneNumber(phrase, letters) ? ['#'] : []),
]
const braced = (place: string) => `{${place}}`

/** What is wrong with phrases in a lender's wording of a language, by its two letters; `shipped`: the same in English. */
export function phraseFaults(own: Phrases, shipped: Phrases, letters: string): PhraseFault[] {
  return Object.entries(own).flatMap(([phrase, text]): PhraseFault[] => {
    const model = Object.hasOwn(shipped, phrase) ? shipped[phrase] : undefined
    if (model === undefined) return [{ phrase, why: 'unknown' }]
    if (text.trim() === '') return [{ phrase, why: 'empty' }]
    if (text.length > MOST_PHRASE) return [{ phrase, why: 'tooLong' }]
    if (/[{}]/.test(text.replace(/\{[^{}]*\}/g, ''))) return [{ phrase, why: 'braceAlone' }]
    const needed = placesNeeded(phrase, model, letters)
    const unknown = placesIn(text).filter((place) => !placesIn(model).includes(place))
    return [
      ...unknown.map((place): PhraseFault => ({ phrase, why: 'placeUnknown', place: braced(place) })),
      ...needed
        .filter((place) => !text.includes(place))
        .map((place): PhraseFault => ({ phrase, why: 'placeMissing', place })),
    ]
  })
}

/** The phrases a language still lacks before a page can speak it; none where the product speaks it. `shipped`: with its plural forms. */
export const missingPhrases = (letters: string, own: Phrases, shipped: Phrases): string[] =>
  isSpoken(letters) ? [] : Object.keys(shipped).filter((phrase) => !Object.hasOwn(own, phrase))

/** A fault in a sentence. */
export function phraseFaultSaid({ phrase, why, place = '' }: PhraseFault): string {
  switch (why) {
    case 'unknown':
      return `There is no phrase “${phrase}”.`
    case 'empty':
      return `“${phrase}” says nothing; leave it out to have it as it is.`
    case 'tooLong':
      return `“${phrase}” is longer than ${MOST_PHRASE} characters.`
    case 'braceAlone':
      return `“${phrase}” has a brace that stands alone; braces stand around the name of a figure.`
    case 'placeUnknown':
      return `“${phrase}” has no ${place}.`
    case 'placeMissing':
      return `“${phrase}” has to say ${place} somewhere: a figure stands there.`
  }
}

/** A language of a calculator that its page could not speak whole, with the phrases that are lacking. */
export interface LanguageLacking {
  readonly language: string
  readonly phrases: readonly string[]
}

/** The languages, as "nl-NL", that are neither spoken by the product nor worded whole by the lender. */
export async function languagesLacking(
  languages: readonly string[],
  own: OwnWords = {},
): Promise<LanguageLacking[]> {
  const all = await Promise.all(
    languages.map(async (language) => {
      const letters = lettersOf(language)
      if (isSpoken(letters)) return { language, phrases: [] }
      return {
        language,
        phrases: missingPhrases(
          letters,
          own[letters] ?? {},
          await shippedPhrases('en', pluralForms(letters)),
        ),
      }
    }),
  )
  return all.filter(({ phrases }) => phrases.length > 0)
}

/** What is wrong with a lender's words, language by language. */
export async function ownWordsFaults(
  own: OwnWords,
): Promise<(PhraseFault & { readonly language: string })[]> {
  // What another system counts as a form of this language is none to refuse.
  const every = await shippedPhrases('en', pluralCategories)
  return Object.entries(own).flatMap(([language, phrases]) =>
    phraseFaults(phrases, every, language).map((fault) => ({ ...fault, language })),
  )
}
