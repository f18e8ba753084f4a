import { minor, ZERO, type Minor } from '../money/minor'
import { roundFraction } from '../money/fraction'
import { factsOf } from '../rates/frequency'
import type { Decimal } from '../money/decimal'
import type { Checked, Refusal } from '../refusal'
import { accept, refuse } from '../refusal'
import {
  checkTerms,
  MOST_PAYMENTS,
  type CheckedGrace,
  type CheckedRateChange,
  type CheckedTerms,
} from './check-terms'
import { plannedAt } from './extras'
import { interestOf } from './interest'
import { Ledger, type MoneyColumns } from './ledger'
import { levelPayment } from './level-payment'
import { nominalRate, ratesOf, type RateOfPeriod } from './period-rates'
import { addedPremium, createPremiums } from './premiums'
import { regularPayment, untilRepaid, type Regular } from './regular-payment'
import type { LoanTerms } from './terms'

/**
 * The full schedule of a loan, to the minor unit, as a lender's ledger keeps it: each period's interest is
 * rounded, the last payment of the term closes the balance (at zero, or at the balloon), no payment is more
 * than is due. With a given payment, or an accelerated frequency, payments go on until nothing is owed and
 * only the last one is smaller. An extra is paid with a payment, after it, and is at most what is then owed.
 *
 * Refuses terms outside their ranges, terms that mean nothing together (`TERMS_DO_NOT_MIX`), and a payment that
 * never repays (`PAYMENT_TOO_SMALL`, with `least`, and `atPayment` after a change of rate).
 * @example amortize({ principal: 250_000_00, annualRate: '4.64', frequency: 'monthly', term: { years: 25 } })
 */
export function amortize(terms: LoanTerms): Ledger | Refusal {
  const checked = checkTerms(terms)
  return checked.ok ? runLedger(checked.value) : checked
}

/** What the ledger is doing as it goes from payment to payment. */
interface Course {
  balance: Minor
  annualRate: Decimal
  rateOf: RateOfPeriod
  regular: Regular
}

function runLedger(terms: CheckedTerms): Ledger | Refusal {
  const { due, balloon, interestRounding, frequency, grace, rateChanges, extras, alreadyPaid, fees } = terms
  const { perYear } = factsOf(frequency)
  const borrowed = minor(terms.principal + fees.financed + addedPremium(terms))
  const accrued = accruedInGrace(borrowed, grace, terms)
  const graceRows = grace && !grace.interest.startsWith('added') ? grace.payments : 0
  const start = minor(borrowed + accrued)
  const first =
    graceRows > 0 ? accept({ payment: ZERO, lastNumber: undefined }) : regularPayment(terms, start, 0)
  if (!first.ok) return first

  const course: Course = {
    balance: start,
    annualRate: terms.annualRate,
    rateOf: ratesOf(terms.annualRate, terms),
    regular: first.value,
  }
  const premiums = createPremiums(terms, borrowed)
  let columns = emptyColumns(first.value.lastNumber ?? 512)
  let number = 0
  let row = 0
  let nextChange = 0
  let extraThisYear = 0
  let regular: Minor | undefined = graceRows > 0 ? undefined : first.value.payment
  const hasExtras = extras.length > 0
  const extraAtStart = alreadyPaid === 0 ? lumpToday() : ZERO
  let { balance } = course

  while (number !== course.regular.lastNumber && (balance > 0 || number < graceRows)) {
    if (course.regular.lastNumber === undefined && number >= graceRows && balance <= balloon) break
    if (number === MOST_PAYMENTS) return refuse('TERM_TOO_LONG', 'payment', { longest: MOST_PAYMENTS })
    number++
    course.balance = balance
    if (number === graceRows + 1 && graceRows > 0) {
      const next = regularPayment({ ...terms, annualRate: course.annualRate }, balance, graceRows)
      if (!next.ok) return next
      course.regular = next.value
      regular = next.value.payment
    }
    const change = rateChanges[nextChange]
    if (change?.fromPayment === number) {
      nextChange++
      const changed = changeRate(course, change, terms)
      if (!changed.ok) return changed
    }
    if (row === columns.opening.length) columns = resized(columns, row * 2)

    const isLast = number === course.regular.lastNumber
    const inGrace = number <= graceRows
    const bearsInterest = !(due === 'start' && number === 1) && !(inGrace && grace?.interest === 'none')
    const interest = bearsInterest ? interestOf(balance, course.rateOf(number), interestRounding) : 0
    const owed = balance + interest - (isLast || course.regular.lastNumber === undefined ? balloon : 0)
    const scheduled = isLast
      ? owed
      : Math.min(inGrace ? graceDue(interest, grace) : course.regular.payment, owed)
    const left = balance + interest - scheduled
    if (number > 1 && (number - 1) % perYear === 0) extraThisYear = 0
    const extra = hasExtras && !isLast && number > alreadyPaid ? extraWith(left) : 0
    extraThisYear += extra

    columns.opening[row] = balance
    columns.payment[row] = scheduled + extra
    columns.interest[row] = interest
    columns.principal[row] = scheduled + extra - interest
    columns.extra[row] = extra
    balance = minor(left - extra)
    columns.closing[row] = balance
    columns.insurance[row] = premiums.premiumOf(number, columns.opening[row] ?? 0, balance)
    row++
    if (extra > 0 && terms.onExtra === 'lower' && !inGrace) lower(number)
    if (number === alreadyPaid) {
      if (balance <= balloon) return refuse('OUT_OF_RANGE', 'alreadyPaid', { least: 0, most: number - 1 })
      regular = course.regular.payment
      row = 0
    }
  }
  if (number <= alreadyPaid && alreadyPaid > 0)
    return refuse('OUT_OF_RANGE', 'alreadyPaid', { least: 0, most: Math.max(0, number - 1) })
  return new Ledger({
    payment: regular ?? course.regular.payment,
    borrowed,
    frequency,
    firstPayment: terms.firstPayment,
    anchorDay: terms.anchorDay,
    firstNumber: alreadyPaid + 1,
    count: row,
    columns: row === columns.opening.length ? columns : resized(columns, row),
    accruedInterest: accrued,
    extraAtStart,
    fees: minor(fees.financed + fees.eachPayment * row),
  })

  /** The extra planned with this payment, within the yearly limit and what is still owed. */
  function extraWith(left: number): number {
    const planned = plannedAt(extras, number, perYear)
    if (planned === 0) return 0
    return Math.max(0, Math.min(planned, left - balloon, terms.yearlyExtraLimit - extraThisYear))
  }

  /** A lump sum before the first payment. */
  function lumpToday(): Minor {
    const lump = minor(Math.min(plannedAt(extras, 0, perYear), start - balloon, terms.yearlyExtraLimit))
    if (lump <= 0) return ZERO
    course.balance = minor(start - lump)
    extraThisYear = lump
    if (terms.onExtra === 'lower') lower(0, course.balance)
    regular = course.regular.payment
    return lump
  }

  /** After an extra the payments left are level on what is owed. */
  function lower(after: number, owed: Minor = balance): void {
    const { lastNumber } = course.regular
    if (lastNumber === undefined || after >= lastNumber || owed <= 0) return
    const atStart = after === 0 ? due : 'end'
    course.regular = {
      payment: levelOn(course.annualRate, owed, lastNumber - after, terms, atStart),
      lastNumber,
    }
  }
}

