import type { CheckedTerms } from './check-terms'
import { rowsOfGrace } from './grace'
import { interestOf } from './interest'
import { ratesOf, type RateOfPeriod } from './period-rates'

/**
 * What has to be left owed after each payment so that the balloon is owed when the term ends, without any payment less
 * than nothing: from the last row back, the least balance that grows to what has to be left after the next. `undefined`
 * where it is the balloon itself throughout: a loan that begins above its balloon stays above it.
 */
export function floorsOf(
  terms: CheckedTerms,
  start: number,
  lastNumber: number | undefined,
): Float64Array | undefined {
  const { balloon, due } = terms
  if (balloon === 0 || lastNumber === undefined || (due === 'end' && start >= balloon)) return undefined
  const rateOf = ratesByNumber(terms)
  const floors = new Float64Array(lastNumber + 1)
  floors[lastNumber] = balloon
  for (let number = lastNumber; number > 0; number--) {
    const after = floors[number] ?? balloon
    const bears = bearsInterest(terms, number)
    floors[number - 1] = bears ? leastGrowingTo(after, rateOf(number), terms) : after
  }
  return floors
}

/** Whether a period bears interest: not before a first payment made at once, nor in a grace time without interest. */
export const bearsInterest = ({ due, grace }: CheckedTerms, number: number): boolean =>
  !(due === 'start' && number === 1) && !(grace?.interest === 'none' && number <= rowsOfGrace(grace))

type Rate = ReturnType<RateOfPeriod>

function leastGrowingTo(target: number, rate: Rate, { interestRounding }: CheckedTerms): number {
  const grown = (balance: number) => balance + interestOf(balance, rate, interestRounding)
  let balance = Math.max(0, Math.floor(target / (1 + rate.asNumber)))
  while (balance > 0 && grown(balance - 1) >= target) balance--
  while (grown(balance) < target) balance++
  return balance
}

/** The rate of each period with every change in it. */
function ratesByNumber(terms: CheckedTerms): RateOfPeriod {
  const phases = [{ fromPayment: 1, annualRate: terms.annualRate }, ...terms.rateChanges].map(
    ({ fromPayment, annualRate }) => ({ fromPayment, rateOf: ratesOf(annualRate, terms) }),
  )
  return (number) => {
    let phase = phases[0]
    for (const next of phases) if (next.fromPayment <= number) phase = next
    return (phase ?? { rateOf: ratesOf(terms.annualRate, terms) }).rateOf(number)
  }
}
