import type { PlainDate } from '../dates/plain-date'
import { readIsoDate } from '../dates/plain-date'
import type { Decimal } from '../money/decimal'
import type { MinorDigits } from '../money/currencies'
import type { Minor } from '../money/minor'
import { LARGEST_AMOUNT, minor } from '../money/minor'
import type { Rounding } from '../money/rounding'
import type { Compounding } from '../rates/periodic-rate'
import type { Frequency } from '../rates/frequency'
import { factsOf, frequencies } from '../rates/frequency'
import { readRate } from '../rates/percent'
import type { Checked } from '../refusal'
import { accept, refuse } from '../refusal'

/** The longest term, years. */
export const LONGEST_TERM_YEARS = 100

/** How long the loan runs: a number of payments, or a length of time. Never one for the other. */
export type Term = { readonly payments: number } | { readonly years: number; readonly months?: number }

/** What a loan is agreed on. Amounts are whole minor units. */
export interface LoanTerms {
  /** Amount borrowed, above zero, at most 10^13. */
  readonly principal: number
  /** Nominal yearly rate in percent, 0 to 1,000: "4.64" is 4.64 %. */
  readonly annualRate: string | Decimal
  readonly frequency: Frequency
  /** How often the quoted rate compounds. Default: with every payment. */
  readonly compounding?: Compounding
  /** At most 100 years. Needed unless a payment is given. */
  readonly term?: Term
  /** A given regular payment: the number of payments follows from it, and a term beside it does not govern. */
  readonly payment?: number
  /** Whether payments fall at the end (default) or the start of each period. */
  readonly due?: 'end' | 'start'
  /** Amount left when the term ends, due with the last payment. Only with payments at the end of the period. */
  readonly balloon?: number
  readonly minorDigits?: MinorDigits
  readonly rounding?: {
    readonly payment?: 'nearest' | 'up' | 'down'
    readonly interest?: 'halfUp' | 'halfEven'
  }
  /** ISO date of the first payment; without it the ledger has no dates. */
  readonly firstPayment?: string
}

/** Terms that have been checked and filled with defaults. */
export interface CheckedTerms {
  readonly principal: Minor
  readonly annualRate: Decimal
  readonly frequency: Frequency
  readonly compounding: Compounding
  /** Length of the term in payments; undefined where a given payment decides. */
  readonly payments: number | undefined
  /** Length of the term in months, where it was given as a length of time. */
  readonly months: number | undefined
  readonly payment: Minor | undefined
  readonly due: 'end' | 'start'
  readonly balloon: Minor
  readonly minorDigits: MinorDigits
  readonly paymentRounding: Rounding
  readonly interestRounding: Rounding
  readonly firstPayment: PlainDate | undefined
}

const paymentRoundings = { nearest: 'halfUp', up: 'up', down: 'down' } as const
const knownTerms: ReadonlySet<string> = new Set<keyof LoanTerms>([
  'principal',
  'annualRate',
  'frequency',
  'compounding',
  'term',
  'payment',
  'due',
  'balloon',
  'minorDigits',
  'rounding',
  'firstPayment',
])