const graceDue = (interest: number, grace: CheckedGrace | undefined) =>
  grace?.interest === 'none' ? grace.payment : interest

const levelOn = (
  annualRate: Decimal,
  principal: Minor,
  payments: number,
  terms: CheckedTerms,
  due: 'end' | 'start' = 'end',
) =>
  levelPayment(
    { principal, rate: nominalRate(annualRate, terms), payments, balloon: terms.balloon, due },
    terms.paymentRounding,
  )

/** From a payment on another rate holds: the payments left become level again, or the payment stays and the end opens. */
function changeRate(
  course: Course,
  { fromPayment, annualRate, keep }: CheckedRateChange,
  terms: CheckedTerms,
): Checked<true> {
  course.annualRate = annualRate
  course.rateOf = ratesOf(annualRate, terms)
  const { lastNumber, payment } = course.regular
  if (keep === 'term' && lastNumber === undefined)
    return refuse('TERM_NEEDED', 'rateChanges', { atPayment: fromPayment })
  if (keep === 'term' && lastNumber !== undefined) {
    const left = lastNumber - fromPayment + 1
    course.regular = { payment: levelOn(annualRate, course.balance, left, terms), lastNumber }
    return accept(true)
  }
  const opened = untilRepaid(terms, annualRate, course.balance, payment, undefined, fromPayment)
  if (!opened.ok) return opened
  course.regular = opened.value
  return accept(true)
}

/** Interest of a grace time in which nothing is paid, added to the balance at its end. */
function accruedInGrace(principal: Minor, grace: CheckedGrace | undefined, terms: CheckedTerms): Minor {
  if (!grace || grace.payments === 0) return ZERO
  const { interestRounding } = terms
  const rate = nominalRate(terms.annualRate, terms)
  if (grace.interest === 'addedCompound') {
    let balance: number = principal
    for (let k = 0; k < grace.payments; k++) balance += interestOf(balance, rate, interestRounding)
    return minor(balance - principal)
  }
  if (grace.interest !== 'addedSimple') return ZERO
  if (grace.rounding === 'eachPeriod')
    return minor(interestOf(principal, rate, interestRounding) * grace.payments)
  const { numerator, denominator } = rate.exact
  return roundFraction(
    { numerator: numerator * BigInt(principal) * BigInt(grace.payments), denominator },
    interestRounding,
  )
}

const emptyColumns = (length: number): MoneyColumns => ({
  opening: new Float64Array(length),
  payment: new Float64Array(length),
  interest: new Float64Array(length),
  principal: new Float64Array(length),
  extra: new Float64Array(length),
  insurance: new Float64Array(length),
  closing: new Float64Array(length),
})

function resized(columns: MoneyColumns, length: number): MoneyColumns {
  const next = emptyColumns(length)
  for (const name of Object.keys(columns) as (keyof MoneyColumns)[])
    next[name].set(columns[name].subarray(0, length))
  return next
}
