import type { Doubt, Evaluation, Program } from '@vivid/core/evaluate'
import type { Figures } from './language'
import { labelOrName, loansShown, type LoansOnPage } from './loans-shown'
import { doubtSentence } from './problem-sentences'

type Shown = LoansOnPage & Pick<Evaluation, 'doubts'>

export interface Notice {
  readonly code: Doubt['code']
  /** The loan's step. */
  readonly field: string
  readonly sentence: string
}

/** What has to be said about the loans that a page shows, each with its name where there are several. */
export function noticesOf({ doubts, ...shown }: Shown, program: Program, figures: Figures): Notice[] {
  const loans = loansShown(shown, program.steps, figures)
  const name = (loan: (typeof loans)[number]) =>
    loans.length === 1 ? '' : `${labelOrName(loan, program, figures)}: `
  return loans.flatMap((one) =>
    doubts
      .filter(({ field }) => field === one.loan)
      .map((doubt) => ({
        code: doubt.code,
        field: doubt.field,
        sentence: name(one) + doubtSentence(doubt, figures),
      })),
  )
}

/** The same in sentences, none of them twice. */
export const noticesSaid = (shown: Shown, program: Program, figures: Figures): string[] => [
  ...new Set(noticesOf(shown, program, figures).map(({ sentence }) => sentence)),
]
