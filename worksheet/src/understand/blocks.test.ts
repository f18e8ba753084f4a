import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { addressOf } from '../book/book'
import { movedBy, parseFormula } from '../formula/parse-formula'
import { relative } from './blocks'

describe('formulas are the same in the next row where they count from their own cell', () => {
  const isSame = (first: string, second: string) =>
    relative({ formula: first, row: 5, column: 2 }) === relative({ formula: second, row: 6, column: 2 })
  test.each([
    ['A5*$B$1', 'A6*$B$1', true],
    ['A5*B$1', 'A6*B$1', true],
    ['A5*B1', 'A6*B1', false],
    ['SUM(A$1:A5)', 'SUM(A$1:A6)', true],
    ['LOG10(A5)', 'LOG10(A6)', true],
    // What is in quotation marks is no cell, nor is a part of a name or a sheet's name.
    ['IF(A5="Q5",1,2)', 'IF(A6="Q6",1,2)', false],
    ["'Q5'!B1", "'Q6'!B2", false],
    ['A5*rate5', 'A6*rate6', false],
    ['A5*my_ab5', 'A6*my_ab6', false],
    ['Q5!B1', 'Q6!B2', false],
  ])('%s and %s: %s', (first, second, wanted) => expect(isSame(first, second)).toBe(wanted))
})

test('a formula that is moved is the one that stands there', () => {
  const cell = fc.record({
    fixedColumn: fc.boolean(),
    fixedRow: fc.boolean(),
    column: fc.integer({ min: 1, max: 40 }),
    row: fc.integer({ min: 1, max: 90 }),
  })
  fc.assert(
    fc.property(
      fc.array(cell, { minLength: 1, maxLength: 6 }),
      fc.nat(9),
      fc.nat(9),
      (cells, down, right) => {
        const at = (rows: number, columns: number) =>
          cells
            .map(({ fixedColumn, fixedRow, column, row }) => {
              const address = addressOf(row + (fixedRow ? 0 : rows), column + (fixedColumn ? 0 : columns))
              const [, letters = '', digits = ''] = /^([A-Z]+)(\d+)$/.exec(address) ?? []
              return `${fixedColumn ? '$' : ''}${letters}${fixedRow ? '$' : ''}${digits}`
            })
            .reduce((all, one, i) => (i % 2 === 0 ? `IF(${all}>${one},-${one},2%)` : `(${all}-${one})`))
        expect(JSON.stringify(movedBy(parseFormula(at(0, 0), 'S'), down, right))).toBe(
          JSON.stringify(parseFormula(at(down, right), 'S')),
        )
      },
    ),
  )
})
