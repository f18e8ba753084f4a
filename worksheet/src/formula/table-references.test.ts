import ExcelJS from 'exceljs'
import { expect, test } from 'vitest'
import { figuresOf, readWorksheet, reportOf } from '..'
import type { TableOnSheet } from '../book/book'
import { withoutNames } from '../understand/references'
import { NotTaken } from './formula'
import { parseFormula } from './parse-formula'
import { withCells } from './table-references'

/** Heading in row 2, figures in rows 3 to 5, totals in row 6; columns B to D. */
const rates: TableOnSheet = {
  name: 'Rates',
  sheet: "Dan's",
  from: { row: 2, column: 2 },
  to: { row: 6, column: 4 },
  columns: ['Score', 'Rate a year', '#1'],
  hasHeader: true,
  hasTotals: true,
}
const tables = new Map([['rates', rates]])
const cellsFor = (text: string, row = 4) => withCells(text, tables, row)

test.each([
  ['SUM(Rates[Score])', "SUM('Dan''s'!$B$3:$B$5)"],
  ['SUM(rates[rate a year])', "SUM('Dan''s'!$C$3:$C$5)"],
  ['Rates[[#This Row],[Score]]*2', "'Dan''s'!$B4*2"],
  ['Rates[@Score]+Rates[@[Rate a year]]', "'Dan''s'!$B4+'Dan''s'!$C4"],
  ['SUM(Rates[[#This Row],[Score]:[Rate a year]])', "SUM('Dan''s'!$B4:$C4)"],
  ['SUM(Rates[[Score]:[Rate a year]])', "SUM('Dan''s'!$B$3:$C$5)"],
  ['Rates[[#Totals],[Score]]', "'Dan''s'!$B$6"],
  ['Rates[[#Headers],[Score]]', "'Dan''s'!$B$2"],
  ['ROWS(Rates[#All])', "ROWS('Dan''s'!$B$2:$D$6)"],
  ['COUNT(Rates[[#Headers],[#Data],[Score]])', "COUNT('Dan''s'!$B$2:$B$5)"],
  ["SUM(Rates['#1])", "SUM('Dan''s'!$D$3:$D$5)"],
  ['"Rates[Score]"&Rates[[#This Row],[Score]]', `"Rates[Score]"&'Dan''s'!$B4`],
  ['A1+1', 'A1+1'],
])('%s takes %s', (text, cells) => expect(cellsFor(text)).toBe(cells))

test.each([
  ['Rates[Scores]', 'the table “Rates” has no column “Scores”'],
  ['Fees[Score]', 'there is no table “Fees”'],
  ['Rates[[#Later],[Score]]', '“#Later” of a table is not understood'],
])('%s is not taken: %s', (text, why) => expect(() => cellsFor(text)).toThrow(new NotTaken(why)))

test.each([
  ['a'.repeat(8_000) + '['],
  ['"'.repeat(8_001) + '['],
  ['a['.repeat(4_000)],
  ['a[['.repeat(2_700)],
])('what looks like a reference is soon known to be none: %#', (text) => expect(cellsFor(text)).toBe(text))

test('its own row is none beside the table', () =>
  expect(() => cellsFor('Rates[[#This Row],[Score]]', 9)).toThrow(
    'it takes its own row of the table “Rates”',
  ))

test('the name of a table, and a name for a column of it, are its figures', () => {
  const book = { sheets: [], tables, names: new Map([['scores', 'Rates[Score]']]) }
  const range = (name: string) => withoutNames(parseFormula(name, 'Loan'), book)
  const figures = { is: 'range', sheet: "Dan's", from: { row: 3, column: 2 } }
  expect(range('Rates')).toMatchObject({ ...figures, to: { row: 5, column: 4 } })
  expect(range('Scores')).toMatchObject({ ...figures, to: { row: 5, column: 2 } })
})

test('a worksheet with a table is read: what is looked up in it, and what stands in its rows', async () => {
  const workbook = new ExcelJS.Workbook()
  const sheet = workbook.addWorksheet('Loan')
  const table = (name: string, ref: string, columns: string[], rows: unknown[][]) =>
    sheet.addTable({ name, ref, headerRow: true, columns: columns.map((one) => ({ name: one })), rows })
  table(
    'Rates',
    'E1',
    ['Score', 'Rate'],
    [
      [600, 0.089],
      [660, 0.074],
      [720, 0.0615],
    ],
  )
  sheet.getCell('A1').value = 'Score'
  sheet.getCell('B1').value = 700
  sheet.getCell('A2').value = 'Loan'
  sheet.getCell('B2').value = 25_000
  sheet.getCell('A3').value = 'Rate'
  sheet.getCell('B3').value = { formula: 'VLOOKUP(B1,Rates,2,TRUE)', result: 0.074 }
  sheet.getCell('A4').value = 'Interest in the first year'
  sheet.getCell('B4').value = {
    formula: '_xlfn.XLOOKUP(B1,Rates[Score],Rates[Rate],,-1)*B2',
    result: 1_850,
  }
  for (const address of ['B3', 'F2', 'F3', 'F4']) sheet.getCell(address).numFmt = '0.00%'
  const draft = await readWorksheet(new Uint8Array(await workbook.xlsx.writeBuffer()), 'Rated')
  expect(reportOf(draft).leftOut).toEqual([])
  const gotFor = (score: number) => figuresOf(draft, { 'Loan!B1': score }).map(({ got }) => got)
  expect([gotFor(700), gotFor(730), gotFor(660)]).toEqual([
    [0.074, 1_850],
    [0.0615, 1_537.5],
    [0.074, 1_850],
  ])
})
