import type { ServedCalculator } from '@vivid/contract/visitor'
import { fetchLanguage, fetchTradeWords } from '@vivid/contract/wording'
import { needsFurther, type Further, type Program } from '@vivid/core/evaluate'
import type { CalculatorSource } from './use-calculator'

/** What only some programs need is fetched for those. */
async function furtherFor(program: Program): Promise<Further | undefined> {
  return needsFurther(program) ? (await import('@vivid/core/further')).further : undefined
}

/** What a page has to have fetched before it can begin: its words, what its program needs, and what the trade's words mean. */
export async function fetchFor(
  program: Program,
  language: string,
): Promise<Pick<CalculatorSource, 'further' | 'trade'>> {
  const [further, trade] = await Promise.all([
    furtherFor(program),
    // A page without explanations is still a page.
    fetchTradeWords(language).catch(() => undefined),
    fetchLanguage(language),
  ])
  return { further, trade }
}

/** What a live calculator's page is made from, as it begins where nothing else is asked of it. */
export const sourceOf = (
  { content: { program }, today, sheets, slug, edition, handsOver }: ServedCalculator,
  language: string,
  fetched: Awaited<ReturnType<typeof fetchFor>>,
  isAlone: boolean,
): CalculatorSource => ({
  program,
  answers: {},
  today,
  sheets,
  language,
  ...fetched,
  live: { slug, edition, handsOver, isAlone },
})
