import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { compile, RateSheet, runProofs } from '@vivid/core'
import { figuresOf } from '../draft/figures'
import { makeDraft } from '../draft/make-draft'
import type { CellValue } from '../book/book'
import { readBook } from '../book/read-book'
import { understand } from '../understand/understand'
import { bookOf, type MadeCells } from '../testing/books'

async function draftsOf(bytes: Uint8Array) {
  const book = await readBook(bytes)
  const understood = understand(book)
  return {
    inFormulas: makeDraft(book, understood, 'Tables'),
    asSheets: makeDraft(book, understood, 'Tables', { asSheets: true }),
  }
}
const BANDS = new URL('../testing/worksheets/mortgage-insurance-by-band.xlsx', import.meta.url)

describe('tables that are looked up in', () => {
  test('become rate sheets, by one key and by two, and give the same figures', async () => {
    const { inFormulas, asSheets } = await draftsOf(new Uint8Array(readFileSync(BANDS)))
    expect(inFormulas.sheets).toEqual([])
    expect(asSheets.sheets.map(({ keys, gives }) => [keys.map(({ match }) => match), gives])).toEqual(
      expect.arrayContaining([
        [['exact', 'from'], 'percent'],
        [['from'], 'percent'],
      ]),
    )
    for (const sheet of asSheets.sheets) expect(RateSheet.safeParse(sheet).error).toBeUndefined()
    const proofs = [...runProofs(compile(asSheets.document, asSheets.sheets), asSheets.sheets)]
    expect(proofs.filter(({ agrees }) => !agrees)).toEqual([])
    // Below the first band a worksheet finds nothing, and neither do we.
    const others: Record<string, CellValue>[] = [
      {},
      { 'Calculator!B4': 60_000 },
      { 'Calculator!B4': 6_400 },
      { 'Calculator!B7': 'Low' },
    ]
    for (const answers of others)
      expect(figuresOf(asSheets, answers).map(({ cell, got }) => [cell, got])).toEqual(
        figuresOf(inFormulas, answers).map(({ cell, got }) => [cell, got]),
      )
  })

  const table: MadeCells = {
    A1: 'Term (years)',
    B1: 7,
    A2: 'Rate from the table',
    B2: { formula: 'VLOOKUP(B1,D1:E3,2,TRUE)', result: 0.0525 },
    A3: 'The same again',
    B3: { formula: 'VLOOKUP(B1,D1:E3,2,TRUE)*2', result: 0.105 },
    D1: 1,
    E1: 0.0475,
    D2: 5,
    E2: 0.0525,
    D3: 10,
    E3: 0.0575,
  }
  const formats = { E1: '0.00%', E2: '0.00%', E3: '0.00%' }

  test('a table is one rate sheet and one look-up, however often it is asked for the same', async () => {
    const { asSheets } = await draftsOf(await bookOf(table, formats))
    expect(asSheets.sheets).toHaveLength(1)
    expect(asSheets.document.steps.filter(({ kind }) => kind === 'lookUp')).toHaveLength(1)
    expect(figuresOf(asSheets).every(({ agrees }) => agrees)).toBe(true)
    for (const [years, rate] of [
      [1, 0.0475],
      [4, 0.0475],
      [10, 0.0575],
      [40, 0.0575],
    ] as const)
      expect(figuresOf(asSheets, { 'S!B1': years })[0]?.got).toBe(rate)
  })

  test('another table has another address, the same one the same', async () => {
    const idOf = async (cells: MadeCells) =>
      (await draftsOf(await bookOf(cells, formats))).asSheets.sheets[0]?.id
    expect(await idOf(table)).toBe(await idOf({ ...table, A1: 'Other words' }))
    expect(await idOf(table)).not.toBe(await idOf({ ...table, E3: 0.06 }))
  })

  test('a table with formulas in it stays part of the formulas', async () => {
    const { asSheets } = await draftsOf(
      await bookOf({ ...table, E3: { formula: 'E2+0.005', result: 0.0575 } }, formats),
    )
    expect(asSheets.sheets).toEqual([])
    expect(figuresOf(asSheets).every(({ agrees }) => agrees)).toBe(true)
  })
})
