import { isoDate, type PlainDate } from '../../dates/plain-date'
import { Stopped } from '../../formula/computed'
import { initialRepaymentPayment } from '../../loan/closed-forms'
import { anchorDayOf, dueDate } from '../../loan/due-dates'
import type { Ledger } from '../../loan/ledger'
import type { Extra, Grace, LoanTerms, RateChange, When } from '../../loan/loan-terms'
import type { MinorDigits } from '../../money/currencies'
import { LARGEST_AMOUNT, minor, ZERO, type Minor } from '../../money/minor'
import { factsOf, type Frequency } from '../../rates/frequency'
import { refuse, type Refusal } from '../../guards/refusal'
import type { StepOf } from '../document/steps'
import { lengthOfMonths } from '../program/length-of-months'
import type { TermsReader } from './terms-reader'

/** A longer grace time is refused by the ledger; here it only keeps the calendar in bounds. */
const LONGEST_GRACE = 1200
const LONGEST_YEARS = 100

/** The ledger's terms of a loan step, from its worked-out terms. What nobody agreed on is left out. */
export function loanTermsOf(
  step: StepOf<'loan'>,
  terms: TermsReader,
  today: PlainDate,
  minorDigits: MinorDigits,
): LoanTerms {
  const { options } = step
  const frequency = (terms.text('terms.frequency') ?? 'monthly') as Frequency
  const principal = amountOf(terms, 'terms.principal', 'principal') ?? ZERO
  const annualRate = terms.percent('terms.annualRate') ?? '0'
  const months = terms.whole('terms.term')
  const payments = terms.whole('terms.payments')
  const payment = paymentOf(terms, principal, annualRate, frequency)
  const grace = periodsOf(terms, 'terms.gracePayments', frequency)
  const alreadyPaid = terms.whole('terms.alreadyPaid') ?? 0
  // More payments made than a loan can have are refused by the ledger; the calendar stays in bounds.
  const longest = LONGEST_YEARS * factsOf(frequency).perYear
  const givenFirst = terms.text('terms.firstPayment')
  // A time in which nothing is paid has no rows: the first payment comes after it.
  const graceInterest = graceInterestOf(step, terms)
  const isSilent = graceInterest.startsWith('added') && !terms.whole('terms.gracePayment')
  const silent = isSilent ? Math.min(grace ?? 0, LONGEST_GRACE) : 0
  const dates = givenFirst
    ? { firstPayment: givenFirst }
    : firstPaymentFrom(today, frequency, periodsAhead(Math.min(alreadyPaid, longest), silent, options.due))
  const fees = given({
    financed: amountOf(terms, 'terms.financedFees', 'fees.financed'),
    eachPayment: amountOf(terms, 'terms.feeEachPayment', 'fees.eachPayment'),
  })
  const insurance = given({
    addedPercent: terms.percent('terms.insuranceAdded'),
    yearlyPercent: terms.percent('terms.insuranceYearly'),
    base: options.insuranceBase,
    value: amountOf(terms, 'terms.insuranceValue', 'insurance.value'),
    untilLoanToValue: terms.percent('terms.insuranceUntil'),
  })
  const term =
    payments !== undefined ? { payments } : months !== undefined ? lengthOfMonths(months) : undefined
  return {
    principal,
    annualRate,
    frequency,
    minorDigits,
    ...dates,
    ...given({
      compounding: options.compounding,
      term,
      payment,
      due: options.due,
      balloon: amountOf(terms, 'terms.balloon', 'balloon'),
      rounding: given({ payment: options.paymentRounding, interest: options.interestRounding }),
      dayCount: options.dayCount,
      extras: extrasOf(step, terms, isoDate(today)),
      onExtra: options.onExtra,
      yearlyExtraLimit: amountOf(terms, 'terms.yearlyExtraLimit', 'yearlyExtraLimit'),
      grace: grace
        ? {
            payments: grace,
            interest: graceInterest,
            ...given({ payment: amountOf(terms, 'terms.gracePayment', 'grace.payment') }),
          }
        : undefined,
      rateChanges: rateChangesOf(step, terms),
      insurance:
        Object.keys(insurance).length > 0 && (insurance.addedPercent ?? insurance.yearlyPercent)
          ? insurance
          : undefined,
      fees: Object.keys(fees).length > 0 ? fees : undefined,
      alreadyPaid: alreadyPaid || undefined,
    }),
  }
}

/** Periods from today to the first payment, which lies behind where payments were made: the next is a period ahead. */
function periodsAhead(alreadyPaid: number, silent: number, due: 'end' | 'start' | undefined): number {
  if (alreadyPaid > 0) return 1 - alreadyPaid
  return silent + (due === 'start' ? 0 : 1)
}

