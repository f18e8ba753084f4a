import { roundFraction } from '../money/fraction'
import { LARGEST_BALANCE, minor, ZERO, type Minor } from '../money/minor'
import { readAmount, readCount } from '../money/read-amount'
import type { Rounding } from '../money/rounding'
import type { PeriodicRate } from '../rates/periodic-rate'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { interestOf } from './interest'
import type { Grace } from './loan-terms'

export type CheckedGrace = Required<Grace>

/** Whether interest of the grace time joins the balance. */
const isAdded = (grace: CheckedGrace): boolean => grace.interest.startsWith('added')

/** How many rows of the ledger a grace time has: none where nothing is paid in it and its interest is added. */
export const rowsOfGrace = (grace: CheckedGrace | undefined): number =>
  grace === undefined || (isAdded(grace) && grace.payment === 0) ? 0 : grace.payments

export function checkGrace(
  grace: Grace<number> | undefined,
  most: number,
): Checked<CheckedGrace | undefined> {
  if (grace === undefined) return accept(undefined)
  const { interest, rounding = 'once' } = grace
  if (!['none', 'paid', 'addedSimple', 'addedCompound'].includes(interest))
    return refuse('OPTION_UNKNOWN', 'grace.interest')
  const payments = readCount(grace.payments, 'grace.payments', 0, most)
  if (!payments.ok) return payments
  const payment = readAmount(grace.payment ?? 0, 'grace.payment', 'zero allowed')
  if (!payment.ok) return payment
  return accept({ payments: payments.value, interest, payment: payment.value, rounding })
}

/** What a period of the grace time asks for. */
export const graceDue = (interest: number, grace: CheckedGrace | undefined) =>
  grace === undefined || grace.interest === 'paid' ? interest : grace.payment

/**
 * Interest of a grace time in which nothing is paid, added to the balance at its end. Refuses a balance that grows
 * beyond what can be kept exactly (`AMOUNT_TOO_LARGE`).
 */
export function accruedInGrace(
  principal: Minor,
  grace: CheckedGrace | undefined,
  rate: PeriodicRate,
  interestRounding: Rounding,
): Checked<Minor> {
  if (!grace || !isAdded(grace) || grace.payment > 0) return accept(ZERO)
  const accrued = grace.interest === 'addedCompound' ? compounded() : simple()
  if (principal + accrued > LARGEST_BALANCE)
    return refuse('AMOUNT_TOO_LARGE', 'grace', { largest: LARGEST_BALANCE })
  return accept(minor(accrued))

  function compounded(): number {
    let balance: number = principal
    for (let k = 0; k < (grace?.payments ?? 0) && balance <= LARGEST_BALANCE; k++) {
      balance += interestOf(balance, rate, interestRounding)
    }
    return balance - principal
  }

  function simple(): number {
    const periods = grace?.payments ?? 0
    if (grace?.rounding === 'eachPeriod') return interestOf(principal, rate, interestRounding) * periods
    const { numerator, denominator } = rate.exact
    const exact = { numerator: numerator * BigInt(principal) * BigInt(periods), denominator }
    return exact.numerator / denominator > BigInt(LARGEST_BALANCE)
      ? Infinity
      : roundFraction(exact, interestRounding)
  }
}
