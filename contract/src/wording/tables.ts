import { lengthOfMonths, textIn } from '@vivid/core/evaluate'
import type {
  ComparedColumn,
  ComparisonRow,
  LadderFigures,
  Ledger,
  LedgerRow,
  LedgerYear,
  LoanTerms,
  Readout,
  Rung,
  ScheduleColumn,
  Turn,
} from '@vivid/core/evaluate'
import type { Figures } from './language'
import { problemSentence } from './problem-sentences'

/** A cell of a ladder's figures: how large it is among them, 0 to 1, and whether it is the visitor's own. */
export interface LadderCell {
  readonly size: number
  readonly isOwn: boolean
}

/** The cells of a ladder's payments as `ladderTable` has them, row by row: one a row, or one a length. */
export function ladderCells(
  { over, rungs }: Extract<Readout, { shows: 'ladder' }>,
  own: Pick<LoanTerms, 'annualRate' | 'term' | 'principal'> | undefined,
): readonly (readonly LadderCell[])[] {
  const payments = rungs.map(({ payment }) => payment)
  const [least, most] = [Math.min(...payments), Math.max(...payments)]
  const months = own?.term && 'years' in own.term ? own.term.years * 12 + (own.term.months ?? 0) : undefined
  const cells = rungs.map(({ rate, length, amount, principal, payment, isOwn }) => ({
    rate,
    size: most > least ? (payment - least) / (most - least) : 0,
    isOwn:
      isOwn ??
      (own !== undefined &&
        (rate === undefined || Number(rate) === Number(own.annualRate)) &&
        (length === undefined || length.years * 12 + length.months === months) &&
        (amount === undefined ||
          (over === 'amounts' && amount === own.principal) ||
          (over === 'downPayments' && principal === own.principal))),
  }))
  if (over !== 'ratesByTerms') return cells.map((cell) => [cell])
  return [...new Set(cells.map(({ rate }) => rate))].map((rate) => cells.filter((cell) => cell.rate === rate))
}

