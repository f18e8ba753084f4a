import { expect, test } from 'vitest'
import { starters } from '@vivid/core'
import { readRows, writeRows } from './sheet-csv'

const [sheet] = starters.find(({ id }) => id === 'insurance-by-credit')?.sheets ?? []
if (!sheet) throw new Error('the starter has its sheet')

test('a version written as CSV reads back as the same rows', () => {
  const rows = sheet.versions[0]?.rows ?? []
  expect(readRows(writeRows(sheet, rows), sheet)).toEqual({ ok: true, rows })
})

test('a cell a spreadsheet would take for a formula is written as plain text', () => {
  expect(writeRows(sheet, [{ keys: ['80', '=1+1'], value: '0' }])).toContain(`'=1+1`)
})

test('faults are told by row and column, and nothing is loaded', () => {
  expect(readRows('Loan to value,Credit band,value\n80,good,0.5\nhigh,good,0.6\n85,,x', sheet)).toEqual({
    ok: false,
    faults: [
      { row: 3, column: 'Loan to value', what: '“high” is no number' },
      { row: 4, column: 'Credit band', what: 'is empty' },
      { row: 4, column: 'value', what: '“x” is no number' },
    ],
  })
  expect(readRows('Loan to value,Credit band,value', sheet)).toMatchObject({
    ok: false,
    faults: [{ row: 2 }],
  })
})
