import { assert } from '../guards/assert'
import { dueDate } from './due-dates'
import { isoDate, type PlainDate } from '../dates/plain-date'
import { minor, ZERO, type Minor } from '../money/minor'
import { rowsBetween, type MoneyColumns } from './ledger-columns'
import type { Columns, LedgerRow, LedgerTotals, LedgerYear, PaidSoFar } from './ledger-rows'
import { factsOf, type Frequency } from '../rates/frequency'

/** What a ledger is made of once its rows are worked out. */
export interface LedgerFacts {
  readonly payment: Minor
  readonly governedBy: 'term' | 'payment'
  /** What the loan begins with: the amount borrowed with whatever was added to it. */
  readonly borrowed: Minor
  /** What the borrower has in hand: borrowed, less what was added to the loan. */
  readonly principal: Minor
  readonly frequency: Frequency
  readonly firstPayment: PlainDate | undefined
  readonly anchorDay: number | undefined
  /** Payments that lie behind today; the columns have them too. */
  readonly paymentsMade: number
  readonly lastNumber: number
  /** Rows of a time at the start, before regular payments. */
  readonly graceRows: number
  /** Periods before the first payment's own in which nothing is paid. */
  readonly periodsBefore: number
  readonly due: 'end' | 'start'
  /** From the loan's first payment on; they may be longer than the loan. */
  readonly columns: MoneyColumns
  /** What is owed today, after a lump sum paid today. */
  readonly balanceToday: Minor
  /** Interest added to the balance before the loan's first row. */
  readonly accruedInterest: Minor
  /** Paid on top before the next payment: a lump sum today. */
  readonly extraAtStart: Minor
  readonly extrasCutByLimit: Minor
  readonly fees: { readonly atStart: Minor; readonly eachPayment: Minor }
}

/**
 * A loan paid to its end: every payment, taken apart, whole minor units; every total is a sum of rows. It stands at a
 * moment, today: the payments made lie behind it, and columns and totals are of those that come.
 */
export class Ledger {
  readonly ok = true
  /** The first regular payment (after a grace time). */
  readonly payment: Minor
  /** Whether the term decided the payment, or a given payment the number of payments; the other did not govern. */
  readonly governedBy: 'term' | 'payment'
  /** What the loan begins with: the amount borrowed with fees and premium added to it. */
  readonly borrowed: Minor
  /** How many payments are still to come, and the number of the next: 1, or the one after those already made. */
  readonly count: number
  readonly firstNumber: number
  /** What extras a yearly limit kept from being paid, minor units. */
  readonly extrasCutByLimit: Minor
  readonly #facts: LedgerFacts
  readonly #ahead: MoneyColumns
  #columns: Columns | undefined
  #totals: LedgerTotals | undefined

  constructor(facts: LedgerFacts) {
    const { payment, borrowed, paymentsMade, lastNumber } = facts
    this.payment = payment
    this.governedBy = facts.governedBy
    this.borrowed = borrowed
    this.count = lastNumber - paymentsMade
    this.firstNumber = paymentsMade + 1
    this.extrasCutByLimit = facts.extrasCutByLimit
    this.#facts = facts
    this.#ahead = rowsBetween(facts.columns, paymentsMade, lastNumber)
  }

  /** Worked out when first asked for: a search tries many ledgers and asks few of them. */
  get totals(): LedgerTotals {
    this.#totals ??= this.#sumUp()
    return this.#totals
  }

  #sumUp(): LedgerTotals {
    const { accruedInterest, extraAtStart, fees, paymentsMade } = this.#facts
    const accrued = paymentsMade === 0 ? accruedInterest : ZERO
    const of = (column: keyof MoneyColumns) => sumOf(this.#ahead[column], 0, this.count)
    const [paid, insurance] = [of('payment') + extraAtStart, of('insurance')]
    const eachPayment = fees.eachPayment * this.count
    const balloon = this.balanceAfter(this.lastNumber)
    const paidInAll = paid + insurance + eachPayment + balloon
    const owed = paymentsMade === 0 ? this.#facts.principal : this.balanceToday + extraAtStart
    return {
      interest: minor(of('interest') + accrued),
      principal: minor(of('principal') + extraAtStart - accrued),
      paid: minor(paid),
      extra: minor(of('extra') + extraAtStart),
      insurance,
      fees: minor((paymentsMade === 0 ? fees.atStart : 0) + eachPayment),
      balloon,
      paidInAll: minor(paidInAll),
      cost: minor(paidInAll - owed),
    }
  }

  /** What was paid before today: nothing, unless payments were made. */
  get soFar(): PaidSoFar {
    const { paymentsMade, accruedInterest, fees, columns } = this.#facts
    const of = (column: keyof MoneyColumns) => sumOf(columns[column], 0, paymentsMade)
    const accrued = paymentsMade === 0 ? ZERO : accruedInterest
    const [paid, insurance, each] = [of('payment'), of('insurance'), fees.eachPayment * paymentsMade]
    return {
      payments: paymentsMade,
      interest: minor(of('interest') + accrued),
      principal: minor(of('principal') - accrued),
      paid,
      insurance,
      fees: minor(each),
      paidInAll: minor(paid + insurance + each),
    }
  }

