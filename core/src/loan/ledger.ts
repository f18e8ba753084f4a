import { assert } from '../assert'
import { dueDate } from './due-dates'
import { isoDate, type PlainDate } from '../dates/plain-date'
import { ZERO, type Minor } from '../money/minor'
import { factsOf, type Frequency } from '../rates/frequency'

/** The money columns of a ledger: one entry for each payment, whole minor units. */
export interface MoneyColumns {
  readonly opening: Float64Array
  /** All that is paid on the loan, the extra included; insurance and fees are not. */
  readonly payment: Float64Array
  readonly interest: Float64Array
  /** What the payment takes off the balance, the extra included. */
  readonly principal: Float64Array
  /** The part of the payment that was paid on top. */
  readonly extra: Float64Array
  readonly insurance: Float64Array
  readonly closing: Float64Array
}

export interface Columns extends MoneyColumns {
  readonly number: Int32Array
  /** ISO dates; empty where the terms gave no first date. */
  readonly date: readonly string[]
}

export interface LedgerRow {
  /** 1 is the loan's first payment. */
  readonly number: number
  readonly date: string | undefined
  readonly opening: Minor
  readonly payment: Minor
  readonly interest: Minor
  readonly principal: Minor
  readonly extra: Minor
  readonly insurance: Minor
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
  readonly extra: Minor
  readonly insurance: Minor
  readonly closing: Minor
}

export interface LedgerTotals {
  /** Interest, with what accrued before the first payment. */
  readonly interest: Minor
  /** The amount repaid: what was borrowed, less a balloon. */
  readonly principal: Minor
  /** All that is paid on the loan, extras included; insurance, fees and a balloon are not. */
  readonly paid: Minor
  readonly extra: Minor
  readonly insurance: Minor
  readonly fees: Minor
}

export interface LedgerFacts {
  readonly payment: Minor
  readonly governedBy: 'term' | 'payment'
  /** What the loan begins with: the amount borrowed with whatever was added to it. */
  readonly borrowed: Minor
  readonly frequency: Frequency
  readonly firstPayment: PlainDate | undefined
  readonly anchorDay: number | undefined
  readonly firstNumber: number
  readonly count: number
  readonly columns: MoneyColumns
  /** Interest added to the balance before the first row. */
  readonly accruedInterest: Minor
  /** Paid on top before the first row: a lump sum today. */
  readonly extraAtStart: Minor
  readonly fees: Minor
}

/** A loan paid to its end: every payment, taken apart, whole minor units; every total is a sum of rows. */
export class Ledger {
  readonly ok = true
  /** The first regular payment (after a grace time). */
  readonly payment: Minor
  /** Whether the term decided the payment, or a given payment the number of payments; the other did not govern. */
  readonly governedBy: 'term' | 'payment'
  /** What the loan begins with: the amount borrowed with fees and premium added to it. */
  readonly borrowed: Minor
  /** How many payments there are, and the number of the first: 1, or the one after those already paid. */
  readonly count: number
  readonly firstNumber: number
  readonly #facts: LedgerFacts
  #columns: Columns | undefined
  #totals: LedgerTotals | undefined

  constructor(facts: LedgerFacts) {
    const { payment, borrowed, count, firstNumber } = facts
    this.payment = payment
    this.governedBy = facts.governedBy
    this.borrowed = borrowed
    this.count = count
    this.firstNumber = firstNumber
    this.#facts = facts
  }

