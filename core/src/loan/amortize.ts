import { LARGEST_BALANCE, minor, ZERO, type Minor } from '../money/minor'
import { factsOf } from '../rates/frequency'
import type { Decimal } from '../money/decimal'
import type { Checked, Refusal } from '../refusal'
import { accept, refuse } from '../refusal'
import { checkTerms, type CheckedTerms } from './check-terms'
import { plannedAt } from './extras'
import { accruedInGrace, graceDue, rowsOfGrace } from './grace'
import { interestOf } from './interest'
import { Ledger, type MoneyColumns } from './ledger'
import { levelPayment } from './level-payment'
import { nominalRate, ratesOf } from './period-rates'
import { addedPremium, createPremiums, NO_PREMIUMS } from './premiums'
import { regularPayment, untilRepaid, type Regular } from './regular-payment'
import type { CheckedRateChange } from './rate-changes'
import { MOST_PAYMENTS, type LoanTerms } from './terms'

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

function runLedger(terms: CheckedTerms): Ledger | Refusal {
  const { due, balloon, interestRounding, frequency, grace, rateChanges, extras, alreadyPaid, fees } = terms
  const { perYear } = factsOf(frequency)
  const borrowed = minor(terms.principal + fees.financed + addedPremium(terms))
  const accrued = accruedInGrace(borrowed, grace, nominalRate(terms.annualRate, terms), interestRounding)
  const graceRows = rowsOfGrace(grace)
  if (!accrued.ok) return accrued
  const start = minor(borrowed + accrued.value)
  const agreed = graceRows > 0 ? accept(IN_GRACE) : regularPayment(terms, start, 0)
  if (!agreed.ok) return agreed
  const extraAtStart = alreadyPaid === 0 ? lumpToday(terms, start) : ZERO

  // Plain local numbers, and no function that closes over them: this loop runs for every keystroke of a visitor.
  let annualRate = terms.annualRate
  let rateOf = ratesOf(annualRate, terms)
  let regular: Regular =
    extraAtStart > 0 ? lowered(agreed.value, terms, annualRate, 0, start - extraAtStart) : agreed.value
  let firstRegular = regular.payment
  let agreedEnd = regular.lastNumber
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
  let balance: number = start - extraAtStart
  let number = 0
  let row = 0
  let nextChange = 0
  let extraThisYear: number = extraAtStart
  let paidInAll = 0

  while (number !== regular.lastNumber && balance > 0) {
    if (number === MOST_PAYMENTS) return refuse('TERM_TOO_LONG', 'payment', { longest: MOST_PAYMENTS })
    number++
    if (graceRows > 0 && number === graceRows + 1) {
      const next = regularPayment({ ...terms, annualRate }, minor(balance), graceRows)
      if (!next.ok) return next
      regular = next.value
      firstRegular = regular.payment
      agreedEnd = regular.lastNumber
    }
    const change = rateChanges[nextChange]
    if (change !== undefined && change.fromPayment === number) {
      nextChange++
      annualRate = change.annualRate
      rateOf = ratesOf(annualRate, terms)
      const changed = afterRateChange(regular, change, agreedEnd, minor(balance), terms)
      if (!changed.ok) return changed
      regular = changed.value
    }
    const inGrace = number <= graceRows
    const isLast = number === regular.lastNumber
    const isOpen = regular.lastNumber === undefined && !inGrace
    if (isOpen && balance <= balloon) {
      number--
      break
    }
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

    const bearsInterest = !(due === 'start' && number === 1) && !(inGrace && grace?.interest === 'none')
    const interest = bearsInterest ? interestOf(balance, rateOf(number), interestRounding) : 0
    const owed = balance + interest - (isLast || isOpen ? balloon : 0)
    const asked = inGrace ? graceDue(interest, grace) : regular.payment
    const scheduled = isLast || owed < asked ? owed : asked
    const left = balance + interest - scheduled
    if (number > 1 && (number - 1) % perYear === 0) extraThisYear = 0
    const extra =
      hasExtras && !isLast && number > alreadyPaid
        ? cappedExtra(
            plannedAt(extras, number, perYear),
            left - balloon,
            terms.yearlyExtraLimit - extraThisYear,
          )
        : 0
    extraThisYear += extra

    paidInAll += scheduled + extra
    opening[row] = balance
    payment[row] = scheduled + extra
    interestColumn[row] = interest
    principal[row] = scheduled + extra - interest
    extraColumn[row] = extra
    const before = balance
    balance = left - extra
    closing[row] = balance
    if (hasPremiums) insurance[row] = premiums.premiumOf(number, before, balance)
    row++
    if (extra > 0 && terms.onExtra === 'lower' && !inGrace)
      regular = lowered(regular, terms, annualRate, number, balance)
    if (number === alreadyPaid) {
      firstRegular = regular.payment
      row = 0
    }
  }
  if (alreadyPaid > 0 && (number <= alreadyPaid || row === 0)) {
    return refuse('OUT_OF_RANGE', 'alreadyPaid', { least: 0, most: Math.max(0, number - 1) })
  }
  if (paidInAll > LARGEST_BALANCE)
    return refuse('AMOUNT_TOO_LARGE', 'principal', { largest: LARGEST_BALANCE })
  return new Ledger({
    payment: firstRegular,
    governedBy: terms.payment === undefined || terms.settleAtTerm ? 'term' : 'payment',
    borrowed,
    frequency,
    firstPayment: terms.firstPayment,
    anchorDay: terms.anchorDay,
    firstNumber: alreadyPaid + 1,
    count: row,
    columns: row === opening.length ? columns : resized(columns, row),
    accruedInterest: alreadyPaid === 0 ? accrued.value : ZERO,
    extraAtStart,
    fees: minor((alreadyPaid === 0 ? fees.financed : 0) + fees.eachPayment * row),
  })
}

