import { Decimal, trusted, floorOf } from '../../money/decimal'
import { ZERO } from '../../money/minor'
import { factsOf } from '../../rates/frequency'
import { untilLeaving as leavingAfter, type UntilLeaving } from '../../lending/compare'
import type { Ledger } from '../../loan/ledger'
import { Stopped, type LoanRun } from '../computed'
import { DATE, MONEY } from '../unit'
import type { Arguments, BuiltIn } from './function'

const loan = { name: 'loan', takes: { is: 'figures', of: 'loan' } } as const
const number = { name: 'number', takes: { is: 'count' } } as const
const upTo = [
  loan,
  { name: 'payments', takes: { is: 'count' }, optional: true },
  { name: 'years', takes: { is: 'years' }, optional: true },
] as const

/** The payment a figure is asked up to, from today: so many payments, or the last within a length of time; else the last. */
function paymentAt(args: Arguments, ledger: Ledger, { frequency }: LoanRun): number {
  if (args.has(1)) return ledger.firstNumber - 1 + Math.max(0, args.whole(1))
  if (!args.has(2)) return ledger.lastNumber
  const periods = floorOf(trusted(args.decimal(2).times(factsOf(frequency).perYear).div(12))).toNumber()
  return ledger.numberAfter(Math.max(0, periods))
}

const toDate = (name: string, figure: (ledger: Ledger, number: number) => number): BuiltIn => ({
  name,
  group: 'loans',
  parameters: upTo,
  gives: MONEY,
  work: (args) => {
    const run = args.loan(0)
    if (!run.ledger) return new Decimal(ZERO)
    return new Decimal(figure(run.ledger, paymentAt(args, run.ledger, run)))
  },
})

/** Of a stay in years, from today: what is paid by then, or costs, each premium and fee once. */
function untilLeaving(name: string, figure: (until: UntilLeaving) => number): BuiltIn {
  return {
    name,
    group: 'loans',
    parameters: [loan, { name: 'years', takes: { is: 'years' } }],
    gives: MONEY,
    work: (args) => {
      const { ledger, terms, paidAtStart = 0 } = args.loan(0)
      if (!ledger || !terms) return new Decimal(ZERO)
      const months = Math.max(0, floorOf(trusted(args.decimal(1))).toNumber())
      return new Decimal(figure(leavingAfter(ledger, terms, months)) + paidAtStart)
    },
  }
}

const ofPayment = (
  name: string,
  column: 'interest' | 'principal' | 'payment' | 'closing' | 'extra',
): BuiltIn => ({
  name,
  group: 'loans',
  parameters: [loan, number],
  gives: MONEY,
  work: (args) => new Decimal(row(args)?.[column] ?? 0),
})

function row(args: Arguments) {
  const { ledger } = args.loan(0)
  const at = args.whole(1)
  if (!ledger) return undefined
  if (at < ledger.firstNumber || at > ledger.lastNumber)
    throw new Stopped({ code: 'NO_FIGURE', figure: `payment ${at}` })
  return ledger.at(at)
}

/** Functions that ask a loan's ledger. */
export const loanFunctions: readonly BuiltIn[] = [
  toDate('balance after', (ledger, at) => ledger.balanceAfter(at)),
  toDate('interest to', (ledger, at) => ledger.interestTo(at)),
  toDate('principal to', (ledger, at) => ledger.principalTo(at)),
  toDate('insurance to', (ledger, at) => ledger.insuranceTo(at)),
  untilLeaving('paid until', ({ paid }) => paid),
  untilLeaving('cost until', ({ cost }) => cost),
  ofPayment('interest of payment', 'interest'),
  ofPayment('principal of payment', 'principal'),
  ofPayment('amount of payment', 'payment'),
  ofPayment('extra of payment', 'extra'),
  {
    name: 'date of payment',
    group: 'loans',
    parameters: [loan, number],
    gives: DATE,
    work: (args) => {
      const date = row(args)?.date
      if (date === undefined) throw new Stopped({ code: 'NO_FIGURE', figure: 'date of payment' })
      return date
    },
  },
]
