import ExcelJS from 'exceljs'
import { expect, test } from 'vitest'
import { CalculatorDocument } from '@vivid/core'
import { figuresOf, readWorksheet, reportOf, type CellValue } from '..'
import { hand, inputs } from '../testing/by-hand'
import { draftOf } from '../testing/drafts'

const loansOf = ({ steps }: CalculatorDocument) => steps.filter((step) => step.kind === 'loan')

/** An unrounded schedule of so many rows, with the values its formulas have. */
async function scheduleOf(
  rows: number,
  besides: Readonly<Record<string, string | number>> = {},
): Promise<Uint8Array> {
  const workbook = new ExcelJS.Workbook()
  const sheet = workbook.addWorksheet('S')
  const [principal, rate] = [250_000, 0.0525]
  const payment = (principal * (rate / 12)) / (1 - (1 + rate / 12) ** -rows)
  const put = (address: string, value: string | number, result?: number) =>
    (sheet.getCell(address).value =
      typeof value === 'string' && result !== undefined ? { formula: value, result } : value)
  put('A1', 'Loan ($)')
  put('B1', principal)
  put('A2', 'Rate (% p.a.)')
  put('B2', rate * 100)
  put('A3', 'Months')
  put('B3', rows)
  put('A4', 'Payment')
  put('B4', '-PMT(B2/1200,B3,B1)', payment)
  let owed = principal
  let interestInAll = 0
  for (let k = 1; k <= rows; k++) {
    const row = 6 + k
    const interest = (owed * rate) / 12
    put(`A${row}`, k)
    put(`B${row}`, k === 1 ? '$B$1' : `F${row - 1}`, owed)
    put(`C${row}`, '$B$4', payment)
    put(`D${row}`, `B${row}*$B$2/1200`, interest)
    put(`E${row}`, `C${row}-D${row}`, payment - interest)
    owed -= payment - interest
    interestInAll += interest
    put(`F${row}`, `B${row}-E${row}`, owed)
    put(`G${row}`, k === 1 ? `-D${row}` : `G${row - 1}-D${row}`, -interestInAll)
  }
  put('D500', `SUM(D7:D${6 + rows})`, interestInAll)
  for (const [address, value] of Object.entries(besides)) put(address, value)
  return new Uint8Array(await workbook.xlsx.writeBuffer())
}

test('a schedule to the cent is known where its rate is a number in percent, and its length in years', async () => {
  const workbook = new ExcelJS.Workbook()
  const sheet = workbook.addWorksheet('S')
  const cells = { A1: 'Loan ($)', B1: 9_000, A2: 'Rate (% p.a.)', B2: 4.8, A3: 'Years', B3: 2 }
  for (const [address, value] of Object.entries(cells)) sheet.getCell(address).value = value
  const cents = (value: number) => Math.round((value + Number.EPSILON) * 100) / 100
  const payment = cents((9_000 * 0.004) / (1 - 1.004 ** -24))
  sheet.getCell('B4').value = { formula: 'ROUND(-PMT(B2/1200,B3*12,B1),2)', result: payment }
  let owed = 9_000
  for (let k = 1; k <= 24; k++) {
    const row = 10 + k
    const interest = cents(owed * 0.004)
    const paid = k === 24 ? cents(owed + interest) : payment
    const before = k === 1 ? '$B$1' : `E${row - 1}`
    sheet.getCell(`C${row}`).value = { formula: `ROUND(${before}*$B$2/1200,2)`, result: interest }
    sheet.getCell(`D${row}`).value = { formula: `MIN($B$4,${before}+C${row})`, result: paid }
    owed = cents(owed + interest - paid)
    sheet.getCell(`E${row}`).value = { formula: `${before}+C${row}-D${row}`, result: owed }
  }
  const bytes = new Uint8Array(await workbook.xlsx.writeBuffer())
  const { figures, leftOut, document } = reportOf(await readWorksheet(bytes, 'Cents'))
  expect(leftOut).toEqual([])
  expect(figures.filter(({ agrees }) => !agrees)).toEqual([])
  expect(figures).toHaveLength(73)
  expect(document.steps.filter(({ kind }) => kind === 'loan')).toHaveLength(1)
})

