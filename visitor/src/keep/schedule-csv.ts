import type { Ledger, Program } from '@vivid/core/evaluate'
import { ENCODING_MARK, writeCsv, type CsvStyle } from '@vivid/contract/formats'
import type { PageWords } from '@vivid/contract/wording'

/** The schedule as CSV (RFC 4180): a header, then one line a payment, amounts as plain decimals, or as `style` says. */
export function scheduleCsv(
  ledger: Ledger,
  { minorDigits }: Pick<Program, 'minorDigits'>,
  words: PageWords,
  style: CsvStyle = 'point',
): string {
  const amount = (minor: number) => (minor / 10 ** minorDigits).toFixed(minorDigits)
  const { columns } = words
  const head = [
    words.number,
    columns.date,
    columns.payment,
    columns.principal,
    columns.interest,
    columns.extra,
    columns.balance,
  ]
  const rows = Array.from({ length: ledger.count }, (_, i) => {
    const row = ledger.at(ledger.firstNumber + i)
    return [
      row.number,
      row.date ?? '',
      ...[row.payment, row.principal, row.interest, row.extra, row.closing].map(amount),
    ]
  })
  return ENCODING_MARK + writeCsv([head, ...rows], style)
}
