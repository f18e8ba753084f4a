import { addMonths, daysBetween, isoDate, readIsoDate, type PlainDate } from '../../dates/plain-date'
import { Decimal, trusted, floorOf } from '../../money/decimal'
import { roundWhole } from '../../money/rounding'
import { factsOf, type Frequency } from '../../rates/frequency'
import { assert } from '../../guards/assert'
import { COUNT, DATE, NUMBER, TERM } from '../unit'
import type { Arguments, BuiltIn } from './function'

const dateAt = (args: Arguments, index: number): PlainDate => {
  const date = readIsoDate(args.text(index))
  assert(date !== undefined, 'a date in a formula is a day of the calendar')
  return date
}

/** Whole months from one date to a later one; less than none is none. */
function monthsBetween(from: PlainDate, to: PlainDate): number {
  const whole = (to.year - from.year) * 12 + to.month - from.month
  const reached = daysBetween(addMonths(from, whole), to) >= 0
  return Math.max(0, reached ? whole : whole - 1)
}

const number = { is: 'number' } as const

/** Functions on lengths of time, dates and numbers of payments. */
export const timeFunctions: readonly BuiltIn[] = [
  {
    name: 'years',
    group: 'time',
    parameters: [{ name: 'number', takes: number }],
    gives: TERM,
    work: (args) => args.decimal(0).times(12),
  },
  {
    name: 'months',
    group: 'time',
    parameters: [{ name: 'number', takes: number }],
    gives: TERM,
    work: (args) => args.decimal(0),
  },
  {
    name: 'in years',
    group: 'time',
    parameters: [{ name: 'length', takes: { is: 'term' } }],
    gives: NUMBER,
    work: (args) => args.decimal(0).div(12),
  },
  {
    name: 'in months',
    group: 'time',
    parameters: [{ name: 'length', takes: { is: 'term' } }],
    gives: NUMBER,
    work: (args) => args.decimal(0),
  },
  {
    name: 'payments in',
    group: 'time',
    parameters: [
      { name: 'length', takes: { is: 'term' } },
      { name: 'frequency', takes: { is: 'frequency' }, optional: true },
    ],
    gives: COUNT,
    work: (args) => {
      const { perYear } = factsOf(args.has(1) ? (args.text(1) as Frequency) : 'monthly')
      return floorOf(trusted(args.decimal(0).times(perYear).div(12)))
    },
  },
  {
    name: 'length of',
    group: 'time',
    parameters: [
      { name: 'payments', takes: { is: 'count' } },
      { name: 'frequency', takes: { is: 'frequency' }, optional: true },
    ],
    gives: TERM,
    work: (args) => {
      const { perYear } = factsOf(args.has(1) ? (args.text(1) as Frequency) : 'monthly')
      return roundWhole(args.decimal(0).times(12).div(perYear))
    },
  },
  {
    name: 'payments a year',
    group: 'time',
    parameters: [{ name: 'frequency', takes: { is: 'frequency' } }],
    gives: COUNT,
    work: (args) => new Decimal(factsOf(args.text(0) as Frequency).perYear),
  },
  { name: 'today', group: 'time', parameters: [], gives: DATE, work: (_, { today }) => isoDate(today) },
  {
    name: 'year of',
    group: 'time',
    parameters: [{ name: 'date', takes: { is: 'date' } }],
    gives: NUMBER,
    work: (args) => new Decimal(dateAt(args, 0).year),
  },
  {
    name: 'time until',
    group: 'time',
    parameters: [
      { name: 'from', takes: { is: 'date' } },
      { name: 'to', takes: { is: 'date' } },
    ],
    gives: TERM,
    work: (args) => new Decimal(monthsBetween(dateAt(args, 0), dateAt(args, 1))),
  },
  {
    name: 'days between',
    group: 'time',
    parameters: [
      { name: 'from', takes: { is: 'date' } },
      { name: 'to', takes: { is: 'date' } },
    ],
    gives: NUMBER,
    work: (args) => new Decimal(daysBetween(dateAt(args, 0), dateAt(args, 1))),
  },
]
