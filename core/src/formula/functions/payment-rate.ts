import { fractionToDecimal } from '../../money/fraction'
import type { Decimal } from '../../money/decimal'
import { readRate } from '../../rates/percent'
import { equivalentRate } from '../../rates/periodic-rate'
import { factsOf, type Frequency } from '../../rates/frequency'
import { Stopped } from '../computed'
import { PERCENT } from '../unit'
import type { Arguments, BuiltIn } from './function'

/** The rate of each payment: how most loans are worked out, and said so on their pages. */
export const paymentRate: BuiltIn = {
  name: 'rate per payment',
  group: 'rates',
  parameters: [
    { name: 'rate', takes: { is: 'percent' } },
    { name: 'frequency', takes: { is: 'frequency' } },
    { name: 'compounding', takes: { is: 'number' }, optional: true },
  ],
  gives: PERCENT,
  work: (args) => {
    const { perYear } = factsOf(args.text(1) as Frequency)
    const { exact } = equivalentRate(rateAt(args, 0), args.has(2) ? timesAt(args, 2) : perYear, perYear)
    return fractionToDecimal(exact).times(100)
  },
}

/** A yearly rate given to a function. */
export function rateAt(args: Arguments, index: number): Decimal {
  const rate = readRate(args.decimal(index), 'rate')
  if (!rate.ok) throw new Stopped({ code: 'REFUSED', refusal: rate })
  return rate.value
}

/** How often a year, given to a function. */
export function timesAt(args: Arguments, index: number): number {
  const times = args.whole(index)
  if (times < 1 || times > 366) throw new Stopped({ code: 'NOT_WHOLE', what: 'compounding' })
  return times
}
