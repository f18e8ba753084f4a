import type { Ledger, Program } from '@vivid/core/evaluate'
import { ENCODING_MARK, writeCsv, type CsvStyle } from '@vivid/contract/formats'
import type { PageWords } from '@vivid/contract/wording'

const always = ['payment', 'principal', 'interest', 'extra', 'closing'] as const
const insured = ['payment', 'principal', 'interest', 'extra', 'insurance', 'closing'] as const

/**
 * The schedule as CSV (RFC 4180): a header, then one line a payment, amounts as plain decimals, or as `style` says. The
 * insurance stands in it where some is paid.
 */
export function scheduleCsv(
  ledger: Ledger,
  { minorDigits }: Pick<Program, 'minorDigits'>,
  words: PageWords,
  style: CsvStyle = 'point',
): string {
  const amount = (minor: number) => (minor / 10 ** minorDigits).toFixed(minorDigits)
  const columns = { ...words.columns, closing: words.columns.balance }
  const amounts = ledger.totals.insurance > 0 ? insured : always
  const head = [words.number, columns.date, ...amounts.map((name) => columns[name])]
  const rows = Array.from({ length: ledger.count }, (_, i) => {
    const row = ledger.at(ledger.firstNumber + i)
    return [row.number, row.date ?? '', ...amounts.map((name) => amount(row[name]))]
  })
  return ENCODING_MARK + writeCsv([head, ...rows], style)
}