/** While a grace time lasts there is no regular payment. */
const IN_GRACE: Regular = { payment: ZERO, lastNumber: undefined }

/** What of a planned extra is paid: at most what is owed and what the year's limit leaves. */
const cappedExtra = (planned: number, owed: number, limitLeft: number): number =>
  planned === 0 ? 0 : Math.max(0, Math.min(planned, owed, limitLeft))

/** A lump sum before the first payment. */
const lumpToday = ({ extras, balloon, frequency, yearlyExtraLimit }: CheckedTerms, start: Minor): Minor =>
  minor(cappedExtra(plannedAt(extras, 0, factsOf(frequency).perYear), start - balloon, yearlyExtraLimit))

/** After an extra, with the end kept: the payments left are level on what is owed. */
function lowered(
  regular: Regular,
  terms: CheckedTerms,
  annualRate: Decimal,
  after: number,
  owed: number,
): Regular {
  const { lastNumber } = regular
  if (terms.onExtra !== 'lower' || lastNumber === undefined || after >= lastNumber || owed <= 0)
    return regular
  const due = after === 0 ? terms.due : 'end'
  return { payment: levelOn(annualRate, minor(owed), lastNumber - after, terms, due), lastNumber }
}

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

/**
 * From a payment on another rate holds: the payments left to the agreed end become level again, or the payment stays
 * and the end follows from it.
 */
function afterRateChange(
  { payment }: Regular,
  { fromPayment, annualRate, keep }: CheckedRateChange,
  agreedEnd: number | undefined,
  balance: Minor,
  terms: CheckedTerms,
): Checked<Regular> {
  if (keep === 'payment') return untilRepaid(terms, annualRate, balance, payment, undefined, fromPayment)
  if (agreedEnd === undefined || fromPayment > agreedEnd) {
    return refuse('TERM_NEEDED', 'rateChanges', { atPayment: fromPayment })
  }
  const left = agreedEnd - fromPayment + 1
  return accept({ payment: levelOn(annualRate, balance, left, terms), lastNumber: agreedEnd })
}

const columnNames = ['opening', 'payment', 'interest', 'principal', 'extra', 'insurance', 'closing'] as const

/** Columns of one length, side by side in one piece of memory. */
function emptyColumns(length: number): MoneyColumns {
  const memory = new ArrayBuffer(columnNames.length * length * 8)
  const column = (index: number) => new Float64Array(memory, index * length * 8, length)
  return {
    opening: column(0),
    payment: column(1),
    interest: column(2),
    principal: column(3),
    extra: column(4),
    insurance: column(5),
    closing: column(6),
  }
}

function resized(columns: MoneyColumns, length: number): MoneyColumns {
  const next = emptyColumns(length)
  for (const name of columnNames) next[name].set(columns[name].subarray(0, length))
  return next
}
