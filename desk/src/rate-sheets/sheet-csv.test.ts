import fc from 'fast-check'
import { expect, test } from 'vitest'
import { starters } from '@vivid/core'
import { readRows, writeRows } from './sheet-csv'

const [sheet] = starters.find(({ id }) => id === 'insurance-by-credit')?.sheets ?? []
if (!sheet) throw new Error('the starter has its sheet')

test('a version written as CSV reads back as the same rows', () => {
  const rows = sheet.versions[0]?.rows ?? []
  expect(readRows(writeRows(sheet, rows), sheet)).toMatchObject({ ok: true, rows })
})

test('a cell a spreadsheet would take for a formula is written as plain text', () => {
  expect(writeRows(sheet, [{ keys: ['80', '=1+1'], value: '0' }])).toContain(`'=1+1`)
})

test('faults are told by row and column, and nothing is loaded', () => {
  expect(readRows('Loan to value,Credit band,value\n80,good,0.5\nhigh,good,0.6\n85,,x', sheet)).toMatchObject(
    {
      ok: false,
      faults: [
        { row: 3, column: 'Loan to value', what: '“high” is no number' },
        { row: 4, column: 'Credit band', what: 'is empty' },
        { row: 4, column: 'value', what: '“x” is no number' },
      ],
    },
  )
  expect(readRows('Loan to value,Credit band,value', sheet)).toMatchObject({
    ok: false,
    faults: [{ row: 2 }],
  })
})

const head = 'Loan to value,Credit band,value'
const valuesOf = (text: string, decimal?: '.' | ',') => {
  const read = readRows(text, sheet, decimal)
  return read.ok ? read.rows.map(({ keys, value }) => [...keys, value].join(' ')) : read
}

test.each<[string, string, string[]]>([
  ['a decimal point between commas', `${head}\n80,good,4.5\n95,fair,4.75`, ['80 good 4.5', '95 fair 4.75']],
  [
    'a decimal comma between semicolons',
    'Loan to value;Credit band;value\n80;good;4,5\n95;fair;4,75 %',
    ['80 good 4.5', '95 fair 4.75'],
  ],
  ['a decimal comma in quotation marks', `${head}\n80,good,"4,5"`, ['80 good 4.5']],
  ['tabs from a spreadsheet', 'Loan to value\tCredit band\tvalue\n80\tgood\t4,5', ['80 good 4.5']],
  ['columns in another order', 'value,Credit band,Loan to value\n0.2,good,80', ['80 good 0.2']],
  ['headings in capitals and spaces', ' LOAN TO  VALUE ,credit band,Value\n80,good,0.2', ['80 good 0.2']],
  ['percentages that look grouped', `${head}\n80,good,"4,640"`, ['80 good 4.640']],
])('%s', (_, text, rows) => expect(valuesOf(text)).toEqual(rows))

test.each<[string, string, number, string, RegExp]>([
  [
    'a number that its comma takes apart',
    `${head}\n80,good,4,5`,
    2,
    'value',
    /4 cells where the heading has 3/,
  ],
  ['a heading nobody knows', 'Loan to value,Colour,value\n80,red,4.5', 1, 'Credit band', /no column/],
  [
    'both marks in one file',
    'Loan to value;Credit band;value\n80;good;4.5\n95;good;4,75',
    3,
    'value',
    /comma.*“4.5” in row 2 a decimal point/,
  ],
])('%s is refused by row and column, and nothing is loaded', (_, text, row, column, what) => {
  const read = readRows(text, sheet)
  expect(read.ok).toBe(false)
  const fault = read.ok ? undefined : read.faults.find((one) => one.row === row && one.column === column)
  expect(fault?.what).toMatch(what)
})

test('what has two readings is refused with both, and read as it is said', () => {
  const fees = { ...sheet, gives: 'money' as const }
  const text = 'Loan to value;Credit band;value\n80;good;1,850\n95;good;2,100'
  expect(readRows(text, fees)).toMatchObject({
    ok: false,
    isAmbiguous: true,
    faults: [
      { row: 2, column: 'value', what: '“1,850” can be 1.85 or 1850' },
      { row: 3, column: 'value', what: '“2,100” can be 2.1 or 2100' },
    ],
  })
  const values = (decimal: '.' | ',') => {
    const read = readRows(text, fees, decimal)
    return read.ok ? read.rows.map(({ value }) => value) : []
  }
  expect(values('.')).toEqual(['1850', '2100'])
  expect(values(',')).toEqual(['1.850', '2.100'])
  // One amount with cents in the file says it for all.
  expect(readRows(`${text}\n97;good;1,850.50`, fees)).toMatchObject({ ok: true, decimal: '.' })
})

test('rows written in any way that has one reading are read as the same rows (500 files)', () => {
  const number = fc.integer({ min: 0, max: 9_999_99 }).map((hundredths) => (hundredths / 100).toFixed(2))
  const row = fc.record({ ltv: number, band: fc.constantFrom('good', 'fair'), value: number })
  fc.assert(
    fc.property(
      fc.array(row, { minLength: 1, maxLength: 6 }),
      fc.constantFrom(',', '.'),
      fc.constantFrom(';', '\t'),
      fc.shuffledSubarray(['Loan to value', 'Credit band', 'value'], { minLength: 3 }),
      (rows, mark, separator, columns) => {
        const cell = (text: string) => text.replace('.', mark)
        const lines = rows.map(({ ltv, band, value }) => {
          const cells: Record<string, string> = {
            'Loan to value': cell(ltv),
            'Credit band': band,
            value: cell(value),
          }
          return columns.map((column) => cells[column]).join(separator)
        })
        const read = readRows([columns.join(separator), ...lines].join('\n'), sheet)
        expect(read.ok && read.rows).toEqual(
          rows.map(({ ltv, band, value }) => ({ keys: [ltv, band], value })),
        )
      },
    ),
    { numRuns: 500 },
  )
})