  /** What is owed today, after a lump sum paid today. */
  get balanceToday(): Minor {
    return this.#facts.balanceToday
  }

  /** The same without the interest that a time before the first payment will have added. */
  get owedToday(): Minor {
    const { paymentsMade, accruedInterest, balanceToday } = this.#facts
    return paymentsMade === 0 ? minor(balanceToday - accruedInterest) : balanceToday
  }

  /** A lump sum paid today, minor units. */
  get paidToday(): Minor {
    return this.#facts.extraAtStart
  }

  get columns(): Columns {
    this.#columns ??= {
      ...this.#ahead,
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

  /** The last payment; nothing where a lump sum today ends the loan. */
  get lastPayment(): Minor {
    return this.count === 0 ? ZERO : this.at(this.lastNumber).payment
  }

  /**
   * The last payment where it is more than twice the regular one before it, else nothing: so much is left by a given
   * payment, or by one whose rounding grew over decades at a high rate.
   */
  get largeLastPayment(): Minor {
    const before = this.lastNumber - 1
    const hasBefore = before >= this.firstNumber && before > this.#facts.graceRows
    return hasBefore && this.lastPayment > 2 * this.at(before).payment ? this.lastPayment : ZERO
  }

  /** ISO date of the last payment; undefined where the terms gave no first date. */
  get endsOn(): string | undefined {
    return this.lastNumber === 0 ? this.beginsOn : this.dateOf(this.lastNumber)
  }

  dateOf(number: number): string | undefined {
    const { firstPayment, frequency, anchorDay } = this.#facts
    return firstPayment && isoDate(dueDate(firstPayment, frequency, number, anchorDay))
  }

  /** ISO date on which the loan begins: that of the first payment at the start, else as many periods before it. */
  get beginsOn(): string | undefined {
    return this.dateOf(1 - this.periodsTo(1))
  }

  /** Periods from the loan's beginning to payment `number`; with payments at the start the first is at once. */
  periodsTo(number: number): number {
    const { periodsBefore, due } = this.#facts
    return number + periodsBefore - (due === 'start' ? 1 : 0)
  }

  /** The next payment that is a regular one, after a time at the start; none where there is none to come. */
  get nextRegular(): LedgerRow | undefined {
    const number = Math.max(this.firstNumber, this.#facts.graceRows + 1)
    return number > this.lastNumber ? undefined : this.at(number)
  }

  /**
   * What is paid next as a regular payment, without what is paid on top: the regular payment, or what is due where that
   * is less; nothing where nothing is to be paid any more.
   */
  get nextPayment(): Minor {
    const next = this.nextRegular
    if (next) return minor(next.payment - next.extra)
    return this.count === 0 ? ZERO : this.payment
  }

  /** Number of the last payment within so many periods from today; what lies before the first payment counts. */
  numberAfter(periods: number): number {
    const { paymentsMade, periodsBefore } = this.#facts
    return Math.max(paymentsMade, paymentsMade + periods - (paymentsMade === 0 ? periodsBefore : 0))
  }

  /** Payment `number` taken apart, one that was made before today too. */
  at(number: number): LedgerRow {
    const { opening, payment, interest, principal, extra, insurance, closing } = this.#facts.columns
    assert(
      Number.isInteger(number) && number >= 1 && number <= this.lastNumber,
      `payment ${number} is in the ledger`,
    )
    const i = number - 1
    return {
      number,
      date: this.dateOf(number),
      opening: amountAt(opening, i),
      payment: amountAt(payment, i),
      interest: amountAt(interest, i),
      principal: amountAt(principal, i),
      extra: amountAt(extra, i),
      insurance: amountAt(insurance, i),
      closing: amountAt(closing, i),
    }
  }

  /**
   * What is owed after payment `number`: after the last payment made it is what is owed today, before the first what
   * the loan begins with, after the last 0 or the balloon.
   */
  balanceAfter(number: number): Minor {
    const { opening, closing } = this.#facts.columns
    const last = Math.min(number, this.lastNumber)
    if (last === this.firstNumber - 1) return this.balanceToday
    return last < 1 ? amountAt(opening, 0) : amountAt(closing, last - 1)
  }

  /** Interest in the payments from today up to `number`. */
  interestTo(number: number): Minor {
    return this.#sumTo('interest', number)
  }

  /** Principal in the payments from today up to `number`. */
  principalTo(number: number): Minor {
    return this.#sumTo('principal', number)
  }

  /** Premiums with the payments from today up to `number`. */
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
        sumOf(this.#ahead[column], from - this.firstNumber, to - this.firstNumber + 1)
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
    return sumOf(this.#ahead[column], 0, Math.max(0, to))
  }

  #yearOf(number: number): number {
    const { firstPayment, frequency, anchorDay } = this.#facts
    if (firstPayment) return dueDate(firstPayment, frequency, number, anchorDay).year
    return Math.floor((number - 1) / factsOf(frequency).perYear) + 1
  }
}

/** One amount of a column. Throws where there is no such row. */
const amountAt = (column: Float64Array, i: number): Minor => minor(column[i] ?? Number.NaN)

function sumOf(column: Float64Array, from: number, to: number): Minor {
  let sum = 0
  for (let i = from; i < to; i++) sum += column[i] ?? 0
  return minor(sum)
}
