import type { Ledger, LedgerRow, LedgerYear, ScheduleColumn } from '@vivid/core/evaluate'
import type { Figures } from '@vivid/contract/wording'

/** One cell of a schedule, for a year or for a payment; amounts are minor units of the ledger, never worked out here. */
export function cellOf(
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

/** The payments of a ledger from one number to another. */
export const rowsBetween = (ledger: Ledger, from: number, to: number): LedgerRow[] =>
  Array.from({ length: to - from + 1 }, (_, i) => ledger.at(from + i))
