import type { MinorDigits } from '../money/currencies'
import type { Decimal } from '../money/decimal'
import type { Minor } from '../money/minor'
import type { Compounding } from '../rates/periodic-rate'
import type { DayCount } from '../rates/day-count'
import type { Frequency } from '../rates/frequency'

/** The most payments a ledger without a term may have; a loan that needs more is refused. */
export const MOST_PAYMENTS = 20_000

/** How long the loan runs: a number of payments, or a length of time. Never one for the other. */
export type Term = { readonly payments: number } | { readonly years: number; readonly months?: number }

/** A payment of the loan by its number (1 is the first), or a date: then the first payment on or after it. */
export type When = number | string

/** Paid on top of the regular payment, and taken off the balance at once. */
export interface Extra<Amount extends number = Minor> {
  /** Minor units, not negative. */
  readonly amount: Amount
  readonly every: 'payment' | 'year' | 'once'
  /**
   * For `year`: which payment of each loan year, 1 to payments a year, or a date it falls on. For `once`: with which
   * payment; 0, or the last payment made, is today.
   */
  readonly at?: When
  /** The first and the last payment it goes with; not for `once`. */
  readonly from?: When
  readonly until?: When
}

/** A time at the start before regular payments. */
export interface Grace<Amount extends number = Minor> {
  /** How many periods it lasts. */
  readonly payments: number
  /**
   * `none`: no interest. `paid`: the interest of each period is paid. `addedSimple`: interest on the amount borrowed is
   * added at the end. `addedCompound`: each period's interest joins the balance.
   */
  readonly interest: 'none' | 'paid' | 'addedSimple' | 'addedCompound'
  /** What is paid each period all the same, unpaid interest first; not with `paid`, which asks for the interest. */
  readonly payment?: Amount
  /** For `addedSimple`: rounded once at the end (default where nothing is paid), or each period. */
  readonly rounding?: 'once' | 'eachPeriod'
}

/** Another rate from a payment on; either the end stays and the payment changes, or the payment stays and the end changes. */
export interface RateChange {
  /**
   * The first payment whose interest is at the new rate, 2 or later; or a date: then the payment of the first period
   * that begins on or after it.
   */
  readonly fromPayment: When
  readonly annualRate: string | Decimal
  readonly keep: 'term' | 'payment'
}

/** Mortgage insurance on the loan; see `insuranceFor` for premiums by loan-to-value and credit band. */
export interface LoanInsurance<Amount extends number = Minor> {
  /** One premium added to the loan, percent of the amount borrowed. */
  readonly addedPercent?: string
  /** A premium with every payment, percent a year. */
  readonly yearlyPercent?: string
  /** What the yearly percent is of: the amount borrowed, without an added premium, or the balance at each loan year's start. */
  readonly base?: 'original' | 'balanceYearly'
  /** Value of the home, minor units; needed with `untilLoanToValue`. */
  readonly value?: Amount
  /** The last premium goes with the first payment that leaves at most this percent of the value owed. */
  readonly untilLoanToValue?: string
  /** The last payment with a premium, at the latest. */
  readonly untilPayment?: number
}

export interface Fees<Amount extends number = Minor> {
  /** Added to the loan, minor units. */
  readonly financed?: Amount
  /** With every payment, minor units. */
  readonly eachPayment?: Amount
}

/** What a loan is agreed on. Amounts are whole minor units. */
export interface LoanTerms<Amount extends number = Minor> {
  /** Amount borrowed, above zero, at most 10^13. */
  readonly principal: Amount
  /** Nominal yearly rate in percent, 0 to 1,000: "4.64" is 4.64 %. */
  readonly annualRate: string | Decimal
  readonly frequency: Frequency
  /** How often the quoted rate compounds. Default: with every payment. */
  readonly compounding?: Compounding
  /** At most 100 years, not counting a grace time. Needed unless a payment is given. */
  readonly term?: Term
  /** A given regular payment: the number of payments follows from it, whatever the term says, unless `settleAtTerm`. */
  readonly payment?: Amount
  /** With a given payment and a term: the last payment of the term pays whatever is left. */
  readonly settleAtTerm?: boolean
  /** Whether payments fall at the end (default) or the start of each period. */
  readonly due?: 'end' | 'start'
  /**
   * Amount left when the term ends: due with the last payment, or one period after it where payments fall at the start.
   * A loan without a term ends with the payment that brings it down to this.
   */
  readonly balloon?: Amount
  readonly minorDigits?: MinorDigits
  readonly rounding?: {
    readonly payment?: 'nearest' | 'up' | 'down'
    readonly interest?: 'halfUp' | 'halfEven'
  }
  /** ISO date of the first payment; without it the ledger has no dates. */
  readonly firstPayment?: string
  /** ISO date from which interest runs; only with a day count. Default: one period before the first payment. */
  readonly start?: string
  /** Day of the month payments fall on, where the first payment's month is too short to show it. */
  readonly anchorDay?: number
  readonly dayCount?: DayCount
  /** With a day count: the level payment from the nominal rate (default), or from each period's own days. */
  readonly paymentBasis?: 'nominal' | 'exactDays'
  readonly extras?: readonly Extra<Amount>[]
  /** After an extra: the payment stays and the loan ends sooner (default), or the end stays and the payment falls. */
  readonly onExtra?: 'shorten' | 'lower'
  /** The most that may be paid as extras in a loan year, minor units. */
  readonly yearlyExtraLimit?: Amount
  readonly grace?: Grace<Amount>
  readonly rateChanges?: readonly RateChange[]
  readonly insurance?: LoanInsurance<Amount>
  readonly fees?: Fees<Amount>
  /** Payments made so far as agreed: the ledger begins after them, today, and so does what is planned. */
  readonly alreadyPaid?: number
}

/** The same as it comes from outside: amounts may be any number, and are refused in words where they are none. */
export type GivenTerms = LoanTerms<number>