/** A table in words: the page draws it, and so does what is kept of it. The first column names the row. */
export interface SaidTable {
  readonly head: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

/** One cell of a schedule, for a year or for a payment; amounts are the ledger's, never worked out here. */
export function scheduleCell(
  column: ScheduleColumn,
  row: LedgerYear | LedgerRow,
  ledger: Ledger,
  figures: Figures,
): string {
  const isYear = 'from' in row
  const number = isYear ? row.to : row.number
  switch (column) {
    case 'date': {
      const date = isYear ? ledger.dateOf(number) : row.date
      return date ? figures.date(date) : ''
    }
    case 'payment':
      return figures.money(isYear ? row.paid : row.payment)
    case 'principal':
      return figures.money(row.principal)
    case 'interest':
      return figures.money(row.interest)
    case 'extra':
      return figures.money(row.extra)
    case 'insurance':
      return figures.money(row.insurance)
    case 'balance':
      return figures.money(row.closing)
    case 'principalToDate':
      return figures.money(ledger.principalTo(number))
    case 'interestToDate':
      return figures.money(ledger.interestTo(number))
  }
}

/** One cell of loans side by side; the difference of the first with itself is a dash. */
export function comparedCell(
  row: ComparisonRow,
  column: ComparedColumn,
  isFirst: boolean,
  figures: Figures,
): string {
  switch (row) {
    case 'payments':
      return figures.count(column.payments)
    case 'endDate':
      return column.endDate ? figures.month(column.endDate) : '–'
    case 'difference':
      return isFirst ? '–' : `${column.difference > 0 ? '+' : ''}${figures.money(column.difference)}`
    default: {
      const amount = column[row]
      return amount === undefined ? '–' : figures.money(amount)
    }
  }
}

/** What leaves the visitor's hands each time, with the premium. */
const paidEachTime = ({ paymentWithInsurance }: ComparedColumn): number => paymentWithInsurance

/**
 * Which of loans side by side has the lowest payment, and which costs least to borrow, or until the visitor leaves; nothing of
 * one alone.
 */
export function lowestSaid(
  columns: readonly ComparedColumn[],
  labels: readonly string[],
  figures: Figures,
  turn?: Turn,
): string {
  const lowest = (of: (column: ComparedColumn) => number) => {
    const least = Math.min(...columns.map(of))
    return columns.flatMap((column, i) => (of(column) === least ? [i] : []))
  }
  if (columns.length < 2) return ''
  const isUntilLeaving = columns.every(({ costUntilLeaving }) => costUntilLeaving !== undefined)
  const costOf = ({ costUntilLeaving, costOfBorrowing }: ComparedColumn) =>
    costUntilLeaving ?? costOfBorrowing
  const [cheap, low] = [lowest(costOf), lowest(paidEachTime)]
  const named = (which: readonly number[]) => which.map((i) => labels[i]).join(', ')
  const { lowestBoth, lowestCost, lowestPayment, lowestUntilLeaving } = figures.words.page
  const said = (which: readonly number[], of: (column: ComparedColumn) => number) => {
    const column = columns[which[0] ?? 0]
    return column ? figures.money(of(column)) : ''
  }
  // Where all are the same there is nothing to name.
  if (cheap.length === columns.length && low.length === columns.length) return ''
  if (named(cheap) === named(low) && !isUntilLeaving) return lowestBoth(named(low))
  const turns =
    turn && isUntilLeaving
      ? turn.stay > turn.after
        ? [figures.words.page.leavesSooner(timeSaid(turn.after, figures), labels[turn.before] ?? '')]
        : [figures.words.page.staysLonger(timeSaid(turn.after, figures), labels[turn.then] ?? '')]
      : []
  return [
    ...(low.length < columns.length ? [lowestPayment(named(low), said(low, paidEachTime))] : []),
    ...(cheap.length < columns.length
      ? [(isUntilLeaving ? lowestUntilLeaving : lowestCost)(named(cheap), said(cheap, costOf))]
      : []),
    ...turns,
  ].join(' ')
}

const timeSaid = (months: number, figures: Figures) => figures.term(lengthOfMonths(months))

/** A ladder: a row a rung; or, over rates and lengths at once, rates down and lengths across. `main`: the calculator's first language. */
export function ladderTable(
  { over, rungs, asked = {} }: Extract<Readout, { shows: 'ladder' }>,
  figures: Figures,
  main: string,
): SaidTable {
  const { page } = figures.words
  const heading = {
    rates: page.rate,
    terms: page.length,
    extras: page.extra,
    amounts: page.amount,
    downPayments: page.downPayment,
    ratesByTerms: page.rate,
    answer: textIn(asked, figures.locale, main),
  }[over]
  if (over !== 'ratesByTerms')
    return {
      head: [heading, page.rows.payment, page.rows.payments, page.rows.totalInterest],
      rows: rungs.map((rung) => [
        rungName(rung, figures),
        figures.money(rung.payment),
        figures.count(rung.payments),
        figures.money(rung.totalInterest),
      ]),
    }
  const rates = [...new Set(rungs.map(({ rate }) => rate ?? ''))]
  const lengths = [...new Set(rungs.map(({ length }) => (length ? figures.term(length) : '')))]
  return {
    head: [heading, ...lengths],
    rows: rates.map((rate) => [
      figures.percent(rate),
      ...rungs.filter((rung) => rung.rate === rate).map(({ payment }) => figures.money(payment)),
    ]),
  }
}

/** What a rung is named by: its answer, its rate, its length or its amount. */
export function rungName({ answer, rate, length, amount }: Rung, figures: Figures): string {
  if (answer) return figures.value(answer)
  if (rate !== undefined) return figures.percent(rate)
  return length ? figures.term(length) : figures.moneyShort(amount ?? 0)
}

/** The answers that lead to no rung, each with why: "5%: This can be no less than …". */
export const refusedSaid = ({ refused = [] }: LadderFigures, figures: Figures): string[] =>
  refused.map(({ answer, problem }) => `${figures.value(answer)}: ${problemSentence(problem, figures)}`)
