import type {
  ComparedColumn,
  ComparisonRow,
  Ledger,
  LedgerRow,
  LedgerYear,
  Readout,
  Rung,
  ScheduleColumn,
} from '@vivid/core/evaluate'
import type { Figures } from './language'

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
    default:
      return figures.money(column[row])
  }
}

/** A ladder: a row a rung; or, over rates and lengths at once, rates down and lengths across. */
export function ladderTable(
  { over, rungs }: Extract<Readout, { shows: 'ladder' }>,
  figures: Figures,
): SaidTable {
  const { page } = figures.words
  const heading = {
    rates: page.rate,
    terms: page.length,
    extras: page.extra,
    amounts: page.amount,
    ratesByTerms: page.rate,
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

/** What a rung is named by: its rate, its length or its amount. */
const rungName = ({ rate, length, amount }: Rung, figures: Figures): string =>
  rate !== undefined ? figures.percent(rate) : length ? figures.term(length) : figures.moneyShort(amount ?? 0)
