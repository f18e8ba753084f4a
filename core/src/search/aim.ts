import { Decimal, floorOf } from '../money/decimal'
import { LARGEST_AMOUNT } from '../money/minor'
import { roundDecimal } from '../money/rounding'
import type { Checked, Refusal } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { readRate } from '../rates/percent'
import { factsOf } from '../rates/frequency'
import { amortize } from '../loan/amortize'
import { checkTerms, type CheckedTerms } from '../loan/check-terms'
import { presentValueOf } from '../loan/closed-forms'
import type { Ledger } from '../loan/ledger'
import { levelPaymentRounded } from '../loan/level-payment'
import { nominalRate } from '../loan/period-rates'
import { isObject, isOneOf } from '../guards/given'
import { unknownName } from '../guards/known-names'
import { unknownDown } from '../loan/amount-to-borrow'
import { readAmount } from '../money/read-amount'
import type { GivenTerms } from '../loan/loan-terms'
import { greatestWhole, leastWhole, rateWhereZero } from './bisect'

/** What is asked for, from what: the terms without the unknown, and the wanted figure. Amounts are minor units. */
export type Aim =
  | { readonly find: 'payment'; readonly terms: GivenTerms }
  | { readonly find: 'term'; readonly terms: GivenTerms & { readonly payment: number } }
  | { readonly find: 'amount'; readonly terms: Unknown<'principal'>; readonly payment: number }
  | {
      readonly find: 'price'
      readonly terms: Unknown<'principal'>
      readonly payment: number
      readonly down: DownPayment
    }
  | {
      readonly find: 'downPayment'
      readonly terms: Unknown<'principal'>
      readonly payment: number
      readonly price: number
    }
  | { readonly find: 'rate'; readonly terms: Unknown<'annualRate'>; readonly payment: number }
  | { readonly find: 'extra'; readonly terms: GivenTerms; readonly finishWithin: number }
  | { readonly find: 'balloon'; readonly terms: GivenTerms; readonly payment: number }

type Unknown<Name extends keyof GivenTerms> = Omit<GivenTerms, Name>
export type DownPayment = { readonly amount: number } | { readonly percent: string }

export interface AimAnswer {
  readonly ok: true
  /** The answer: minor units, a number of payments, or percent a year. */
  readonly value: number
  /** The same before rounding to what the ledger can keep, where there is a formula for it. */
  readonly exact: Decimal | undefined
  /** The ledger at the answer; none for a rate. */
  readonly ledger: Ledger | undefined
}

/** What stands beside the terms, by what is asked for. */
const given = {
  payment: '',
  term: '',
  amount: 'payment',
  price: 'payment down',
  downPayment: 'payment price',
  rate: 'payment',
  extra: 'finishWithin',
  balloon: 'payment',
} as const satisfies Record<Aim['find'], string>

/**
 * Works backwards from a wanted figure. The answer is exact on the ledger, verified there and one step beside it: the
 * greatest amount or price that keeps the payment, the least down payment, extra or balloon that reaches it. Where
 * none exists: `NO_ANSWER` with a `reason` and the possible range (`least`, `most`).
 */
export function aim(asked: Aim): AimAnswer | Refusal {
  if (!isObject(asked) || !isOneOf(asked.find, given)) return refuse('OPTION_UNKNOWN', 'find')
  const unknown = unknownName(asked, `find terms ${given[asked.find]}`)
  if (unknown) return unknown
  if (!isObject(asked.terms)) return refuse('OPTION_UNKNOWN', 'terms')
  switch (asked.find) {
    case 'payment':
      return withLedger(asked.terms, (ledger) => ledger.payment)
    case 'term':
      return withLedger(asked.terms, (ledger) => ledger.count)
    case 'amount':
      return findAmount(asked.terms, asked.payment)
    case 'price':
      return findPrice(asked.terms, asked.payment, asked.down)
    case 'downPayment':
      return findDownPayment(asked.terms, asked.payment, asked.price)
    case 'rate':
      return findRate(asked.terms, asked.payment)
    case 'extra':
      return findExtra(asked.terms, asked.finishWithin)
    case 'balloon':
      return findBalloon(asked.terms, asked.payment)
  }
}

function withLedger(terms: GivenTerms, valueOf: (ledger: Ledger) => number): AimAnswer | Refusal {
  const ledger = amortize(terms)
  return ledger.ok ? { ok: true, value: valueOf(ledger), exact: undefined, ledger } : ledger
}

