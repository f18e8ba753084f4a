import {
  compile,
  createEvaluator,
  mainText,
  type Answers,
  type Around,
  type CalculatorDocument,
  type Currency,
  type ProgramStep,
  type Value,
} from '@vivid/core'
import ExcelJS from 'exceljs'
import { writeFormula, type Cells } from './formula-out'
import { writeLoan, type LoanCells } from './loan-out'
import { addSheet, formats, onSheet, put, type PutCell } from './sheet-out'
import { as, NotWritten, written, type Written } from './written'

/**
 * A calculator's figures for one visitor as a worksheet (.xlsx, ISO/IEC 29500) with live formulas (OASIS OpenFormula 1.3):
 * questions, workings, loans with their schedules, what comes out. What a worksheet cannot work out stands as its value, and says so.
 */
export async function writeWorksheet(
  document: CalculatorDocument,
  answers: Answers,
  around: Around,
): Promise<Uint8Array> {
  const { program } = compile(document, around.sheets)
  const evaluation = createEvaluator(program)(answers, around)
  const minor = 10 ** program.minorDigits
  const money = moneyFormat(program.currency, program.minorDigits)
  const workbook = new ExcelJS.Workbook()
  const sheet = addSheet(workbook, 'Calculator')
  const places = new Map<string, { address: string; unit: string }>()
  const loans = new Map<string, LoanCells>()
  let row = 1

  const cells: Cells = {
    step(id) {
      const place = places.get(id)
      if (!place) throw new NotWritten('it takes a value that has no cell')
      return sized(onSheet(sheet.name, place.address), place.unit)
    },
    figure(id, of) {
      const loan = loans.get(id)
      if (!loan) throw new NotWritten('it takes a figure of a step that is no loan')
      return loan.figure(of)
    },
    ofSchedule(id, column, payment) {
      const loan = loans.get(id)
      if (!loan) throw new NotWritten('it asks a loan that has no schedule')
      return loan.ofSchedule(column, payment)
    },
  }

  heading(mainText(document.title, document.languages))
  row++
  section('What visitors answer')
  for (const one of program.steps) if (one.step.kind === 'question') value(one, labelOf(one))
  // In the order they are worked out: what rests on a loan comes behind it.
  section('Workings')
  for (const id of program.order) {
    const one = program.steps.find(({ step }) => step.id === id)
    if (one?.step.kind === 'working' || one?.step.kind === 'lookUp') value(one, one.step.name)
    if (one?.step.kind === 'loan') loan(one)
  }
  section('What comes out')
  for (const one of program.steps)
    if (one.step.kind === 'readout' && one.step.shows === 'figure' && !evaluation.hidden.has(one.step.id))
      readout(one)
  sheet.getColumn(1).width = 46
  sheet.getColumn(2).width = 20
  return new Uint8Array(await workbook.xlsx.writeBuffer())

  function heading(text: string): void {
    put(sheet, `A${row}`, { value: text })
    sheet.getCell(`A${row}`).font = { bold: true, size: 14 }
    row++
  }
  function section(text: string): void {
    row++
    put(sheet, `A${row}`, { value: text })
    sheet.getCell(`A${row}`).font = { bold: true }
    row++
  }

  function labelOf({ step }: ProgramStep): string {
    return 'label' in step ? mainText(step.label, document.languages) || step.name : step.name
  }

  /** A step with one value: a formula where it has one that a worksheet can work out. */
  function value(one: ProgramStep, label: string): void {
    const { step } = one
    const found = evaluation.values[step.id]
    const cell = found && cellOf(found)
    if (!cell) return
    const [formula, why] = formulaOf(one)
    put(sheet, `A${row}`, { value: `${label}${found.unit === 'term' ? ' (years)' : ''}` })
    put(sheet, `B${row}`, { ...cell, formula })
    if (why) put(sheet, `C${row}`, { value: `A value, no formula: ${why}.` })
    else if (step.kind === 'question') rule(step, `B${row}`)
    places.set(step.id, { address: `B${row}`, unit: found.unit })
    row++
  }

  function formulaOf({
    step,
    formulas,
  }: ProgramStep): [formula: string | undefined, why: string | undefined] {
    if (step.kind === 'question') return [undefined, undefined]
    if (step.kind === 'lookUp') return [undefined, 'it is looked up in a rate sheet']
    const { expression } = formulas.formula ?? {}
    const found = evaluation.values[step.id]
    if (!expression || !found) return [undefined, 'it has no value']
    try {
      if (step.kind === 'working' && step.rounding)
        throw new NotWritten('it is rounded when it is worked out')
      return [as(writeFormula(expression, cells, minor), sizeOf(found.unit)), undefined]
    } catch (error) {
      if (error instanceof NotWritten) return [undefined, error.message]
      throw error
    }
  }

  function loan(one: ProgramStep): void {
    const ledger = evaluation.ledgers.get(one.step.id)
    const terms = evaluation.terms.get(one.step.id)
    if (!ledger || !terms) return
    loans.set(
      one.step.id,
      writeLoan(addSheet(workbook, one.step.name), { program, step: one, terms, ledger, money }, cells),
    )
  }

  function readout({ step, formulas }: ProgramStep): void {
    const shown = evaluation.readouts.find((one) => one.id === step.id)
    const found = shown && 'value' in shown ? shown.value : undefined
    const cell = found && cellOf(found)
    if (!cell || step.kind !== 'readout') return
    put(sheet, `A${row}`, { value: mainText(step.label, document.languages) || step.name })
    const { expression } = formulas.value ?? {}
    try {
      if (!expression) throw new NotWritten('it has no formula')
      put(sheet, `B${row}`, {
        ...cell,
        formula: as(writeFormula(expression, cells, minor), sizeOf(found.unit)),
      })
    } catch (error) {
      if (!(error instanceof NotWritten)) throw error
      put(sheet, `B${row}`, cell)
      put(sheet, `C${row}`, { value: `A value, no formula: ${error.message}.` })
    }
    row++
  }

  function rule(step: Extract<ProgramStep['step'], { kind: 'question' }>, address: string): void {
    const options = step.asks === 'choice' ? step.options.map(({ name }) => name) : []
    const list = `"${options.join(',')}"`
    if (options.length > 0 && list.length < 255 && !options.some((one) => /[",]/.test(one)))
      sheet.getCell(address).dataValidation = { type: 'list', allowBlank: false, formulae: [list] }
  }

  /** How many times a cell is what it stands for. */
  function sizeOf(unit: string): number {
    return unit === 'money' || unit === 'share' ? minor : unit === 'percent' ? 100 : unit === 'term' ? 12 : 1
  }
  function sized(text: string, unit: string): Written {
    return written(text, sizeOf(unit))
  }

  function cellOf(of: Value): PutCell | undefined {
    switch (of.unit) {
      case 'money':
        return { value: Number(of.exact ?? of.money / minor), format: money }
      case 'share':
        return { value: of.money / minor, format: money }
      case 'percent':
        return { value: Number(of.percent) / 100, format: formats.percent }
      case 'number':
        return { value: Number(of.number), format: formats.number }
      case 'count':
        return { value: Number(of.count), format: formats.count }
      case 'term':
        return { value: (of.years * 12 + of.months) / 12, format: formats.number }
      case 'yesNo':
        return { value: of.yes }
      case 'text':
        return { value: of.text }
      case 'frequency':
        return { value: of.frequency }
      case 'date':
        return { value: of.date }
      default:
        return undefined
    }
  }
}

function moneyFormat(currency: Currency, digits: number): string {
  const sign = new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' })
    .formatToParts(0)
    .find(({ type }) => type === 'currency')?.value
  return `"${sign ?? currency}"#,##0${digits > 0 ? `.${'0'.repeat(digits)}` : ''}`
}
