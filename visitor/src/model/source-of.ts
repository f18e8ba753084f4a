import type { ServedCalculator } from '@vivid/contract/visitor'
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
  program: Program,
  language: string,
): Promise<Pick<CalculatorSource, 'further' | 'trade'> & { readonly isWhole: boolean }> {
  let isWhole = true
  const [further, trade] = await Promise.all([
    furtherFor(program),
    // A page without explanations is still a page, if not the one the server drew.
    fetchTradeWords(language).catch(() => void (isWhole = false)),
    fetchAgain(() => fetchLanguage(language)),
  ])
  return { further, trade: trade ?? undefined, isWhole }
}

/** What a live calculator's page is made from, as it begins where nothing else is asked of it. */
export const sourceOf = (
  { content: { program, style }, today, sheets, slug, edition, handsOver }: ServedCalculator,
  language: string,
  { further, trade }: Pick<CalculatorSource, 'further' | 'trade'>,
  isAlone: boolean,
): CalculatorSource => ({
  program,
  answers: {},
  today,
  sheets,
  language,
  further,
  trade,
  logo: style.logo,
  live: { slug, edition, handsOver, isAlone },
})
