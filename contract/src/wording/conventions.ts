import {
  frequencies,
  type Evaluation,
  type Ledger,
  type LoanTerms,
  type Program,
  type ProgramStep,
} from '@vivid/core/evaluate'
import type { Conventions } from './convention-words'
import type { Figures } from './language'
import { labelOrName, loansShown, type LoansOnPage } from './loans-shown'
import { counted } from './languages'
import { inOwnWords } from './languages'
import { conventionWords } from './languages/conventions'

type Shown = LoansOnPage & Pick<Evaluation, 'ledgers'>

/**
 * What the loans on a page take for granted, from their terms: nobody writes it, so that it never contradicts the
 * arithmetic. Where loans differ in it, each is said with the name it has there.
 */
export function conventionsSaid(
  shown: Shown,
  program: Pick<Program, 'steps' | 'languages'>,
  figures: Figures,
): string[] {
  const loans = loansShown(shown, program.steps, figures).flatMap((one) => {
    const [terms, ledger] = [shown.terms.get(one.loan), shown.ledgers.get(one.loan)]
    return terms && ledger
      ? [{ ...one, said: ofLoan(terms, ledger, canBeExtra(shown, one.loan), figures) }]
      : []
  })
  const all = [...new Set(loans.flatMap(({ said }) => said))]
  const lines = all.map((line) => {
    const those = loans.filter(({ said }) => said.includes(line))
    const names = those.map((loan) => labelOrName(loan, program, figures))
    return those.length === loans.length ? line : `${names.join(', ')}: ${line}`
  })
  return [...new Set([...lines, ...ofComposites(program.steps, figures)])]
}

const canBeExtra = ({ readouts, terms }: Shown, loan: string): boolean =>
  (terms.get(loan)?.extras?.length ?? 0) > 0 ||
  readouts.some((readout) => readout.shows === 'whatIf' && readout.loan === loan)

function ofLoan(terms: LoanTerms, ledger: Ledger, hasExtras: boolean, figures: Figures): string[] {
  const words = conventionsOf(figures)
  const { frequency, compounding = 'perPayment', rateChanges, due, grace, rounding, alreadyPaid } = terms
  const facts = frequencies[frequency]
  const next = ledger.count > 0 ? ledger.at(ledger.firstNumber).date : undefined
  const isInsured = terms.insurance?.yearlyPercent !== undefined
  const hasFees = terms.fees?.eachPayment !== undefined
  const silent = grace?.interest.startsWith('added') && !grace.payment
  return [
    words.compounds(compounding === 'perPayment' ? 0 : compounding),
    rateChanges && rateChanges.length > 0 ? words.rateChanges : words.rateStays,
    daysOf(terms, words),
    ...(grace
      ? [words.grace[grace.interest](counted(grace.payments, figures.words.payments, figures.locale))]
      : []),
    ...(next === undefined
      ? []
      : [(alreadyPaid && !silent ? words.nextPayment : words.firstPayment)(figures.date(next))]),
    ...(due === 'start' ? [words.atStart] : []),
    ...('monthlyPaymentOver' in facts && facts.monthlyPaymentOver !== undefined
      ? [words.accelerated[facts.monthlyPaymentOver as 2 | 4]]
      : []),
    words.rounded[rounding?.payment ?? 'nearest'],
    ...(hasExtras ? [words.extras[terms.onExtra ?? 'shorten']] : []),
    ...(isInsured && hasFees
      ? []
      : [words.leftOut[!isInsured && !hasFees ? 'both' : isInsured ? 'fees' : 'insurance']]),
  ]
}

const conventionsOf = ({ locale, own }: Figures): Conventions =>
  inOwnWords('conventions', conventionWords(locale), locale, own)

function daysOf({ dayCount = 'equal' }: LoanTerms, { days }: Conventions): string {
  if (dayCount === 'equal') return days.equal(0)
  const year = dayCount.endsWith('365') ? 365 : 360
  return dayCount.startsWith('actual') ? days.actual(year) : days.thirty(year)
}

/** Affordability, refinancing and several loans pay monthly, and say how their rates compound. */
function ofComposites(steps: readonly ProgramStep[], figures: Figures): string[] {
  const conventions = conventionsOf(figures)
  const { monthly, compounds, rateStays, rollsOn } = conventions
  const lines = steps.flatMap(({ step }) => {
    if (step.kind === 'payOff') return [monthly, compounds(0), rateStays, rollsOn]
    return step.kind === 'affordability' || step.kind === 'refinance'
      ? [monthly, compounds(step.compounding === 'perPayment' ? 0 : step.compounding)]
      : []
  })
  return [...new Set(lines)]
}
