import { LARGEST_BALANCE, minor, type Minor } from '../money/minor'
import { factsOf } from '../rates/frequency'
import type { Checked, Refusal } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { checkTerms, LATEST_YEAR, yearOutOfRange, type CheckedTerms } from './check-terms'
import { dueDate } from './due-dates'
import { plannedAt } from './extras'
import { bearsInterest, floorsOf } from './floors'
import { accruedInGrace, graceDue, rowsOfGrace } from './grace'
import { interestOf } from './interest'
import { Ledger } from './ledger'
import { emptyColumns, resized } from './ledger-columns'
import { nominalRate, ratesOf } from './period-rates'
import { addedPremium, createPremiums, NO_PREMIUMS } from './premiums'
import {
  afterRateChange,
  IN_GRACE,
  lowered,
  regularPayment,
  settlementRows,
  type Regular,
} from './regular-payment'
import { MOST_PAYMENTS, type GivenTerms } from './loan-terms'
import { spend } from '../guards/work'

/**
 * The full schedule of a loan, to the minor unit, as a lender's ledger keeps it: each period's interest is
 * rounded, the last payment of the term closes the balance (at zero, or at the balloon), no payment is more
 * than is due or less than nothing, and a balloon stays owed to the end. With a given payment, or an accelerated
 * frequency, payments go on until no more than the balloon is owed and only the last one is smaller. An extra is paid
 * with a payment, after it, and is at most what is then owed above the balloon.
 *
 * Refuses terms outside their ranges, terms that mean nothing together (`TERMS_DO_NOT_MIX`, with the other one), what is
 * planned for a time that lies behind (`LIES_BEHIND`), and a payment that never repays (`PAYMENT_TOO_SMALL`, with
 * `least`, and `atPayment` after a change of rate).
 * @example amortize({ principal: 250_000_00, annualRate: '4.64', frequency: 'monthly', term: { years: 25 } })
 */
export function amortize(terms: GivenTerms): Ledger | Refusal {
  spend(60)
  const checked = checkTerms(terms)
  return checked.ok ? runLedger(checked.value) : checked
}

