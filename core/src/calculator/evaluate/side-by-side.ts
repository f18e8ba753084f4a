import { Stopped, type Computed, type FigureSet, type LoanRun } from '../../formula/computed'
import { asDecimal } from '../../formula/evaluate-expression'
import type { Ledger } from '../../loan/ledger'
import type { LoanTerms } from '../../loan/loan-terms'
import { Decimal } from '../../money/decimal'
import { minor, ZERO, type Minor } from '../../money/minor'
import { roundWhole } from '../../money/rounding'
import { untilLeaving } from '../../lending/compare'
import { ladder, type Ladder } from '../../search/ladder'
import type { TermLength } from '../document/document-shapes'
import type { StepOf } from '../document/steps'
import { lengthOfMonths } from '../program/length-of-months'
import type { ComparedColumn, Rung, Turn } from '../program/evaluated'
import { ratesOf } from './composites'
import { lengthOf } from './loan-figures'
import type { TermsReader } from './terms-reader'

const figureSet = (figures: Record<string, Computed | undefined>): FigureSet => ({ kind: 'figures', figures })

/** Two to four loans beside each other, each against the first; `stay`: until the visitor leaves, in months. */
export function comparedColumns(runs: readonly LoanRun[], stay?: number): ComparedColumn[] {
  const first = runs[0]
  return runs.map((run, at) => {
    const { ledger, paidAtStart = ZERO } = run
    const payment = ledger?.nextPayment ?? ZERO
    const insurance = ledger?.nextRegular?.insurance ?? 0
    return {
      at,
      payment,
      paymentWithInsurance: minor(payment + insurance),
      payments: ledger?.count ?? 0,
      endDate: ledger?.endsOn,
      totalInterest: ledger?.totals.interest ?? ZERO,
      totalInsurance: ledger?.totals.insurance ?? ZERO,
      totalFees: minor((ledger?.totals.fees ?? 0) + paidAtStart),
      balloon: ledger?.totals.balloon ?? ZERO,
      totalPaid: minor((ledger?.totals.paidInAll ?? 0) + paidAtStart),
      costOfBorrowing: costOf(run),
      extrasNotPaid: ledger?.extrasCutByLimit ?? ZERO,
      largeLastPayment: ledger?.largeLastPayment ?? ZERO,
      difference: costOf(run) - (first ? costOf(first) : 0),
      ...(stay !== undefined && leavingAfter(run, stay)),
    }
  })
}

function leavingAfter(
  { ledger, terms, paidAtStart = ZERO }: LoanRun,
  months: number,
): Partial<ComparedColumn> {
  if (!ledger || !terms) return { paidUntilLeaving: ZERO, owedAtLeaving: ZERO, costUntilLeaving: ZERO }
  const { paid, owed, cost } = untilLeaving(ledger, terms, months)
  return {
    paidUntilLeaving: minor(paid + paidAtStart),
    owedAtLeaving: owed,
    costUntilLeaving: minor(cost + paidAtStart),
  }
}

const costOf = ({ ledger, paidAtStart = ZERO }: LoanRun): Minor =>
  minor((ledger?.totals.cost ?? 0) + paidAtStart)

/** What a loan costs whoever leaves after so many months. */
const costAfter = ({ ledger, terms, paidAtStart = ZERO }: LoanRun, months: number): number =>
  ledger && terms ? untilLeaving(ledger, terms, months).cost + paidAtStart : 0

/** The place of the loan that costs least whoever leaves after so many months; of equals the first. */
function cheapestAfter(runs: readonly LoanRun[], months: number): number {
  const costs = runs.map((run) => costAfter(run, months))
  return costs.indexOf(Math.min(...costs))
}

/** The longest stay that is looked at, in months. */
const LONGEST_STAY = 600

/**
 * When another loan begins to cost least than the one that does at first, looked for year by year and then to the month; undefined
 * where one costs least however long.
 */
export function turnOf(runs: readonly LoanRun[], stay: number | undefined): Turn | undefined {
  if (stay === undefined || runs.length < 2) return undefined
  const longest = Math.min(LONGEST_STAY, Math.max(...runs.map(monthsOf)))
  const before = cheapestAfter(runs, 1)
  for (let end = 12; end <= longest + 11; end += 12) {
    if (cheapestAfter(runs, Math.min(end, longest)) === before) continue
    let month = Math.max(2, end - 11)
    while (cheapestAfter(runs, month) === before) month++
    return { after: month - 1, before, then: cheapestAfter(runs, month), stay }
  }
  return undefined
}

const monthsOf = ({ ledger, frequency }: LoanRun): number =>
  ledger ? lengthOf(ledger.count, frequency).toNumber() : 0

