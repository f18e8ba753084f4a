import { createEvaluatorWith, type Around, type Further, type Program } from '@vivid/core/evaluate'
import { PLAIN_LOCALE, readPresets, type PresetAnswers } from '@vivid/contract/wording'

/**
 * Answers in a page's address (`?homePrice=500,000&downPayment=20%`): a placement's are kept in plain text, others are
 * read in the language of the page.
 */
export function presetAnswers(
  program: Program,
  query: URLSearchParams,
  language: string,
  around: Around,
  further: Further | undefined,
): PresetAnswers {
  const evaluate = createEvaluatorWith(program, further)
  const locale = query.has('placement') ? PLAIN_LOCALE : language
  return readPresets(program, new Map(query), locale, (answers) => evaluate(answers, around))
}
