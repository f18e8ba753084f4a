import { wordedProgram, type EditionContent, type ServedCalculator } from '@vivid/contract/visitor'
import { fetchLanguage, fetchTradeWords } from '@vivid/contract/wording'
import { needsFurther, type Further, type Program } from '@vivid/core/evaluate'
import { fetchAgain } from './fetch-again'
import type { CalculatorSource } from './calculator-source'

/** What only some programs need is fetched for those. */
async function furtherFor(program: Program): Promise<Further | undefined> {
  return needsFurther(program) ? (await fetchAgain(() => import('@vivid/core/further'))).further : undefined
}

/** What a page has to have fetched before it can begin: its words, what its program needs, and what the trade's words mean. */
export async function fetchFor(
  content: EditionContent,
  language: string,
): Promise<Pick<CalculatorSource, 'further' | 'trade'> & { readonly isWhole: boolean }> {
  const program = wordedProgram(content)
  let isWhole = true
  const [further, trade] = await Promise.all([
    furtherFor(program),
    // A page without explanations is still a page, if not the one the server drew.
    fetchTradeWords(language, program.words).catch(() => void (isWhole = false)),
    fetchAgain(() => fetchLanguage(language, program.words)),
  ])
  return { further, trade: trade ?? undefined, isWhole }
}

/** What a page is made from, live or a draft's, as it begins where nothing else is asked of it. */
export const sourceOf = (
  {
    content,
    today,
    sheets,
  }: Pick<CalculatorSource, 'today' | 'sheets'> & { readonly content: EditionContent },
  language: string,
  { further, trade }: Pick<CalculatorSource, 'further' | 'trade'>,
): CalculatorSource => ({
  program: wordedProgram(content),
  answers: {},
  today,
  sheets,
  language,
  further,
  trade,
  logo: content.style.logo,
})

/** The same of a calculator that is live. */
export const liveSourceOf = (
  { slug, edition, handsOver, ...served }: ServedCalculator,
  language: string,
  fetched: Pick<CalculatorSource, 'further' | 'trade'>,
  isAlone: boolean,
): CalculatorSource => ({
  ...sourceOf(served, language, fetched),
  live: { slug, edition, handsOver, isAlone },
})
