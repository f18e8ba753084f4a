import { describe, expect, test } from 'vitest'
import { figuresOf, readWorksheet } from '..'
import { bookOf, scheduleCells, type MadeCell } from '../testing/books'
import { draftOfSchedule, plain } from '../testing/drafts'

describe('a schedule is taken for what its formulas do, not only for what they come to now', () => {
  test('a term that is shorter than the rows leaves nothing behind its end', async () => {
    const draft = await draftOfSchedule(plain)
    const { cells } = scheduleCells({ ...plain, years: 4, rows: 60 })
    for (const { cell, got } of figuresOf(draft, { 'S!B3': 4 })) {
      const wanted = cells[cell.slice(2)]
      expect([
        cell,
        Math.abs(Number(got) - Number(typeof wanted === 'object' ? wanted.result : wanted)) < 1e-6,
      ]).toEqual([cell, true])
    }
  })

  test('a lump sum that is nothing so far, in a row that is asked, is not passed over', async () => {
    const made: Record<string, MadeCell> = {
      ...{ A1: 'Loan ($)', B1: 90_000, A2: 'Rate', B2: 0.06, A3: 'Payment ($)', B3: 1_000 },
      ...{ A4: 'Lump sum ($)', B4: 0, A5: 'Paid with payment number', B5: 17 },
    }
    const rows = (lump: number, at: number) => {
      let owed = 90_000
      return Array.from({ length: 60 }, (_, i) => {
        const [opening, interest] = [owed, (owed * 0.06) / 12]
        owed += interest - 1_000 - (i + 1 === at ? lump : 0)
        return { opening, interest, closing: owed }
      })
    }
    rows(0, 17).forEach(({ opening, interest, closing }, i) => {
      const at = 10 + i
      made[`A${at}`] = i === 0 ? 1 : { formula: `A${at - 1}+1`, result: i + 1 }
      made[`B${at}`] = { formula: i === 0 ? '$B$1' : `D${at - 1}`, result: opening }
      made[`C${at}`] = { formula: `B${at}*$B$2/12`, result: interest }
      made[`D${at}`] = { formula: `B${at}+C${at}-$B$3-IF(A${at}=$B$5,$B$4,0)`, result: closing }
    })
    const draft = await readWorksheet(await bookOf(made, { B2: '0.00%' }), 'Lump')
    const wanted = rows(5_000, 20)
    for (const { cell, got } of figuresOf(draft, { 'S!B4': 5_000, 'S!B5': 20 }))
      if (got !== null && cell.startsWith('S!D'))
        expect([cell, got]).toEqual([
          cell,
          expect.closeTo(wanted[Number(cell.slice(3)) - 10]?.closing ?? 0, 4),
        ])
  })

  test('a rate that is another from some row on, and the same now, is no level loan', async () => {
    const made: Record<string, MadeCell> = {
      A1: 'Loan ($)',
      B1: 90_000,
      A2: 'First rate',
      B2: 0.06,
      A3: 'Later rate',
      B3: 0.06,
      A4: 'Payment ($)',
      B4: 1_000,
    }
    const rows = (later: number) => {
      let owed = 90_000
      return Array.from({ length: 60 }, (_, i) => {
        const interest = (owed * (i + 1 > 30 ? later : 0.06)) / 12
        const opening = owed
        owed += interest - 1_000
        return { opening, interest, closing: owed }
      })
    }
    rows(0.06).forEach(({ opening, interest, closing }, i) => {
      const at = 10 + i
      made[`A${at}`] = i === 0 ? 1 : { formula: `A${at - 1}+1`, result: i + 1 }
      made[`B${at}`] = { formula: i === 0 ? '$B$1' : `D${at - 1}`, result: opening }
      made[`C${at}`] = { formula: `B${at}*IF(A${at}>30,$B$3,$B$2)/12`, result: interest }
      made[`D${at}`] = { formula: `B${at}+C${at}-$B$4`, result: closing }
    })
    const draft = await readWorksheet(await bookOf(made, { B2: '0.00%', B3: '0.00%' }), 'Later')
    const wanted = rows(0.09)
    for (const { cell, got } of figuresOf(draft, { 'S!B3': 0.09 })) {
      const [, column = '', row = ''] = /!([BCD])(\d+)$/.exec(cell) ?? []
      const line = wanted[Number(row) - 10]
      const own = line && { B: line.opening, C: line.interest, D: line.closing }[column]
      if (own !== undefined)
        expect([cell, got === null || Math.abs(Number(got) - own) < 1e-6]).toEqual([cell, true])
    }
  })

  test('a column that only now has the figures of another is not taken for it', async () => {
    // "Fee" is what the payment is now, by accident: typed beside it.
    const { cells, formats } = scheduleCells({ ...plain, extra: 0 })
    const payment = cells.B5
    const result = typeof payment === 'object' ? Number(payment.result) : 0
    const fees = Object.fromEntries(
      Array.from({ length: 60 }, (_, i) => [`I${12 + i}`, { formula: `$B$8+0*E${12 + i}`, result }]),
    )
    const bytes = await bookOf({ ...cells, A8: 'Fee', B8: result, ...fees }, formats)
    const draft = await readWorksheet(bytes, 'Fees')
    const later = figuresOf(draft, { 'S!B1': 200_000 }).find(({ cell }) => cell === 'S!I40')
    expect(later?.got ?? result).toBeCloseTo(result, 6)
  })
})

test('a yes or no that decides a figure is tried both ways', async () => {
  const level = (principal: number) => (principal * 0.005) / (1 - 1.005 ** -120)
  const draft = await readWorksheet(
    await bookOf(
      {
        A1: 'Loan ($)',
        B1: 50_000,
        A2: 'Rate',
        B2: 0.06,
        A3: 'Years',
        B3: 10,
        A4: 'With fee',
        B4: false,
        A5: 'Amount',
        B5: { formula: 'IF(B4,B1+1000,B1)', result: 50_000 },
        A6: 'Payment',
        B6: { formula: '-PMT(B2/12,B3*12,B5)', result: level(50_000) },
        A7: 'Interest',
        B7: { formula: 'B6*B3*12-B1', result: level(50_000) * 120 - 50_000 },
      },
      { B2: '0.00%' },
    ),
    'Fee',
    'ledger',
  )
  const interest = figuresOf(draft, { 'S!B4': true }).find(({ cell }) => cell === 'S!B7')?.got
  // A ledger's last payment pays the cents that the others left.
  const wanted = (Math.round(level(51_000) * 100) / 100) * 120 - 50_000
  expect(Math.abs(Number(interest) - wanted)).toBeLessThan(1)
})
