import { factsOf, type Ledger, type LoanTerms, type Program, type ProgramStep } from '@vivid/core'
import type { Worksheet } from 'exceljs'
import { perYearOf, writeFormula, type Cells, type ScheduleColumn } from './formula-out'
import { formats, onSheet, put } from './sheet-out'
import { as, inBrackets, NotWritten, written, type Written } from './written'

/** The rows that say what the loan is agreed on, and where its schedule begins. */
const [AMOUNT, RATE, PER_YEAR, PERIOD_RATE, COUNT, PAYMENT, INTEREST, PAID] = [
  2, 3, 4, 5, 6, 7, 8, 9,
] as const
const HEAD = 11
const FIRST = HEAD + 1
const COLUMNS: Readonly<Record<ScheduleColumn, string>> = {
  payment: 'C',
  interest: 'D',
  principal: 'E',
  closing: 'F',
  interestTo: 'G',
  principalTo: 'H',
}

/** The figures of a loan on its sheet. */
export interface LoanCells {
  readonly figure: (of: string) => Written
  readonly ofSchedule: (column: ScheduleColumn, payment: string) => Written
}

interface Loan {
  readonly program: Program
  readonly step: ProgramStep
  readonly terms: LoanTerms
  readonly ledger: Ledger
  /** The format of an amount. */
  readonly money: string
}

/** Why a loan's schedule is written as figures, not formulas; undefined where it has formulas. */
function whyFigures({ step, terms }: Loan): string | undefined {
  const {
    extras = [],
    rateChanges = [],
    dayCount = 'equal',
    due = 'end',
    rounding,
    balloon = 0,
    fees,
  } = terms
  if (extras.length > 0) return 'it has extra payments'
  if (rateChanges.length > 0) return 'its rate changes'
  if (dayCount !== 'equal') return 'its interest counts days'
  if (due !== 'end') return 'it is paid at the start of each period'
  if (terms.grace || terms.alreadyPaid || balloon > 0) return 'it has more than level payments'
  if (terms.insurance || fees?.eachPayment || fees?.financed) return 'it has premiums or fees'
  if (factsOf(terms.frequency).monthlyPaymentOver) return 'its payments are accelerated'
  if (rounding?.interest === 'halfEven' || (rounding?.payment ?? 'nearest') !== 'nearest')
    return 'it rounds in a way of its own'
  if (terms.settleAtTerm || step.formulas['terms.initialRepayment']) return 'its payment is agreed otherwise'
  return undefined
}

