import type { ServedCalculator } from '@vivid/contract/visitor'
import { needsFurther, type Further, type Program } from '@vivid/core/evaluate'
import type { CalculatorSource } from './use-calculator'

/** What only some programs need is fetched for those. */
export async function furtherFor(program: Program): Promise<Further | undefined> {
  return needsFurther(program) ? (await import('@vivid/core/further')).further : undefined
}

/** What a live calculator's page is made from, as it begins where nothing else is asked of it. */
export const sourceOf = (
  { content: { program }, today, sheets, slug, edition, handsOver }: ServedCalculator,
  language: string,
  further: Further | undefined,
  isAlone: boolean,
): CalculatorSource => ({
  program,
  answers: {},
  today,
  sheets,
  language,
  further,
  live: { slug, edition, handsOver, isAlone },
})