export function comparisonFigures(
  step: StepOf<'comparison'>,
  columns: readonly ComparedColumn[],
  main: string,
  turn?: Turn,
): FigureSet {
  const least = (of: (column: ComparedColumn) => number) => new Decimal(Math.min(...columns.map(of)))
  const labelOf = (column: ComparedColumn | undefined) => step.loans[column?.at ?? 0]?.label[main] ?? ''
  const untilThen = ({ costUntilLeaving = ZERO }: ComparedColumn) => costUntilLeaving
  const cheapest = [...columns].sort((a, b) => a.costOfBorrowing - b.costOfBorrowing)[0]
  return figureSet({
    'least payment': least(({ payment }) => payment),
    'least interest': least(({ totalInterest }) => totalInterest),
    'interest difference': new Decimal(
      Math.max(...columns.map(({ totalInterest }) => totalInterest)) -
        Math.min(...columns.map(({ totalInterest }) => totalInterest)),
    ),
    cheapest: labelOf(cheapest),
    'cheapest by payment': labelOf(
      [...columns].sort((a, b) => a.paymentWithInsurance - b.paymentWithInsurance)[0],
    ),
    turns: turn !== undefined,
    ...(turn && {
      'turns after': new Decimal(turn.after),
      'cheapest before that': labelOf(columns[turn.before]),
      'cheapest after that': labelOf(columns[turn.then]),
    }),
    ...(columns.some(({ costUntilLeaving }) => costUntilLeaving !== undefined) && {
      'least cost over the stay': least(untilThen),
      'cheapest over the stay': labelOf([...columns].sort((a, b) => untilThen(a) - untilThen(b))[0]),
    }),
  })
}

/** Ladders over a term of the loan itself. */
type TermLadder = Exclude<StepOf<'ladder'>['over'], 'answer'>

/** The same loan over a list, or over rates and lengths. */
export function rungsOf(over: TermLadder, base: LoanTerms, terms: TermsReader): Rung[] {
  const list = (path: string) => (terms.raw(path)?.value ?? []) as readonly Computed[]
  const amounts = (path: string) => list(path).map((one) => roundWhole(asDecimal(one)).toNumber())
  const lengths: TermLength[] = amounts('terms.lengths').map(lengthOfMonths)
  const rates = ratesOf(list('terms.rates'))
  const price = terms.whole('terms.price') ?? 0
  const downs = downPayments(terms, price)
  const asked = askedOf()
  const answer = ladder(asked, figuresOfRung)
  if (!answer.ok) throw new Stopped({ code: 'REFUSED', refusal: answer })
  const wide = lengths.length
  return answer.rungs.map((figures, i) => ({
    rate: over === 'rates' ? rates[i] : over === 'ratesByTerms' ? rates[Math.floor(i / wide)] : undefined,
    length: over === 'terms' ? lengths[i] : over === 'ratesByTerms' ? lengths[i % wide] : undefined,
    amount: amountOf(i),
    ...(over === 'downPayments' && { principal: minor(price - (downs[i] ?? 0)) }),
    ...figures,
  }))

  function amountOf(rung: number): Minor | undefined {
    const listed = { extras: amounts('terms.extras'), amounts: amounts('terms.amounts'), downPayments: downs }
    return over === 'extras' || over === 'amounts' || over === 'downPayments'
      ? minor(listed[over][rung] ?? 0)
      : undefined
  }

  function askedOf(): Ladder {
    switch (over) {
      case 'rates':
        return { over, terms: base, rates }
      case 'terms':
        return { over, terms: base, lengths }
      case 'extras':
        return { over, terms: base, extras: amounts('terms.extras') }
      case 'amounts':
        return { over, terms: base, amounts: amounts('terms.amounts') }
      case 'downPayments':
        return { over: 'amounts', terms: base, amounts: downs.map((down) => price - down) }
      case 'ratesByTerms':
        return { over, terms: base, rates, lengths }
    }
  }
}

/** Each down payment as an amount, where it was listed as a share of the price too. */
function downPayments(terms: TermsReader, price: number): number[] {
  const listed = terms.raw('terms.downPayments')
  if (!listed) return []
  const isShare = listed.unit.is === 'list' && listed.unit.of.is === 'percent'
  return (listed.value as readonly Decimal[]).map((one) =>
    roundWhole(isShare ? one.times(price).div(100) : one).toNumber(),
  )
}

export const figuresOfRung = (ledger: Ledger) => ({
  payment: ledger.nextPayment,
  payments: ledger.count,
  endDate: ledger.endsOn,
  totalInterest: ledger.totals.interest,
})

export function ladderFigures(rungs: readonly Rung[]): FigureSet {
  const payments = rungs.map(({ payment }) => payment)
  if (payments.length === 0) return figureSet({})
  return figureSet({
    'least payment': new Decimal(Math.min(...payments)),
    'greatest payment': new Decimal(Math.max(...payments)),
  })
}