/** Terms checked with some amount in place of the unknown one, for a loan of level payments. */
function levelTerms(
  terms: Unknown<'principal'>,
  payment: number,
): Checked<CheckedTerms & { readonly payments: number }> {
  const wanted = readAmount(payment, 'payment')
  if (!wanted.ok) return wanted
  const checked = checkTerms({ ...terms, principal: LARGEST_AMOUNT })
  if (!checked.ok) return checked
  const { payments } = checked.value
  if (payments === undefined || terms.payment !== undefined) return refuse('TERM_NEEDED', 'term')
  if ('monthlyPaymentOver' in factsOf(checked.value.frequency))
    return refuse('TERMS_DO_NOT_MIX', 'frequency', { with: 'payment' })
  return accept({ ...checked.value, payments })
}

function findAmount(terms: Unknown<'principal'>, payment: number): AimAnswer | Refusal {
  const checked = levelTerms(terms, payment)
  if (!checked.ok) return checked
  if (isMoreThanLevel(terms)) return findAmountOnLedger(terms, payment)
  const { annualRate, payments, balloon, due, paymentRounding } = checked.value
  const rate = nominalRate(annualRate, checked.value)
  const exact = presentValueOf(payment, { rate, payments, balloon, due })
  const keeps = (principal: number) =>
    (levelPaymentRounded({ principal, rate, payments, balloon, due }, paymentRounding) ?? 0) <= payment
  const near = Math.min(LARGEST_AMOUNT, Math.max(1, floorOf(exact).toNumber()))
  const slack = 2 * payments + 2
  const value = greatestWhole(Math.max(1, near - slack), Math.min(LARGEST_AMOUNT, near + slack), keeps)
  if (value === undefined) return refuse('NO_ANSWER', 'payment', { reason: 'TOO_SMALL', least: 1 })
  return answered(value, exact, amortize({ ...terms, principal: value }))
}

/** Whether the payment depends on more than a level loan on the amount: then only the ledger knows it. */
const isMoreThanLevel = ({ grace, insurance, fees, paymentBasis }: Partial<GivenTerms>): boolean =>
  grace !== undefined ||
  insurance?.addedPercent !== undefined ||
  Boolean(fees?.financed) ||
  paymentBasis === 'exactDays'

/** The greatest amount by trying ledgers over the whole range; a payment only rises with the amount. */
function findAmountOnLedger(terms: Unknown<'principal'>, payment: number): AimAnswer | Refusal {
  const run = (principal: number) => amortize({ ...terms, principal })
  const largest = run(MOST_TO_TRY)
  if (!largest.ok) return largest
  const keeps = (principal: number) => {
    const ledger = run(principal)
    return ledger.ok && ledger.payment <= payment
  }
  const value = greatestWhole(1, MOST_TO_TRY, keeps)
  if (value === undefined) return refuse('NO_ANSWER', 'payment', { reason: 'TOO_SMALL', least: 1 })
  return answered(value, undefined, run(value))
}

/** Up to this amount a ledger with fees and premiums stays within what can be kept exactly. */
const MOST_TO_TRY = 1e12

const answered = (
  value: number,
  exact: Decimal | undefined,
  ledger: Ledger | Refusal,
): AimAnswer | Refusal => (ledger.ok ? { ok: true, value, exact, ledger } : ledger)

function findPrice(terms: Unknown<'principal'>, payment: number, down: DownPayment): AimAnswer | Refusal {
  const amount = findAmount(terms, payment)
  if (!amount.ok) return amount
  // Without a formula the amount the ledger found is all there is to go by.
  const exactAmount = amount.exact ?? new Decimal(amount.value)
  const unknown = unknownDown(down)
  if (unknown) return unknown
  if ('amount' in down) {
    const paid = readAmount(down.amount, 'down.amount', 'zero allowed')
    if (!paid.ok) return paid
    return { ...amount, value: amount.value + paid.value, exact: exactAmount.plus(paid.value) }
  }
  const percent = readRate(down.percent, 'down.percent')
  if (!percent.ok) return percent
  if (percent.value.greaterThanOrEqualTo(100))
    return refuse('OUT_OF_RANGE', 'down.percent', { least: 0, most: 100 })
  const financed = new Decimal(100).minus(percent.value).div(100)
  const loanOf = (price: number) => price - roundDecimal(percent.value.times(price).div(100))
  const exact = exactAmount.div(financed)
  if (exact.greaterThan(LARGEST_AMOUNT))
    return refuse('AMOUNT_TOO_LARGE', 'payment', { largest: LARGEST_AMOUNT })
  const near = floorOf(exact).toNumber()
  const slack =
    Math.ceil(Math.abs(exact.toNumber()) * 1e-6) +
    100 * (2 + Math.ceil(1 / financed.toNumber())) +
    amountSlack(amount)
  const value = greatestWhole(
    Math.max(1, near - slack),
    near + slack,
    (price) => loanOf(price) <= amount.value,
  )
  return value === undefined
    ? refuse('NO_ANSWER', 'payment', { reason: 'TOO_SMALL' })
    : { ...amount, value, exact }
}

const amountSlack = ({ ledger }: AimAnswer) => 4 * (ledger?.count ?? 0)

