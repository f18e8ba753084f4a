import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import type { RateSheet } from '@vivid/core'
import { addKey, addVersion, copyBlock, pasteBlock, readBlock, removeKey, writeCell } from './sheet-edit'

const sheet: RateSheet = {
  id: 'rates',
  name: 'Rates',
  keys: [
    { id: 'ltv', name: 'Loan to value', unit: 'percent', match: 'upTo' },
    { id: 'band', name: 'Band', unit: 'text', match: 'exact' },
  ],
  gives: 'percent',
  versions: [
    {
      from: '2026-01-01',
      rows: [
        { keys: ['80', 'good'], value: '1' },
        { keys: ['90', 'good'], value: '2' },
      ],
    },
  ],
}
const rows = sheet.versions[0]?.rows ?? []

test('a block from a spreadsheet is written from a cell on; missing rows are added, what lies beyond the table is left out', () => {
  const block = readBlock('good\t4.64 %\tmore\r\nfair\t$1,200.50\r\n')
  expect(pasteBlock(sheet, rows, { row: 1, column: 1 }, block)).toMatchObject({
    ok: true,
    rows: [
      { keys: ['80', 'good'], value: '1' },
      { keys: ['90', 'good'], value: '4.64' },
      { keys: ['', 'fair'], value: '1200.50' },
    ],
  })
})

const pastedAt = (text: string, gives: RateSheet['gives'] = 'money', decimal?: '.' | ',') =>
  pasteBlock({ ...sheet, gives }, rows, { row: 0, column: 2 }, readBlock(text), decimal)

test.each([
  ['4.64%', '4.64'],
  [' 1 200 ', '1200'],
  ['$1,200.00', '1200.00'],
  ['1850,00', '1850.00'],
  ['1.850,50', '1850.50'],
  ['-3', '-3'],
  ['(3.5)', '-3.5'],
  ['good, mostly', 'good, mostly'],
  ['', ''],
])('%j is taken as %j', (typed, taken) => {
  const pasted = pastedAt(typed)
  expect(pasted.ok && pasted.rows[0]?.value).toBe(taken)
})

test('what has two readings is not taken, unless it is said which; what is read otherwise than written is told', () => {
  expect(pastedAt('1,850\n2,100')).toMatchObject({ ok: false, isAmbiguous: true })
  const said = pastedAt('1,850\n2,100', 'money', '.')
  expect(said.ok && said.rows.map(({ value }) => value)).toEqual(['1850', '2100'])
  expect(said.ok && said.understood).toEqual([
    { text: '1,850', plain: '1850' },
    { text: '2,100', plain: '2100' },
  ])
  expect(pastedAt('4.5\n4,75', 'percent')).toMatchObject({ ok: false, isAmbiguous: false })
  const plain = pastedAt('4.5 %\n4.75', 'percent')
  expect(plain.ok && plain.understood).toEqual([])
})

test('what is copied and pasted in the same place changes nothing (blocks of any size)', () => {
  const cell = fc.record({ row: fc.nat(1), column: fc.nat(2) })
  fc.assert(
    fc.property(cell, cell, (a, b) => {
      const start = { row: Math.min(a.row, b.row), column: Math.min(a.column, b.column) }
      expect(pasteBlock(sheet, rows, start, readBlock(copyBlock(rows, a, b)))).toMatchObject({
        ok: true,
        rows,
      })
    }),
  )
})

describe('the sheet', () => {
  test('a cell is written, and no other', () => {
    expect(writeCell(rows, { row: 0, column: 2 }, '9')).toEqual([
      { keys: ['80', 'good'], value: '9' },
      rows[1],
    ])
  })
  test('a further version begins with the rows of the last that takes effect', () => {
    expect(addVersion(sheet, '2027-01-01').versions[1]).toEqual({ from: '2027-01-01', rows })
  })
  test('a second key comes and goes in every row', () => {
    const single = removeKey(sheet)
    expect(single.versions[0]?.rows[0]?.keys).toEqual(['80'])
    expect(addKey(single).versions[0]?.rows[0]?.keys).toEqual(['80', ''])
  })
})