/** Checks terms from outside once; everything behind it trusts the result. */
export function checkTerms(terms: LoanTerms): Checked<CheckedTerms> {
  const unknown = Object.keys(terms).find((key) => !knownTerms.has(key))
  if (unknown !== undefined) return refuse('OPTION_UNKNOWN', unknown)

  const principal = readAmount(terms.principal, 'principal')
  if (!principal.ok) return principal
  const balloon = readAmount(terms.balloon ?? 0, 'balloon', 'zero allowed')
  if (!balloon.ok) return balloon
  const annualRate = readRate(terms.annualRate, 'annualRate')
  if (!annualRate.ok) return annualRate

  const { frequency, compounding = 'perPayment', due = 'end', minorDigits = 2, rounding = {} } = terms
  if (!Object.hasOwn(frequencies, frequency)) return refuse('FREQUENCY_UNKNOWN', 'frequency')
  if (!isCompounding(compounding)) return refuse('COMPOUNDING_UNKNOWN', 'compounding')
  if (due !== 'end' && due !== 'start') return refuse('OPTION_UNKNOWN', 'due')
  if (minorDigits !== 0 && minorDigits !== 2 && minorDigits !== 3)
    return refuse('OPTION_UNKNOWN', 'minorDigits')
  const paymentRounding = rounding.payment ?? 'nearest'
  const interestRounding = rounding.interest ?? 'halfUp'
  if (!Object.hasOwn(paymentRoundings, paymentRounding)) return refuse('OPTION_UNKNOWN', 'rounding.payment')
  if (interestRounding !== 'halfUp' && interestRounding !== 'halfEven')
    return refuse('OPTION_UNKNOWN', 'rounding.interest')

  if (terms.term === undefined && terms.payment === undefined) return refuse('TERM_OR_PAYMENT_NEEDED', 'term')
  const length = terms.term === undefined ? accept(undefined) : readTerm(terms.term, frequency)
  if (!length.ok) return length
  const payment = terms.payment === undefined ? accept(undefined) : readAmount(terms.payment, 'payment')
  if (!payment.ok) return payment

  if (balloon.value > 0 && due === 'start') return refuse('BALLOON_WITH_PAYMENT_AT_START', 'balloon')
  if (balloon.value >= principal.value && payment.value !== undefined)
    return refuse('BALLOON_TOO_LARGE', 'balloon', { below: principal.value })

  const firstPayment = terms.firstPayment === undefined ? undefined : readIsoDate(terms.firstPayment)
  if (terms.firstPayment !== undefined && firstPayment === undefined)
    return refuse('DATE_UNREADABLE', 'firstPayment')

  return accept({
    principal: principal.value,
    annualRate: annualRate.value,
    frequency,
    compounding,
    payments: payment.value === undefined ? length.value?.payments : undefined,
    months: length.value?.months,
    payment: payment.value,
    due,
    balloon: balloon.value,
    minorDigits,
    paymentRounding: paymentRoundings[paymentRounding],
    interestRounding,
    firstPayment,
  })
}

function readAmount(amount: number, field: string, zero?: 'zero allowed'): Checked<Minor> {
  if (typeof amount !== 'number' || !Number.isInteger(amount)) return refuse('NOT_A_NUMBER', field)
  if (amount < 0) return refuse(zero ? 'AMOUNT_NEGATIVE' : 'AMOUNT_NOT_POSITIVE', field)
  if (amount === 0 && !zero) return refuse('AMOUNT_NOT_POSITIVE', field)
  if (amount > LARGEST_AMOUNT) return refuse('AMOUNT_TOO_LARGE', field, { largest: LARGEST_AMOUNT })
  return accept(minor(amount))
}

const compoundings: readonly unknown[] = ['perPayment', 1, 2, 4, 12, 365] satisfies Compounding[]
const isCompounding = (value: unknown): value is Compounding => compoundings.includes(value)

/** Payments in a length of time: years and months at so many payments a year, to the nearest whole payment, at least one. */
export const paymentsIn = (months: number, frequency: Frequency): number =>
  Math.max(1, Math.round((months * factsOf(frequency).perYear) / 12))

function readTerm(
  term: Term,
  frequency: Frequency,
): Checked<{ payments: number; months: number | undefined }> {
  if (typeof term !== 'object' || term === null) return refuse('NOT_A_NUMBER', 'term')
  const longest = LONGEST_TERM_YEARS * factsOf(frequency).perYear
  const months = 'payments' in term ? undefined : term.years * 12 + (term.months ?? 0)
  const given = 'payments' in term ? term.payments : months
  if (typeof given !== 'number' || !Number.isInteger(given)) return refuse('NOT_A_NUMBER', 'term')
  if (given <= 0) return refuse('TERM_NOT_POSITIVE', 'term')
  const payments = months === undefined ? given : paymentsIn(months, frequency)
  if (payments > longest)
    return refuse('TERM_TOO_LONG', 'term', { longestYears: LONGEST_TERM_YEARS, longest })
  return accept({ payments, months })
}