/** Writes a loan on a sheet of its own: what it is agreed on, its payment and its schedule, as formulas where a worksheet has them. */
export function writeLoan(sheet: Worksheet, loan: Loan, cells: Cells): LoanCells {
  const { program, step, terms, ledger, money } = loan
  const minor = 10 ** program.minorDigits
  const digits = program.minorDigits
  const why = whyFigures(loan)
  const last = FIRST + ledger.count - 1
  const rows = Array.from({ length: ledger.count }, (_, i) => i + 1)
  const perYear = factsOf(terms.frequency).perYear
  const compounding = terms.compounding ?? 'perPayment'
  const periodRate =
    compounding === 'perPayment'
      ? Number(terms.annualRate) / 100 / perYear
      : (1 + Number(terms.annualRate) / 100 / compounding) ** (compounding / perYear) - 1
  const totals = {
    interest: ledger.interestTo(ledger.lastNumber) / minor,
    paid: rows.reduce((sum, k) => sum + ledger.at(k).payment, 0) / minor,
  }
  put(sheet, 'A1', { value: step.step.name })
  const line = (row: number, label: string, value: number, format: string, formula?: () => string) => {
    put(sheet, `A${row}`, { value: label })
    put(sheet, `B${row}`, { value, format, formula: why === undefined ? tried(formula) : undefined })
  }
  line(AMOUNT, 'Amount', terms.principal / minor, money, () => from('principal', minor))
  line(RATE, 'Rate a year', Number(terms.annualRate) / 100, formats.percent, () => from('annualRate', 100))
  line(PER_YEAR, 'Payments a year', perYear, formats.count, frequencyFormula)
  line(PERIOD_RATE, 'Rate a payment', periodRate, '0.000000%', () =>
    compounding === 'perPayment'
      ? `B${RATE}/B${PER_YEAR}`
      : `(1+B${RATE}/${compounding})^(${compounding}/B${PER_YEAR})-1`,
  )
  line(COUNT, 'Number of payments', ledger.count, formats.count, countFormula)
  line(PAYMENT, 'Payment', ledger.at(1).payment / minor, money, () =>
    step.formulas['terms.payment']
      ? `ROUND(${from('payment', minor)},${digits})`
      : `ROUND(-PMT(B${PERIOD_RATE},B${COUNT},B${AMOUNT}),${digits})`,
  )
  line(INTEREST, 'Interest in all', totals.interest, money, () => `SUM(D${FIRST}:D${last})`)
  line(PAID, 'Paid in all', totals.paid, money, () => `SUM(C${FIRST}:C${last})`)
  if (why) put(sheet, 'D1', { value: `Written as figures, not formulas: ${why}.` })
  writeRows()
  return { figure, ofSchedule }

  function from(term: string, size: number): string {
    const formula = step.formulas[`terms.${term}`]
    if (!formula) throw new NotWritten(`it has no ${term}`)
    return as(writeFormula(formula.expression, cells, minor), size)
  }

  function frequencyFormula(): string {
    const { expression } = step.formulas['terms.frequency'] ?? {}
    if (expression?.op !== 'step') throw new NotWritten('how often it is paid is fixed')
    return perYearOf(cells.step(expression.id).text)
  }

  function countFormula(): string {
    if (step.formulas['terms.payments']) return from('payments', 1)
    if (step.formulas['terms.payment']) return `MAX(A${FIRST}:A${last})`
    return `ROUND(${inBrackets(from('term', 12))}*B${PER_YEAR},0)`
  }

  function writeRows(): void {
    const heads = [
      'No.',
      'Owed before',
      'Payment',
      'Interest',
      'Principal',
      'Owed after',
      'Interest so far',
      'Principal so far',
    ]
    heads.forEach((head, i) => put(sheet, `${'ABCDEFGH'[i] ?? 'A'}${HEAD}`, { value: head }))
    const isGiven = step.formulas['terms.payment'] !== undefined
    for (const k of rows) {
      const at = FIRST + k - 1
      const before = at - 1
      const row = ledger.at(k)
      const whole = `B${at}+D${at}`
      const paid = isGiven
        ? `MIN($B$${PAYMENT},${whole})`
        : `IF(A${at}=$B$${COUNT},${whole},MIN($B$${PAYMENT},${whole}))`
      const cell = (column: string, value: number, formula: string) =>
        put(sheet, `${column}${at}`, {
          value: value / minor,
          format: money,
          formula: why ? undefined : formula,
        })
      put(sheet, `A${at}`, {
        value: k,
        formula: k === 1 || why ? undefined : `A${before}+1`,
        format: formats.count,
      })
      cell('B', row.opening, k === 1 ? `$B$${AMOUNT}` : `F${before}`)
      cell('C', row.payment, paid)
      cell('D', row.interest, `ROUND(B${at}*$B$${PERIOD_RATE},${digits})`)
      cell('E', row.principal, `C${at}-D${at}`)
      cell('F', row.closing, `ROUND(B${at}-E${at},${digits})`)
      cell('G', ledger.interestTo(k), k === 1 ? `D${at}` : `G${before}+D${at}`)
      cell('H', ledger.principalTo(k), k === 1 ? `E${at}` : `H${before}+E${at}`)
    }
  }

  function figure(of: string): Written {
    const isOfSchedule = !['principal', 'borrowed', 'rate', 'payments a year', 'payment'].includes(of)
    if (why && isOfSchedule)
      throw new NotWritten(`the schedule of “${step.step.name}” stands as figures: ${why}`)
    const at = (row: number, size = minor) => written(onSheet(sheet.name, `B${row}`), size)
    switch (of) {
      case 'principal':
      case 'borrowed':
        return at(AMOUNT)
      case 'rate':
        return at(RATE, 100)
      case 'payments a year':
        return at(PER_YEAR, 1)
      case 'payments':
        return at(COUNT, 1)
      case 'payment':
        return at(PAYMENT)
      case 'total interest':
        return at(INTEREST)
      case 'total payments':
        return at(PAID)
      case 'first interest':
        return written(onSheet(sheet.name, `D${FIRST}`), minor)
      case 'last payment':
        return written(onSheet(sheet.name, `C${last}`), minor)
      default:
        throw new NotWritten(`a worksheet has no cell for “${step.step.name}.${of}”`)
    }
  }

  function ofSchedule(column: ScheduleColumn, payment: string): Written {
    if (why) throw new NotWritten(`the schedule of “${step.step.name}” stands as figures: ${why}`)
    const letter = COLUMNS[column]
    const range = `'${sheet.name}'!$${letter}$${FIRST}:$${letter}$${last}`
    return written(`INDEX(${range},${payment})`, minor)
  }
}

/** The formula, unless there is none. */
function tried(formula: (() => string) | undefined): string | undefined {
  try {
    return formula?.()
  } catch (error) {
    if (error instanceof NotWritten) return undefined
    throw error
  }
}
