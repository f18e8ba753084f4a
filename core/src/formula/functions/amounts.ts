import { Decimal, leastOf, greatestOf } from '../../money/decimal'
import { roundToMultiple, type Rounding } from '../../money/rounding'
import { Stopped, type Computed } from '../computed'
import { MONEY, NUMBER, PERCENT, type Wanted } from '../unit'
import type { Arguments, BuiltIn } from './function'

const amount = { is: 'amount' } as const satisfies Wanted
const list = { is: 'list', of: amount } as const satisfies Wanted

const others = (args: Arguments) => Array.from({ length: args.count - 1 }, (_, i) => args.decimal(i + 1))

const rounded =
  (how: Rounding) =>
  (args: Arguments): Computed => {
    const to = args.has(1) ? args.decimal(1) : new Decimal(1)
    if (to.isZero()) throw new Stopped({ code: 'DIVIDED_BY_ZERO' })
    return roundToMultiple(args.decimal(0), to, how)
  }

const roundingParameters = [
  { name: 'value', takes: amount },
  { name: 'to', takes: amount, optional: true },
] as const

/** Functions on amounts of one unit, and between amounts and shares. Rounding: to a multiple of `to`, in its unit. */
export const amountFunctions: readonly BuiltIn[] = [
  {
    name: 'min',
    group: 'amounts',
    parameters: [{ name: 'values', takes: amount }],
    many: true,
    same: true,
    gives: 'same',
    work: (args) => leastOf(args.decimal(0), ...others(args)),
  },
  {
    name: 'max',
    group: 'amounts',
    parameters: [{ name: 'values', takes: amount }],
    many: true,
    same: true,
    gives: 'same',
    work: (args) => greatestOf(args.decimal(0), ...others(args)),
  },
  {
    name: 'sum',
    group: 'amounts',
    parameters: [{ name: 'list', takes: list }],
    gives: 'item',
    work: (args) => args.decimals(0).reduce((sum, value) => sum.plus(value), new Decimal(0)),
  },
  {
    name: 'mean',
    group: 'amounts',
    parameters: [{ name: 'list', takes: list }],
    gives: 'item',
    work: (args) => {
      const values = args.decimals(0)
      if (values.length === 0) throw new Stopped({ code: 'DIVIDED_BY_ZERO' })
      return values.reduce((sum, value) => sum.plus(value), new Decimal(0)).div(values.length)
    },
  },
  {
    name: 'count',
    group: 'amounts',
    parameters: [{ name: 'list', takes: list }],
    gives: NUMBER,
    work: (args) => new Decimal(args.list(0).length),
  },
  {
    name: 'abs',
    group: 'amounts',
    parameters: [{ name: 'value', takes: amount }],
    same: true,
    gives: 'same',
    work: (args) => args.decimal(0).abs(),
  },
  {
    name: 'round',
    group: 'amounts',
    parameters: roundingParameters,
    same: true,
    gives: 'same',
    work: rounded('halfUp'),
  },
  {
    name: 'round up',
    group: 'amounts',
    parameters: roundingParameters,
    same: true,
    gives: 'same',
    work: rounded('up'),
  },
  {
    name: 'round down',
    group: 'amounts',
    parameters: roundingParameters,
    same: true,
    gives: 'same',
    work: rounded('down'),
  },
  {
    name: 'percent of',
    group: 'amounts',
    parameters: [
      { name: 'part', takes: amount },
      { name: 'whole', takes: amount },
    ],
    same: true,
    gives: PERCENT,
    work: (args) => {
      if (args.decimal(1).isZero()) throw new Stopped({ code: 'DIVIDED_BY_ZERO' })
      return args.decimal(0).times(100).div(args.decimal(1))
    },
  },
  {
    name: 'as percent',
    group: 'amounts',
    parameters: [{ name: 'ratio', takes: { is: 'number' } }],
    gives: PERCENT,
    work: (args) => args.decimal(0).times(100),
  },
  {
    name: 'as money',
    group: 'amounts',
    parameters: [{ name: 'number', takes: { is: 'number' } }],
    gives: MONEY,
    work: (args, { minorDigits }) => args.decimal(0).times(10 ** minorDigits),
  },
  {
    name: 'as number',
    group: 'amounts',
    parameters: [{ name: 'percent', takes: { is: 'percent' } }],
    gives: NUMBER,
    work: (args) => args.decimal(0).div(100),
  },
]