function runLedger(terms: CheckedTerms): Ledger | Refusal {
  const { balloon, interestRounding, frequency, grace, rateChanges, extras, alreadyPaid, fees } = terms
  const { perYear } = factsOf(frequency)
  const borrowed = minor(terms.principal + fees.financed + addedPremium(terms))
  const graceRows = rowsOfGrace(grace)
  const accrued = accruedOn(borrowed, terms)
  if (!accrued.ok) return accrued
  const agreedStart = minor(borrowed + accrued.value)
  const agreed = graceRows > 0 ? accept(IN_GRACE) : regularPayment(terms, agreedStart, 0)
  if (!agreed.ok) return agreed

  // Plain local numbers, and no function that closes over them: this loop runs for every keystroke of a visitor.
  let annualRate = terms.annualRate
  let rateOf = ratesOf(annualRate, terms)
  let regular: Regular = agreed.value
  let firstRegular = regular.payment
  let agreedEnd = regular.lastNumber
  const agreedFloors = floorsOf(
    terms,
    agreedStart,
    graceRows > 0 ? graceEnd(terms, graceRows) : regular.lastNumber,
  )
  let floors = agreedFloors
  const settles = settlementRows(terms)
  const premiums = createPremiums(terms, borrowed)
  const hasPremiums = premiums !== NO_PREMIUMS
  const hasExtras = extras.length > 0
  let columns = emptyColumns(regular.lastNumber ?? 512)
  let {
    opening,
    payment,
    interest: interestColumn,
    principal,
    extra: extraColumn,
    insurance,
    closing,
  } = columns
  let balance: number = agreedStart
  let accruedInterest = accrued.value
  let number = 0
  let nextChange = 0
  let unpaidInGrace = 0
  let extraThisYear = 0
  let extraAtStart = 0
  let cutByLimit = 0
  let paidInAll = 0

  for (;;) {
    if (number === alreadyPaid && hasExtras) {
      // Today: a lump sum before the next payment; it counts to the year of that payment.
      const planned = plannedAt(extras, 0, perYear)
      const owed = (number === 0 ? borrowed : balance) - (floors?.[number] ?? balloon)
      extraAtStart = cappedExtra(planned, owed, terms.yearlyExtraLimit)
      cutByLimit += Math.max(0, Math.min(planned, owed)) - extraAtStart
      extraThisYear = extraAtStart
      paidInAll += extraAtStart
      balance -= extraAtStart
      if (number === 0 && accruedInterest > 0) {
        const onRest = accruedOn(minor(borrowed - extraAtStart), terms)
        if (!onRest.ok) return onRest
        accruedInterest = onRest.value
        balance = borrowed - extraAtStart + accruedInterest
      }
      if (extraAtStart > 0 && terms.onExtra === 'lower') {
        const next = lowered(regular, terms, annualRate, number, balance)
        if (!next.ok) return next
        regular = next.value
        firstRegular = regular.payment
      }
    }
    if (number === regular.lastNumber || balance <= 0) break
    if (number === MOST_PAYMENTS) return refuse('TERM_TOO_LONG', 'payment', { longest: MOST_PAYMENTS })
    number++
    spend(1)
    if (graceRows > 0 && number === graceRows + 1) {
      unpaidInGrace = 0
      const next = regularPayment({ ...terms, annualRate }, minor(balance), graceRows)
      if (!next.ok) return next
      regular = next.value
      agreedEnd = regular.lastNumber
    }
    const inGrace = number <= graceRows
    const change = rateChanges[nextChange]
    if (change !== undefined && change.fromPayment === number) {
      nextChange++
      annualRate = change.annualRate
      rateOf = ratesOf(annualRate, terms)
      if (!inGrace) {
        const changed = afterRateChange(regular, change, agreedEnd, minor(balance), terms)
        if (!changed.ok) return changed
        regular = changed.value
        floors = regular.lastNumber === undefined ? undefined : agreedFloors
      }
    }
    if (number === alreadyPaid + 1 || number === graceRows + 1) firstRegular = regular.payment
    const isLast = number === regular.lastNumber
    const isOpen = regular.lastNumber === undefined && !inGrace
    if (isOpen && balance <= balloon) {
      number--
      break
    }
    const row = number - 1
    if (row === opening.length) {
      columns = resized(columns, row * 2)
      ;({
        opening,
        payment,
        interest: interestColumn,
        principal,
        extra: extraColumn,
        insurance,
        closing,
      } = columns)
    }

    const interest = bearsInterest(terms, number)
      ? interestOf(balance - unpaidInGrace, rateOf(number), interestRounding)
      : 0
    const owed = balance + interest
    if (owed > LARGEST_BALANCE) return refuse('AMOUNT_TOO_LARGE', 'principal', { largest: LARGEST_BALANCE })
    const floor = floors?.[number] ?? balloon
    const due = Math.max(0, owed - floor)
    const asked = inGrace ? graceDue(interest, grace) : regular.payment
    const closes = isLast || (settles > 0 && number + settles === regular.lastNumber)
    const scheduled = closes || due < asked ? due : asked
    const left = owed - scheduled
    if (number > alreadyPaid + 1 && (number - 1) % perYear === 0) extraThisYear = 0
    let extra = 0
    if (hasExtras && !closes && number > alreadyPaid) {
      const planned = plannedAt(extras, number, perYear)
      extra = cappedExtra(planned, left - floor, terms.yearlyExtraLimit - extraThisYear)
      cutByLimit += Math.max(0, Math.min(planned, left - floor)) - extra
      extraThisYear += extra
    }
    const paid = scheduled + extra
    if (inGrace && grace?.interest === 'addedSimple')
      unpaidInGrace = Math.max(0, unpaidInGrace + interest - paid)

    paidInAll += paid
    opening[row] = balance
    payment[row] = paid
    interestColumn[row] = interest
    principal[row] = paid - interest
    extraColumn[row] = extra
    const before = balance
    balance = left - extra
    closing[row] = balance
    if (hasPremiums) insurance[row] = premiums.premiumOf(number, before, balance)
    if (extra > 0 && terms.onExtra === 'lower' && !inGrace) {
      const next = lowered(regular, terms, annualRate, number, balance)
      if (!next.ok) return next
      regular = next.value
    }
  }
  if (number < alreadyPaid || (number === alreadyPaid && number > 0 && extraAtStart === 0)) {
    return refuse('OUT_OF_RANGE', 'alreadyPaid', { least: 0, most: Math.max(0, number - 1) })
  }
  if (paidInAll > LARGEST_BALANCE)
    return refuse('AMOUNT_TOO_LARGE', 'principal', { largest: LARGEST_BALANCE })
  const { firstPayment, anchorDay } = terms
  if (firstPayment && dueDate(firstPayment, frequency, number, anchorDay).year > LATEST_YEAR)
    return yearOutOfRange()
  return new Ledger({
    payment: firstRegular,
    governedBy: terms.payment === undefined || terms.settleAtTerm ? 'term' : 'payment',
    borrowed,
    principal: terms.principal,
    frequency,
    firstPayment,
    anchorDay,
    paymentsMade: alreadyPaid,
    lastNumber: number,
    graceRows,
    periodsBefore: graceRows === 0 && grace ? grace.payments : 0,
    due: terms.due,
    columns,
    balanceToday: minor(
      alreadyPaid === 0
        ? borrowed - extraAtStart + accruedInterest
        : (closing[alreadyPaid - 1] ?? 0) - extraAtStart,
    ),
    accruedInterest,
    extraAtStart: minor(extraAtStart),
    extrasCutByLimit: minor(cutByLimit),
    fees: { atStart: fees.financed, eachPayment: fees.eachPayment },
  })
}

const accruedOn = (principal: Minor, terms: CheckedTerms): Checked<Minor> =>
  accruedInGrace(principal, terms.grace, nominalRate(terms.annualRate, terms), terms.interestRounding)

/** The row that closes a loan with a term once its grace time is over. */
function graceEnd(terms: CheckedTerms, graceRows: number): number | undefined {
  const { payments, payment, settleAtTerm, frequency } = terms
  const isOpen = payment === undefined ? factsOf(frequency).monthlyPaymentOver !== undefined : !settleAtTerm
  return isOpen || payments === undefined ? undefined : graceRows + payments + settlementRows(terms)
}

/** What of a planned extra is paid: at most what is owed and what the year's limit leaves. */
const cappedExtra = (planned: number, owed: number, limitLeft: number): number =>
  planned === 0 ? 0 : Math.max(0, Math.min(planned, owed, limitLeft))
