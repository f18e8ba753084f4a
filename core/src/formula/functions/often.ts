import { factsOf, type Frequency } from '../../rates/frequency'
import { MONEY, moneyPer, timesAYear, type Period, type Wanted } from '../unit'
import { Decimal } from '../../money/decimal'
import type { BuiltIn } from './function'

const recurring = { is: 'money', per: 'any' } as const satisfies Wanted

type Calendar = Exclude<Period, 'payment'>

/** Says how often a plain amount recurs: `yearly(home insurance)`. */
const attaches = (name: string, per: Calendar): BuiltIn => ({
  name,
  group: 'often',
  parameters: [{ name: 'amount', takes: { is: 'money' } }],
  gives: moneyPer(per),
  work: (args) => args.decimal(0),
})

/** The periods' names as the hidden second and third arguments of a conversion, put there by the checker. */
export const CONVERSION = 'convert period'

/** Functions about how often an amount recurs. `per month` and its kin are turned into `convert period` when checked. */
export const oftenFunctions: readonly BuiltIn[] = [
  attaches('yearly', 'year'),
  attaches('half yearly', 'halfYear'),
  attaches('quarterly', 'quarter'),
  attaches('monthly', 'month'),
  attaches('weekly', 'week'),
  ...(
    [
      ['per year', 'year'],
      ['per month', 'month'],
      ['per week', 'week'],
      ['per payment', 'payment'],
    ] as const
  ).map(([name, per]): BuiltIn => ({
    name,
    group: 'often',
    parameters: [
      { name: 'amount', takes: recurring },
      { name: 'frequency', takes: { is: 'frequency' }, optional: true },
    ],
    gives: moneyPer(per),
    work: (args) => args.decimal(0),
  })),
  {
    name: 'once',
    group: 'often',
    parameters: [{ name: 'amount', takes: recurring }],
    gives: MONEY,
    work: (args) => args.decimal(0),
  },
]

/** The period a conversion function turns an amount into; undefined for other functions. */
export const conversionTo = (name: string): Period | undefined =>
  (({ 'per year': 'year', 'per month': 'month', 'per week': 'week', 'per payment': 'payment' }) as const)[
    name
  ]

/** How many of a period there are in a year; for a payment its frequency has to be known. */
export const perYear = (period: Period, frequency: Frequency | undefined): number =>
  period === 'payment' ? factsOf(frequency ?? 'monthly').perYear : timesAYear[period]

export const convertPeriod = (amount: Decimal, from: Period, to: Period, frequency?: Frequency): Decimal =>
  amount.times(perYear(from, frequency)).div(perYear(to, frequency))