/** The first payment so many periods from today; the day of the month is kept where a month is too short for it. */
export function firstPaymentFrom(
  today: PlainDate,
  frequency: Frequency,
  periods: number,
): Pick<LoanTerms, 'firstPayment' | 'anchorDay'> {
  const first = dueDate(today, frequency, periods + 1)
  return { firstPayment: isoDate(first), ...given({ anchorDay: anchorDayOf(today.day, first, frequency) }) }
}

/**
 * Refuses a loan whose payments made lie ahead of today (`LIES_AHEAD`): the number of them and the first payment's date
 * contradict each other.
 */
export function refusedToday(ledger: Ledger, today: PlainDate): Refusal | undefined {
  const made = ledger.firstNumber - 1
  const date = made === 0 ? undefined : ledger.dateOf(made)
  return date !== undefined && date > isoDate(today)
    ? refuse('LIES_AHEAD', 'alreadyPaid', { paymentsMade: made, date, with: 'firstPayment' })
    : undefined
}

/** The entries that are there: the ledger's terms know absent ones, not undefined ones. */
export function given<T extends object>(terms: T): { [K in keyof T]?: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(terms).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]?: Exclude<T[K], undefined>
  }
}

/** An amount; one beyond all that can be kept exactly is refused as the ledger would, by what it calls the field. */
function amountOf(terms: TermsReader, path: string, field: string): Minor | undefined {
  const amount = terms.whole(path)
  if (amount === undefined) return undefined
  if (Number.isSafeInteger(amount)) return minor(amount)
  const refusal = refuse('AMOUNT_TOO_LARGE', field, { largest: LARGEST_AMOUNT })
  throw new Stopped({ code: 'REFUSED', refusal })
}

/** A given payment, or the one that follows from an initial yearly repayment quoted beside the rate. */
function paymentOf(
  terms: TermsReader,
  principal: Minor,
  annualRate: string,
  frequency: Frequency,
): Minor | undefined {
  const repayment = terms.percent('terms.initialRepayment')
  if (repayment === undefined) return amountOf(terms, 'terms.payment', 'payment')
  const payment = initialRepaymentPayment(principal, annualRate, repayment, factsOf(frequency).perYear)
  if (!payment.ok) throw new Stopped({ code: 'REFUSED', refusal: payment })
  return payment.value
}

/** A number of periods, given as such or as a length of time, to the nearest whole one. */
function periodsOf(terms: TermsReader, path: string, frequency: Frequency): number | undefined {
  const months = terms.whole(path)
  if (months === undefined || terms.raw(path)?.unit.is !== 'term') return months
  return Math.round((months * factsOf(frequency).perYear) / 12)
}

/** What becomes of interest before regular payments: as the step says, unless an answer says that it is paid. */
const graceInterestOf = ({ options }: StepOf<'loan'>, terms: TermsReader): Grace['interest'] =>
  terms.yes('terms.gracePaid') ? 'paid' : (options.graceInterest ?? 'paid')

/** Extras of nothing are no extras; the ledger would refuse a limit or a date without one. */
function extrasOf({ extras }: StepOf<'loan'>, terms: TermsReader, today: string): Extra[] | undefined {
  const found = (extras ?? []).flatMap(({ every }, i): Extra[] => {
    const amount = amountOf(terms, `extras.${i}.amount`, `extras.${i}.amount`) ?? ZERO
    if (amount === 0) return []
    const when = (field: string) => whenOf(terms, `extras.${i}.${field}`)
    const at = every === 'once' ? onceAt(when('at'), `extras.${i}.at`, today) : when('at')
    return [{ amount, every, ...given({ at, from: when('from'), until: when('until') }) }]
  })
  return found.length > 0 ? found : undefined
}

/** A lump sum on the day itself is paid today; one for a day that has passed is refused. */
function onceAt(at: When | undefined, field: string, today: string): When | undefined {
  if (typeof at !== 'string' || at > today) return at
  if (at === today) return 0
  throw new Stopped({ code: 'REFUSED', refusal: refuse('LIES_BEHIND', field, { date: at }) })
}

function whenOf(terms: TermsReader, path: string): When | undefined {
  const found = terms.raw(path)
  if (!found) return undefined
  return found.unit.is === 'date' ? String(found.value) : terms.whole(path)
}

function rateChangesOf({ rateChanges }: StepOf<'loan'>, terms: TermsReader): RateChange[] | undefined {
  const found = (rateChanges ?? []).map(({ keep }, i) => ({
    keep,
    fromPayment: whenOf(terms, `rateChanges.${i}.fromPayment`) ?? 0,
    annualRate: terms.percent(`rateChanges.${i}.annualRate`) ?? '0',
  }))
  return found.length > 0 ? found : undefined
}