function findDownPayment(terms: Unknown<'principal'>, payment: number, price: number): AimAnswer | Refusal {
  const whole = readAmount(price, 'price')
  if (!whole.ok) return whole
  const amount = findAmount(terms, payment)
  if (!amount.ok) return amount
  if (amount.value >= whole.value)
    return answered(0, new Decimal(0), amortize({ ...terms, principal: whole.value }))
  return {
    ...amount,
    value: whole.value - amount.value,
    exact: amount.exact && new Decimal(whole.value).minus(amount.exact),
  }
}

function findRate(terms: Unknown<'annualRate'>, payment: number): AimAnswer | Refusal {
  if (isMoreThanLevel(terms))
    return refuse('TERMS_DO_NOT_MIX', 'find', { with: 'grace, added insurance, fees, exactDays' })
  const checked = levelTerms({ ...terms, annualRate: '0' }, payment)
  if (!checked.ok) return checked
  const principal = readAmount(terms.principal, 'principal')
  if (!principal.ok) return principal
  const { payments, balloon, due, frequency, compounding } = checked.value
  const excess = (r: number) => {
    const exponent = -payments * Math.log1p(r)
    const annuity = r === 0 ? payments : -Math.expm1(exponent) / r
    return payment * annuity * (due === 'start' ? 1 + r : 1) + balloon * Math.exp(exponent) - principal.value
  }
  const rate = rateWhereZero(excess)
  if (rate === undefined) {
    const least = Math.ceil((principal.value - balloon) / payments)
    return refuse('NO_ANSWER', 'payment', { reason: 'REPAYS_TOO_LITTLE', least })
  }
  if (rate === Infinity)
    return refuse('NO_ANSWER', 'payment', { reason: 'REPAID_AT_ONCE', most: principal.value - 1 })
  const { perYear } = factsOf(frequency)
  const timesAYear = compounding === 'perPayment' ? perYear : compounding
  const nominal = 100 * timesAYear * Math.expm1((perYear / timesAYear) * Math.log1p(rate))
  return { ok: true, value: nominal, exact: undefined, ledger: undefined }
}

/** The least extra with every payment that ends the loan in time, no payment above the regular one with its extra. */
function findExtra(terms: GivenTerms, finishWithin: number): AimAnswer | Refusal {
  if (!Number.isInteger(finishWithin)) return refuse('NOT_A_NUMBER', 'finishWithin')
  if (finishWithin < 1) return refuse('TERM_NOT_POSITIVE', 'finishWithin')
  const agreed = amortize(terms)
  if (!agreed.ok) return agreed
  if (agreed.count <= finishWithin) return { ok: true, value: 0, exact: undefined, ledger: agreed }
  const run = (extra: number): Ledger | undefined => {
    const ledger = amortize({
      ...terms,
      extras: [...(terms.extras ?? []), { amount: extra, every: 'payment' }],
    })
    return ledger.ok ? ledger : undefined
  }
  const inTime = (extra: number) => {
    const ledger = run(extra)
    return (
      ledger !== undefined && ledger.count <= finishWithin && ledger.lastPayment <= ledger.payment + extra
    )
  }
  const value = leastWhole(1, Math.min(LARGEST_AMOUNT, agreed.borrowed * 2), inTime)
  const ledger = value === undefined ? undefined : run(value)
  if (value === undefined || !ledger)
    return refuse('NO_ANSWER', 'finishWithin', { reason: 'TOO_SOON', least: 1 })
  return { ok: true, value, exact: undefined, ledger }
}

/** The least balloon that brings the level payment down to the wanted one. */
function findBalloon(terms: GivenTerms, payment: number): AimAnswer | Refusal {
  const wanted = readAmount(payment, 'payment')
  if (!wanted.ok) return wanted
  const checked = levelTerms({ ...terms, balloon: 0 }, payment)
  if (!checked.ok) return checked
  const principal = readAmount(terms.principal, 'principal')
  if (!principal.ok) return principal
  const { annualRate, payments, due, paymentRounding } = checked.value
  if (isMoreThanLevel(terms))
    return refuse('TERMS_DO_NOT_MIX', 'find', { with: 'grace, added insurance, fees, exactDays' })
  const rate = nominalRate(annualRate, checked.value)
  const paymentWith = (balloon: number): number =>
    levelPaymentRounded({ principal: principal.value, rate, payments, balloon, due }, paymentRounding) ?? 0
  const value = leastWhole(0, principal.value - 1, (balloon) => paymentWith(balloon) <= payment)
  if (value === undefined) {
    return refuse('NO_ANSWER', 'payment', { reason: 'TOO_SMALL', least: paymentWith(principal.value - 1) })
  }
  return answered(value, undefined, amortize({ ...terms, balloon: value }))
}
