import ExcelJS from 'exceljs'
import { sheetNames, xmlText } from '@vivid/contract/formats'
import { isRightToLeft, servedWords } from '@vivid/contract/wording'
import { textIn, type LedgerRow } from '@vivid/core'
import type { ShownFigures } from '../figures/shown-figures'

/** The schedule as an Office Open XML workbook (ISO/IEC 29500): a sheet of payments and one of years, numbers as numbers. */
export async function scheduleWorkbook(shown: ShownFigures): Promise<Buffer> {
  const { program, language, main, words, figures } = shown
  const served = servedWords(language, program.words)
  const { ledger } = shown
  if (!ledger) throw new Error('a schedule is kept of a loan only')
  const book = new ExcelJS.Workbook()
  book.creator = xmlText(program.lender)
  book.created = new Date(`${shown.on}T00:00:00Z`)
  book.modified = book.created
  const view = { rightToLeft: isRightToLeft(language), state: 'frozen' as const, ySplit: 1 }
  const amount = (minor: number) => minor / 10 ** figures.digits
  const amountFormat = figures.digits === 0 ? '#,##0' : `#,##0.${'0'.repeat(figures.digits)}`
  const { columns } = words

  const [title = '', year = ''] = sheetNames([textIn(program.title, language, main), words.year])
  const payments = book.addWorksheet(title, { views: [view] })
  payments.columns = [
    { header: words.number, width: 8 },
    { header: columns.date, width: 13, style: { numFmt: 'yyyy-mm-dd' } },
    ...amountColumns.map((name) => ({ header: columns[name], width: 16, style: { numFmt: amountFormat } })),
  ]
  for (let number = ledger.firstNumber; number <= ledger.lastNumber; number++) {
    const row = ledger.at(number)
    payments.addRow([
      number,
      row.date ? new Date(`${row.date}T00:00:00Z`) : null,
      ...amountColumns.map((name) => amount(amountOf[name](row))),
    ])
  }

  const years = book.addWorksheet(year, { views: [view] })
  years.columns = [
    { header: words.year, width: 8 },
    ...amountColumns.map((name) => ({ header: columns[name], width: 16, style: { numFmt: amountFormat } })),
  ]
  for (const { year, paid, principal, interest, extra, insurance, closing } of ledger.byYear())
    years.addRow([year, ...[paid, principal, interest, extra, insurance, closing].map(amount)])
  years.addRow([])
  if (shown.ledgerName) years.addRow([served.scheduleOf(shown.ledgerName)])
  years.addRow([served.madeOn(figures.date(shown.on), shown.calculator.edition)])
  years.addRow([served.illustration])
  for (const sheet of [payments, years]) sheet.getRow(1).font = { bold: true }
  return Buffer.from(await book.xlsx.writeBuffer())
}

const amountColumns = ['payment', 'principal', 'interest', 'extra', 'insurance', 'balance'] as const
const amountOf: Record<(typeof amountColumns)[number], (row: LedgerRow) => number> = {
  payment: (row) => row.payment,
  principal: (row) => row.principal,
  interest: (row) => row.interest,
  extra: (row) => row.extra,
  insurance: (row) => row.insurance,
  balance: (row) => row.closing,
}
