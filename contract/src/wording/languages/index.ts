import { english } from './english'
import { french } from './french'
import type { Counted, Language } from '../language'

/** The words of a locale's language; English where there are none of its own. */
export const languageOf = (locale: string): Language => (locale.startsWith('fr') ? french : english)

/** "25 years": a number with the word that goes with it. */
export const counted = (n: number, forms: Counted, locale: string): string => {
  const form = forms[new Intl.PluralRules(locale).select(n)] ?? forms.other
  return form.replace('#', new Intl.NumberFormat(locale).format(n))
}