test.each([12, 13, 24])('an unrounded schedule of %i rows is not taken for one to the cent', async (rows) => {
  const { figures, document } = reportOf(await readWorksheet(await scheduleOf(rows), 'Short'))
  expect(figures.filter(({ agrees }) => !agrees).slice(0, 3)).toEqual([])
  expect(loansOf(document)).toHaveLength(1)
  const lines = document.proofs.flatMap(({ expected }) => expected.map(({ of }) => of))
  expect(lines.filter((of) => of.includes('of payment(') || of.includes('balance after('))).toEqual([])
})

test('an unrounded schedule of 360 rows is taken over whole, with what is added up of it', async () => {
  const draft = await readWorksheet(await scheduleOf(360), 'Long')
  const { figures, leftOut, document } = reportOf(draft)
  expect(leftOut).toEqual([])
  expect(figures).toHaveLength(360 * 6 + 2)
  expect(figures.filter(({ agrees }) => !agrees).slice(0, 3)).toEqual([])
  expect(document.steps.length).toBeLessThan(20)
  expect(CalculatorDocument.safeParse(document).error).toBeUndefined()
  const other = new Map(figuresOf(draft, { 'S!B1': 125_000 }).map(({ cell, got }) => [cell, Number(got)]))
  const as = new Map(figures.map(({ cell, got }) => [cell, Number(got)]))
  for (const cell of ['S!D7', 'S!B200', 'S!E366', 'S!D500'])
    expect(other.get(cell)).toBeCloseTo((as.get(cell) ?? 0) / 2, 5)
})

test('a table of many rows that carry nothing is proven row by row', async () => {
  const rows = Object.fromEntries(
    Array.from({ length: 15 }, (_, i) => [
      `D${21 + i}`,
      { formula: `-PMT($B$2/1200,$B$3,$B$1)*A${21 + i}`, result: hand.payment * (i + 1) },
    ]),
  )
  const factors = Object.fromEntries(Array.from({ length: 15 }, (_, i) => [`A${21 + i}`, i + 1]))
  const { figures, leftOut, document } = reportOf(await draftOf({ ...inputs, ...factors, ...rows }))
  expect(leftOut).toEqual([])
  expect(figures.filter(({ agrees }) => !agrees)).toEqual([])
  expect(figures).toHaveLength(15)
  expect(document.steps.filter(({ kind }) => kind === 'working')).toEqual([])
})

test('a schedule rests on the cells its formulas rest on, whatever other cell has the same figure', async () => {
  // Typed before the others, and the same as the loan and its length.
  const alike = { H1: 'Cover ($)', I1: 250_000, H2: 'Cover lasts, months', I2: 60, K1: 1, K2: 2 }
  const bytes = await scheduleOf(60, alike)
  const workbook = new ExcelJS.Workbook()
  await workbook.xlsx.load(bytes.slice().buffer as ArrayBuffer)
  const sheet = workbook.getWorksheet('S')
  if (sheet) sheet.getCell('K3').value = { formula: 'I1/I2', result: 250_000 / 60 }
  const draft = await readWorksheet(new Uint8Array(await workbook.xlsx.writeBuffer()), 'Alike')
  const got = (answers: Record<string, CellValue>, cell: string) =>
    figuresOf(draft, answers).find((one) => one.cell === cell)?.got
  expect(got({ 'S!I1': 1, 'S!I2': 1 }, 'S!F20')).toBe(got({}, 'S!F20'))
  expect(got({ 'S!B1': 125_000 }, 'S!F20')).toBeCloseTo(Number(got({}, 'S!F20')) / 2, 5)
})
