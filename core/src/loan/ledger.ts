import { dueDate } from '../dates/due-dates'
import type { PlainDate } from '../dates/plain-date'
import { isoDate } from '../dates/plain-date'
import type { Minor } from '../money/minor'
import { ZERO } from '../money/minor'
import type { Frequency } from '../rates/frequency'
import { factsOf } from '../rates/frequency'
import { assert } from '../assert'

/** The money columns of a ledger: one entry for each payment, whole minor units. */
export interface Columns {
  readonly opening: Float64Array
  readonly payment: Float64Array
  readonly interest: Float64Array
  readonly principal: Float64Array
  readonly closing: Float64Array
}

export interface LedgerRow {
  /** 1 is the first payment. */
  readonly number: number
  readonly date: string | undefined
  readonly opening: Minor
  readonly payment: Minor
  readonly interest: Minor
  readonly principal: Minor
  readonly closing: Minor
}

export interface LedgerYear {
  /** The calendar year, or the year of the loan (1, 2, 3 …) where the ledger has no dates. */
  readonly year: number
  /** Numbers of the first and the last payment of the year. */
  readonly from: number
  readonly to: number
  readonly paid: Minor
  readonly interest: Minor
  readonly principal: Minor
  readonly closing: Minor
}

export interface LedgerFacts {
  readonly payment: Minor
  readonly frequency: Frequency
  readonly firstPayment: PlainDate | undefined
  readonly count: number
  readonly columns: Columns
}

/** A loan paid to its end: every payment, taken apart, whole minor units; every total is a sum of rows. */
export class Ledger {
  readonly ok = true
  /** The regular payment. */
  readonly payment: Minor
  /** How many payments there are. */
  readonly count: number
  readonly columns: Columns
  readonly totals: { readonly interest: Minor; readonly principal: Minor; readonly paid: Minor }
  readonly #frequency: Frequency
  readonly #firstPayment: PlainDate | undefined

  constructor({ payment, frequency, firstPayment, count, columns }: LedgerFacts) {
    this.payment = payment
    this.count = count
    this.columns = columns
    this.#frequency = frequency
    this.#firstPayment = firstPayment
    this.totals = {
      interest: this.interestTo(count),
      principal: this.principalTo(count),
      paid: sumOf(columns.payment, count),
    }
  }

  get lastPayment(): Minor {
    return this.at(this.count).payment
  }

  /** ISO date of the last payment; undefined where the terms gave no first date. */
  get endsOn(): string | undefined {
    return this.dateOf(this.count)
  }

  dateOf(number: number): string | undefined {
    return this.#firstPayment && isoDate(dueDate(this.#firstPayment, this.#frequency, number))
  }

  /** Payment `number` taken apart, 1 to count. */
  at(number: number): LedgerRow {
    const { opening, payment, interest, principal, closing } = this.columns
    const i = this.#index(number)
    return {
      number,
      date: this.dateOf(number),
      opening: opening[i] as Minor,
      payment: payment[i] as Minor,
      interest: interest[i] as Minor,
      principal: principal[i] as Minor,
      closing: closing[i] as Minor,
    }
  }

  /** What is owed after payment `number`; 0 payments is the amount borrowed. */
  balanceAfter(number: number): Minor {
    const { opening, closing } = this.columns
    return (number === 0 ? opening[0] : closing[this.#index(number)]) as Minor
  }

  /** Interest in payments 1 to `number`. */
  interestTo(number: number): Minor {
    return sumOf(this.columns.interest, number)
  }

  /** Principal in payments 1 to `number`. */
  principalTo(number: number): Minor {
    return sumOf(this.columns.principal, number)
  }

  /** Sums by calendar year, or by year of the loan where there are no dates. */
  byYear(): LedgerYear[] {
    const years: LedgerYear[] = []
    for (let from = 1; from <= this.count;) {
      const year = this.#yearOf(from)
      let to = from
      while (to < this.count && this.#yearOf(to + 1) === year) to++
      years.push({
        year,
        from,
        to,
        paid: sumOf(this.columns.payment, to, from),
        interest: sumOf(this.columns.interest, to, from),
        principal: sumOf(this.columns.principal, to, from),
        closing: this.balanceAfter(to),
      })
      from = to + 1
    }
    return years
  }

  #yearOf(number: number): number {
    if (this.#firstPayment) return dueDate(this.#firstPayment, this.#frequency, number).year
    return Math.floor((number - 1) / factsOf(this.#frequency).perYear) + 1
  }

  #index(number: number): number {
    assert(
      Number.isInteger(number) && number >= 1 && number <= this.count,
      `payment ${number} is in the ledger`,
    )
    return number - 1
  }
}

function sumOf(column: Float64Array, to: number, from = 1): Minor {
  let sum = 0
  for (let i = from - 1; i < to; i++) sum += column[i] ?? 0
  return (sum === 0 ? ZERO : sum) as Minor
}
