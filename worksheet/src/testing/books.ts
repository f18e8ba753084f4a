import ExcelJS from 'exceljs'
import { columnLetters } from '../book/book'

/** A cell of a made workbook: a value, a formula ("=…") without a value, or a formula with the value a program worked out for it. */
export type MadeCell =
  string | number | boolean | { readonly formula: string; readonly result: number | string }
/** Cells by address. */
export type MadeCells = Readonly<Record<string, MadeCell>>

/** A workbook of one sheet, "S"; `formats` are number formats by address, `lists` the only values that cells allow. */
export async function bookOf(
  cells: MadeCells,
  formats: Readonly<Record<string, string>> = {},
  lists: Readonly<Record<string, readonly string[]>> = {},
): Promise<Uint8Array> {
  const workbook = new ExcelJS.Workbook()
  const sheet = workbook.addWorksheet('S')
  for (const [address, value] of Object.entries(cells))
    sheet.getCell(address).value =
      typeof value === 'string' && value.startsWith('=')
        ? { formula: value.slice(1) }
        : (value as ExcelJS.CellValue)
  for (const [address, format] of Object.entries(formats)) sheet.getCell(address).numFmt = format
  for (const [address, values] of Object.entries(lists))
    sheet.getCell(address).dataValidation = { type: 'list', formulae: [`"${values.join(',')}"`] }
  return new Uint8Array(await workbook.xlsx.writeBuffer())
}

export interface ScheduleMade {
  readonly principal: number
  readonly rate: number
  readonly years: number
  readonly perYear: number
  /** Paid on top each time; where it is zero there is no such column. */
  readonly extra?: number
  /** Whether figures are rounded to cents, row by row. */
  readonly isRounded?: boolean
  readonly isAcross?: boolean
  /** How many rows there are; as many as payments agreed where it is left out. */
  readonly rows?: number
  /** Whether rows behind the last payment are empty texts. */
  readonly isBlankBehind?: boolean
}

/** A schedule as people write it, with the values another program would have: number, opening, payment, extra, interest, principal, closing, interest so far. */
export function scheduleCells(made: ScheduleMade): { cells: MadeCells; formats: Record<string, string> } {
  const { principal, rate, years, perYear, extra = 0, isRounded = false, isAcross = false } = made
  const count = years * perYear
  const cents = (value: number) => (isRounded ? Math.round((value + 1e-9) * 100) / 100 : value)
  const period = rate / perYear
  const payment = cents((principal * period) / (1 - (1 + period) ** -count))
  const level = '-PMT(B2/B4,B3*B4,B1)'
  const cells: Record<string, MadeCell> = {
    A1: 'Loan ($)',
    B1: principal,
    A2: 'Annual rate',
    B2: rate,
    A3: 'Years',
    B3: years,
    A4: 'Payments per year',
    B4: perYear,
    A5: 'Payment',
    B5: { formula: isRounded ? `ROUND(${level},2)` : level, result: payment },
    A6: 'Extra each time ($)',
    B6: extra,
  }
  const columns = ['k', 'opening', 'paid', 'extra', 'interest', 'principal', 'closing', 'toDate'] as const
  const at = (what: (typeof columns)[number], k: number) => {
    const lane = columns.indexOf(what)
    return isAcross ? `${columnLetters(k + 2)}${10 + lane}` : `${columnLetters(lane + 1)}${11 + k}`
  }
  columns.forEach((what, i) => (cells[isAcross ? `A${10 + i}` : `${columnLetters(i + 1)}11`] = what))
  let [owed, toDate] = [principal, 0]
  for (let k = 1; k <= (made.rows ?? count); k++) {
    const [here, before] = [
      (w: (typeof columns)[number]) => at(w, k),
      (w: (typeof columns)[number]) => at(w, k - 1),
    ]
    const put = (what: (typeof columns)[number], formula: string, result: number) => {
      const isBlank = made.isBlankBehind && owed <= 1e-6 && what !== 'k'
      const text =
        made.isBlankBehind && k > 1
          ? `IF(${before('closing')}="","",IF(${before('closing')}<0.005,"",${formula}))`
          : formula
      cells[here(what)] = { formula: what === 'k' ? formula : text, result: isBlank ? '' : result }
    }
    const interest = cents(owed * period)
    const paid = Math.min(payment, owed + interest)
    const onTop = Math.min(extra, owed + interest - paid)
    const closing = cents(owed + interest - paid - onTop)
    toDate = cents(toDate + interest)
    if (k === 1) cells[here('k')] = 1
    else put('k', `${before('k')}+1`, k)
    put('opening', k === 1 ? '$B$1' : before('closing'), owed)
    put('paid', `MIN($B$5,${here('opening')}+${here('interest')})`, paid)
    put('extra', `MIN($B$6,${here('opening')}+${here('interest')}-${here('paid')})`, onTop)
    const ofPeriod = `${here('opening')}*$B$2/$B$4`
    put('interest', isRounded ? `ROUND(${ofPeriod},2)` : ofPeriod, interest)
    put('principal', `${here('paid')}+${here('extra')}-${here('interest')}`, paid + onTop - interest)
    const left = `${here('opening')}-${here('principal')}`
    put('closing', isRounded ? `ROUND(${left},2)` : left, closing)
    put('toDate', k === 1 ? here('interest') : `${before('toDate')}+${here('interest')}`, toDate)
    owed = closing
  }
  return { cells, formats: { B2: '0.00%' } }
}
