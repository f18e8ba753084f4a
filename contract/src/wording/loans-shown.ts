import { loanReference, mainLanguage, textIn, type Evaluation, type Program } from '@vivid/core/evaluate'
import type { Figures } from './language'

export type LoansOnPage = Pick<Evaluation, 'readouts' | 'terms'>

/** A loan as a page shows it. */
export interface LoanShown {
  readonly loan: string
  readonly name: string
  readonly label: Readonly<Record<string, string>>
}

/** The loans that readouts show, in the order of the page; where none is shown by name, all that are worked out. */
export function loansShown(
  { readouts, terms }: LoansOnPage,
  steps: Program['steps'],
  figures: Figures,
): LoanShown[] {
  const stepOf = new Map(steps.map(({ step }) => [step.id, step]))
  const { whatIf, picture } = figures.words.page
  const nameOf = (loan: string) => {
    const { step, which } = loanReference(loan)
    if (which) return which === 'old' ? whatIf.asItIs : picture.refinance.next
    return stepOf.get(step)?.name ?? loan
  }
  const plain = (loan: string): LoanShown => ({ loan, name: nameOf(loan), label: {} })
  const found = readouts.flatMap((readout): LoanShown[] => {
    if (readout.shows === 'schedule' || readout.shows === 'whatIf') return [plain(readout.loan)]
    const step = stepOf.get(readout.shows === 'comparison' ? readout.comparison : readout.id)
    const isChart = step?.kind === 'readout' && step.shows === 'chart'
    const loans = step?.kind === 'comparison' || isChart ? step.loans : []
    return loans.map(({ loan, label }) => ({ loan, name: nameOf(loan), label }))
  })
  const own = [...terms.keys()].filter((loan) => !loanReference(loan).which)
  const all = found.length > 0 ? found : own.map(plain)
  return all.filter(({ loan }, i) => all.findIndex((other) => other.loan === loan) === i)
}

/** What visitors know a loan by: the lender's label, or else its name. */
export const labelOrName = (
  { label, name }: LoanShown,
  program: Pick<Program, 'languages'>,
  { locale }: Figures,
): string => textIn(label, locale, mainLanguage(program)) || name
