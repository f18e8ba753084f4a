/*
 * A level loan, unrounded: the annuity formulas of any textbook on the theory of interest, as figures and as formulas of ours.
 * `rate` is per payment, `count` the payments, `left` what is still owed when they are made.
 */

export interface LoanOf<T> {
  readonly principal: T
  readonly rate: T
  readonly count: T
  readonly left: T
  /** Whether payments fall at the start of each period. */
  readonly isAtStart: boolean
}

export function levelPaymentOf({ principal, rate, count, left, isAtStart }: LoanOf<number>): number {
  const growth = (1 + rate) ** count
  return ((principal * growth - left) * rate) / (growth - 1) / (isAtStart ? 1 + rate : 1)
}
export const levelPaymentText = ({ principal, rate, count, left, isAtStart }: LoanOf<string>): string =>
  `((${principal} * (1 + ${rate}) ** (${count}) - ${left}) * ${rate} / ((1 + ${rate}) ** (${count}) - 1)${isAtStart ? ` / (1 + ${rate})` : ''})`

/** How many payments bring a loan down to what is left, with its fraction; no number where they never do. */
export const paymentsOf = (principal: number, rate: number, payment: number, left: number): number =>
  Math.log((payment - left * rate) / (payment - principal * rate)) / Math.log(1 + rate)
export const paymentsText = (principal: string, rate: string, payment: string, left: string): string =>
  `(log((${payment} - ${left} * ${rate}) / (${payment} - ${principal} * ${rate})) / log(1 + ${rate}))`

/** What of a loan a cell can have: as it is agreed, or as it stands after payment k. */
export type Part =
  | 'payment'
  | 'totalPaid'
  | 'totalInterest'
  | 'count'
  | 'owed'
  | 'interest'
  | 'principal'
  | 'interestTo'
  | 'principalTo'

/** Those that ask after which payment. */
export const partsAt = [
  'owed',
  'interest',
  'principal',
  'interestTo',
  'principalTo',
] as const satisfies Part[]

/** What is paid on a loan, and how often. */
export interface Paid<T> {
  readonly principal: T
  readonly rate: T
  readonly payment: T
  readonly count: T
  readonly left: T
}

export function partOf(part: Part, { principal, rate, payment, count, left }: Paid<number>, k = 1): number {
  const owed = (after: number) =>
    principal * (1 + rate) ** after - (payment * ((1 + rate) ** after - 1)) / rate
  switch (part) {
    case 'payment':
      return payment
    case 'totalPaid':
      return payment * count
    case 'totalInterest':
      return payment * count + left - principal
    case 'count':
      return count
    case 'owed':
      return owed(k)
    case 'interest':
      return owed(k - 1) * rate
    case 'principal':
      return payment - owed(k - 1) * rate
    case 'principalTo':
      return principal - owed(k)
    case 'interestTo':
      return payment * k - (principal - owed(k))
  }
}

export function partText(
  part: Part,
  { principal, rate, payment, count, left }: Paid<string>,
  k = '1',
): string {
  const owed = (after: string) =>
    `(${principal} * (1 + ${rate}) ** (${after}) - ${payment} * ((1 + ${rate}) ** (${after}) - 1) / ${rate})`
  switch (part) {
    case 'payment':
      return payment
    case 'totalPaid':
      return `(${payment} * ${count})`
    case 'totalInterest':
      return `(${payment} * ${count} + ${left} - ${principal})`
    case 'count':
      return count
    case 'owed':
      return owed(k)
    case 'interest':
      return `(${owed(`${k} - 1`)} * ${rate})`
    case 'principal':
      return `(${payment} - ${owed(`${k} - 1`)} * ${rate})`
    case 'principalTo':
      return `(${principal} - ${owed(k)})`
    case 'interestTo':
      return `(${payment} * ${k} - (${principal} - ${owed(k)}))`
  }
}

/** The same of a loan step, rounded as its ledger rounds: a plain figure of the currency. */
export function ledgerText(part: Part, loan: string, k = '1'): string {
  switch (part) {
    case 'payment':
      return `(once(${loan}.payment) / as money(1))`
    case 'totalPaid':
      return `(${loan}.total payments / as money(1))`
    case 'totalInterest':
      return `(${loan}.total interest / as money(1))`
    case 'count':
      return `(${loan}.payments / 1)`
    case 'owed':
      return `(balance after(${loan}, ${k}) / as money(1))`
    case 'interest':
    case 'principal':
      return `(${part} of payment(${loan}, ${k}) / as money(1))`
    case 'interestTo':
      return `(interest to(${loan}, ${k}) / as money(1))`
    case 'principalTo':
      return `(principal to(${loan}, ${k}) / as money(1))`
  }
}