  /** Worked out when first asked for: a search tries many ledgers and asks few of them. */
  get totals(): LedgerTotals {
    const { columns, accruedInterest, extraAtStart, fees, count } = this.#facts
    this.#totals ??= {
      interest: (sumOf(columns.interest, 0, count) + accruedInterest) as Minor,
      principal: (sumOf(columns.principal, 0, count) + extraAtStart - accruedInterest) as Minor,
      paid: (sumOf(columns.payment, 0, count) + extraAtStart) as Minor,
      extra: (sumOf(columns.extra, 0, count) + extraAtStart) as Minor,
      insurance: sumOf(columns.insurance, 0, count),
      fees,
    }
    return this.#totals
  }

  get columns(): Columns {
    this.#columns ??= {
      ...this.#facts.columns,
      number: Int32Array.from({ length: this.count }, (_, i) => this.firstNumber + i),
      date: this.#facts.firstPayment
        ? Array.from({ length: this.count }, (_, i) => this.dateOf(this.firstNumber + i) ?? '')
        : [],
    }
    return this.#columns
  }

  /** Number of the last payment. */
  get lastNumber(): number {
    return this.firstNumber + this.count - 1
  }

  get lastPayment(): Minor {
    return this.at(this.lastNumber).payment
  }

  /** ISO date of the last payment; undefined where the terms gave no first date. */
  get endsOn(): string | undefined {
    return this.dateOf(this.lastNumber)
  }

  dateOf(number: number): string | undefined {
    const { firstPayment, frequency, anchorDay } = this.#facts
    return firstPayment && isoDate(dueDate(firstPayment, frequency, number, anchorDay))
  }

  /** Payment `number` taken apart. */
  at(number: number): LedgerRow {
    const { opening, payment, interest, principal, extra, insurance, closing } = this.#facts.columns
    const i = this.#index(number)
    return {
      number,
      date: this.dateOf(number),
      opening: opening[i] as Minor,
      payment: payment[i] as Minor,
      interest: interest[i] as Minor,
      principal: principal[i] as Minor,
      extra: extra[i] as Minor,
      insurance: insurance[i] as Minor,
      closing: closing[i] as Minor,
    }
  }

  /** What is owed after payment `number`; before the first payment it is what the ledger opens with, after the last 0 or the balloon. */
  balanceAfter(number: number): Minor {
    const { opening, closing } = this.#facts.columns
    if (number === this.firstNumber - 1) return (opening[0] ?? 0) as Minor
    return (number > this.lastNumber ? closing[this.count - 1] : closing[this.#index(number)]) as Minor
  }

  /** Interest in the payments up to `number`. */
  interestTo(number: number): Minor {
    return this.#sumTo('interest', number)
  }

  /** Principal in the payments up to `number`. */
  principalTo(number: number): Minor {
    return this.#sumTo('principal', number)
  }

  /** Premiums with the payments up to `number`. */
  insuranceTo(number: number): Minor {
    return this.#sumTo('insurance', number)
  }

  /** Sums by calendar year, or by year of the loan where there are no dates. */
  byYear(): LedgerYear[] {
    const years: LedgerYear[] = []
    for (let from = this.firstNumber; from <= this.lastNumber;) {
      const year = this.#yearOf(from)
      let to = from
      while (to < this.lastNumber && this.#yearOf(to + 1) === year) to++
      const sum = (column: keyof MoneyColumns) =>
        sumOf(this.#facts.columns[column], from - this.firstNumber, to - this.firstNumber + 1)
      years.push({
        year,
        from,
        to,
        paid: sum('payment'),
        interest: sum('interest'),
        principal: sum('principal'),
        extra: sum('extra'),
        insurance: sum('insurance'),
        closing: this.balanceAfter(to),
      })
      from = to + 1
    }
    return years
  }

  #sumTo(column: keyof MoneyColumns, number: number): Minor {
    const to = Math.min(number, this.lastNumber) - this.firstNumber + 1
    return sumOf(this.#facts.columns[column], 0, Math.max(0, to))
  }

  #yearOf(number: number): number {
    const { firstPayment, frequency, anchorDay } = this.#facts
    if (firstPayment) return dueDate(firstPayment, frequency, number, anchorDay).year
    return Math.floor((number - 1) / factsOf(frequency).perYear) + 1
  }

  #index(number: number): number {
    assert(
      Number.isInteger(number) && number >= this.firstNumber && number <= this.lastNumber,
      `payment ${number} is in the ledger`,
    )
    return number - this.firstNumber
  }
}

function sumOf(column: Float64Array, from: number, to: number): Minor {
  let sum = 0
  for (let i = from; i < to; i++) sum += column[i] ?? 0
  return (sum === 0 ? ZERO : sum) as Minor
}
