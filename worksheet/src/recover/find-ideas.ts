import type { Formula } from '../formula/formula'
import { levelPaymentOf, paymentsOf } from '../loans/annuity'
import { isPeriodRate, paymentsAYear } from '../loans/rate-of'
import { isNear } from '../take/ask'
import type { About } from '../take/schedule'
import { positive, type Figure } from '../loans/figure'

/** A loan that a cell's formula may be about: the figures it would rest on. */
export interface Idea {
  readonly principal: Figure
  /** Of a period. */
  readonly rate: Figure
  /** How many payments; undefined where they follow from the payment. */
  readonly count: Figure | undefined
  /** What is paid each period; undefined where no cell has it. */
  readonly payment: Figure | undefined
  /** What is still owed at the end. */
  readonly left: Figure
  readonly isAtStart: boolean
}

const numberOf = (value: number): Figure => ({
  text: String(value),
  value,
  of: { is: 'number', text: String(value) },
})
export const NOTHING = numberOf(0)
/** Numbers of payments and amounts of loans; what lies outside is some other figure. */
const isCount = ({ value }: Figure) => Number.isInteger(value) && value >= 2 && value <= 5_200
const isAmount = ({ value }: Figure) => value >= 10
/** Among more figures than these nothing is looked for by trying. */
const MOST_FIGURES = 400
const MOST_LEFT_TRIED = 40

/** The figures a call's arguments come to, by the part of the formula. */
export type FigureOf = (of: Formula) => Figure | undefined

/** The arguments of the functions about level payments, by what they are (OASIS OpenFormula 1.3, 6.12). */
const argumentsOf: Readonly<
  Record<string, readonly ('rate' | 'at' | 'count' | 'payment' | 'principal' | 'left' | 'due')[]>
> = {
  PMT: ['rate', 'count', 'principal', 'left', 'due'],
  PV: ['rate', 'count', 'payment', 'left', 'due'],
  NPER: ['rate', 'payment', 'principal', 'left', 'due'],
  IPMT: ['rate', 'at', 'count', 'principal', 'left', 'due'],
  PPMT: ['rate', 'at', 'count', 'principal', 'left', 'due'],
  CUMIPMT: ['rate', 'count', 'principal', 'at', 'at', 'due'],
  CUMPRINC: ['rate', 'count', 'principal', 'at', 'at', 'due'],
}

/** The loan a call of these functions is about. */
export function ideaOfCall(of: Extract<Formula, { is: 'call' }>, figureOf: FigureOf): Idea | undefined {
  const names = argumentsOf[of.function]
  if (!names) return undefined
  const arg = (name: (typeof names)[number]): Formula | undefined => {
    const found = of.args[names.indexOf(name)]
    return names.includes(name) && found?.is !== 'nothing' ? found : undefined
  }
  const figure = (name: (typeof names)[number]) => {
    const found = arg(name)
    return found && figureOf(found)
  }
  const due = figure('due')?.value ?? 0
  if (due !== 0 && due !== 1) return undefined
  const [rate, count] = [figure('rate'), figure('count')]
  const itself = figureOf(of)
  const principal = of.function === 'PV' ? itself && positive(itself) : positiveOf(arg('principal'), figureOf)
  const left = arg('left') ? positiveOf(arg('left'), figureOf) : NOTHING
  const isWorkedOut = of.function === 'PMT' && itself
  const payment = isWorkedOut ? positive(itself) : positiveOf(arg('payment'), figureOf)
  if (!rate || !isPeriodRate(rate.value) || !principal || !isAmount(principal) || !left) return undefined
  if (of.function === 'NPER' ? !payment : !count || !isCount(count)) return undefined
  return { principal, rate, count, payment, left, isAtStart: due === 1 }
}

/** The same of a part of a formula; a sign before it falls away with its own. */
function positiveOf(of: Formula | undefined, figureOf: FigureOf): Figure | undefined {
  if (!of) return undefined
  if (of.is === 'minus') {
    const inner = figureOf(of.of)
    if (inner && inner.value >= 0) return inner
  }
  const figure = figureOf(of)
  return figure && positive(figure)
}

/** Loans whose level payment this figure is, written out in some way: the figures among which it is one are tried. */
export function ideasOfPower(target: Figure, all: readonly Figure[]): Idea[] {
  if (all.length > MOST_FIGURES) return []
  // A count may stand there as what is taken from nothing: (1 + r)^(-12 * years).
  const figures = all.map(positive)
  const payment = positive(target)
  const amounts = figures.filter(isAmount).sort((a, b) => a.value - b.value)
  const lefts = [NOTHING, ...(amounts.length <= MOST_LEFT_TRIED ? amounts : [])]
  const ideas: Idea[] = []
  for (const rate of figures.filter(({ value }) => isPeriodRate(value)))
    for (const count of figures.filter(isCount))
      for (const isAtStart of [false, true])
        for (const left of lefts) {
          const one = { rate: rate.value, count: count.value, isAtStart }
          const ofOne = levelPaymentOf({ ...one, principal: 1, left: 0 })
          const ofLeft = levelPaymentOf({ ...one, principal: 0, left: left.value })
          const wanted = (payment.value - ofLeft) / ofOne
          const principal = nearest(amounts, wanted)
          if (principal && principal.value > left.value)
            ideas.push({ principal, rate, count, payment, left, isAtStart })
        }
  return ideas
}

/** Loans whose number of payments this figure is, as a logarithm written out. */
export function ideasOfLogarithm(target: Figure, figures: readonly Figure[]): Idea[] {
  if (figures.length > MOST_FIGURES) return []
  const amounts = figures.filter(isAmount).sort((a, b) => a.value - b.value)
  return figures
    .filter(({ value }) => isPeriodRate(value))
    .flatMap((rate) =>
      amounts.flatMap((payment) =>
        amounts.flatMap((principal): Idea[] => {
          const count = paymentsOf(principal.value, rate.value, payment.value, 0)
          return Number.isFinite(count) && isNear(count, Math.abs(target.value))
            ? [{ principal, rate, count: undefined, payment, left: NOTHING, isAtStart: false }]
            : []
        }),
      ),
    )
}

/** The loan whose schedule this is: as long as it has rows, or until what is paid has repaid it. */
export function ideasOfSchedule({ principal, rate, payment, rows, among }: About): Idea[] {
  const lengths = among.flatMap((length) => [
    length,
    ...paymentsAYear(among).map((often) => ({
      value: length.value * often.value,
      text: `(${length.text} * ${often.text})`,
    })),
  ])
  const counts = [...lengths.filter(({ value }) => value === rows), numberOf(rows), undefined]
  return counts.map((count) => ({ principal, rate, count, payment, left: NOTHING, isAtStart: false }))
}

function nearest(sorted: readonly Figure[], wanted: number): Figure | undefined {
  let [low, high] = [0, sorted.length - 1]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if ((sorted[middle]?.value ?? 0) < wanted * (1 - 1e-9)) low = middle + 1
    else high = middle
  }
  const found = sorted[low]
  return found && isNear(found.value, wanted) ? found : undefined
}
