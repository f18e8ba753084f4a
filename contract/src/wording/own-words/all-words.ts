import { languageOf } from '../languages'
import { conventionWords } from '../languages/conventions'
import { servedWords } from '../languages/served'
import { fetchTradeWords } from '../meanings'
import type { AllWords } from '.'

/** Everything said in a language the product speaks, of its two letters. `fetchLanguage` comes first. */
export async function allWordsOf(letters: string): Promise<AllWords> {
  const trade = await fetchTradeWords(letters)
  if (!trade) throw new Error(`${letters} is not spoken`)
  return {
    ...languageOf(letters),
    served: servedWords(letters),
    conventions: conventionWords(letters),
    trade,
  }
}
