import ExcelJS from 'exceljs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CalculatorDocument, compile, runProofs } from '@vivid/core'
import { figuresOf, readWorksheet, reportOf } from '..'
import { bookOf, scheduleCells, type MadeCell, type ScheduleMade } from '../testing/books'
import { differing, draftOfSchedule, plain } from '../testing/drafts'

test.each<[string, Partial<ScheduleMade>, number]>([
  ['plain', {}, 0],
  ['with extras that end it early', { extra: 400 }, 0],
  ['to the cent', { isRounded: true }, 0],
  ['to the cent, with extras', { isRounded: true, extra: 400 }, 0],
  ['every two weeks', { perYear: 26, years: 2 }, 0],
  ['across', { isAcross: true, years: 3 }, 0],
  ['of 360 rows', { years: 30 }, 0],
  ['empty behind the last payment', { extra: 3_000, isBlankBehind: true }, 1],
])('%s: a schedule is one loan and one readout, every figure agrees', async (_, besides, behind) => {
  const draft = await draftOfSchedule({ ...plain, ...besides })
  const report = reportOf(draft)
  expect(differing(report)).toEqual([])
  const why = new Set(report.leftOut.map((one) => one.why))
  expect([...why]).toHaveLength(behind)
  if (behind) expect([...why][0]).toContain('behind the last payment')
  const { document } = draft
  expect(CalculatorDocument.safeParse(document).error).toBeUndefined()
  expect(document.steps.filter((step) => step.kind === 'readout' && step.shows === 'schedule')).toHaveLength(
    1,
  )
  expect(document.steps.length).toBeLessThan(25)
  const proofs = [...runProofs(compile(document, []), [])]
  expect(proofs.filter(({ agrees }) => !agrees)).toEqual([])
})

describe('a schedule follows other answers', () => {
  /** What the sheet's own arithmetic gives, with other figures typed in. */
  const madeAgain = (made: ScheduleMade) => {
    const { cells } = scheduleCells(made)
    return new Map(
      Object.entries(cells).flatMap(([address, cell]): [string, number | string][] =>
        typeof cell === 'object' ? [[`S!${address}`, cell.result]] : [],
      ),
    )
  }
  test.each([{}, { isRounded: true }, { extra: 250 }, { extra: 250, isRounded: true }])(
    '%o',
    async (besides) => {
      const made = { ...plain, ...besides }
      const draft = await draftOfSchedule(made)
      const money = fc.integer({ min: 60_000, max: 400_000 })
      const rate = fc.integer({ min: 100, max: 1_500 }).map((n) => n / 10_000)
      await fc.assert(
        fc.asyncProperty(money, rate, (principal, one) => {
          const wanted = madeAgain({ ...made, principal, rate: one })
          for (const { cell, got } of figuresOf(draft, { 'S!B1': principal, 'S!B2': one }))
            expect([cell, Math.abs(Number(got) - Number(wanted.get(cell))) < 1e-6]).toEqual([cell, true])
          return Promise.resolve()
        }),
        { numRuns: 12 },
      )
    },
  )

  test('how often a year is read from its cell, where the schedule has it', async () => {
    const draft = await draftOfSchedule(plain)
    const wanted = madeAgain({ ...plain, perYear: 4, years: 15 })
    for (const { cell, got } of figuresOf(draft, { 'S!B4': 4, 'S!B3': 15 }).slice(0, 200))
      expect([cell, Math.abs(Number(got) - Number(wanted.get(cell))) < 1e-6]).toEqual([cell, true])
  })
})

test('to the cent an unrounded schedule is its loan’s ledger', async () => {
  const draft = await draftOfSchedule(plain, 'ledger')
  const wanted = new Map(Object.entries(scheduleCells({ ...plain, isRounded: true }).cells))
  const closing = figuresOf(draft).filter(({ cell }) => /^S!G\d+$/.test(cell))
  expect(closing).toHaveLength(60)
  for (const { cell, got } of closing.slice(0, -1)) {
    const made = wanted.get(cell.slice(2))
    expect([cell, got]).toEqual([cell, typeof made === 'object' ? made.result : made])
  }
  // A ledger's last payment pays what is left; a sheet's level one leaves some cents.
  expect(closing.at(-1)?.got).toBe(0)
})

test('two schedules beside each other are two', async () => {
  const first = scheduleCells(plain).cells
  const second = scheduleCells({ ...plain, rate: 0.04 }).cells
  const moved = (text: string) =>
    text.replace(/\$?([A-H])\$?(\d+)/g, (all, letter: string, row: string) =>
      all.replace(letter, String.fromCharCode(letter.charCodeAt(0) + 10)).replace(row, row),
    )
  const beside = Object.fromEntries(
    Object.entries(second).map(([address, cell]) => [
      moved(address),
      typeof cell === 'object'
        ? {
            ...cell,
            formula: cell.formula
              .replace(/PMT/, '\u0000')
              .split('\u0000')
              .map(moved)
              .join('PMT')
              .replace(/W(IN|OUND)/g, 'M$1'),
          }
        : cell,
    ]),
  )
  const bytes = await bookOf({ ...first, ...beside }, { B2: '0.00%', L2: '0.00%' })
  const draft = await readWorksheet(bytes, 'Two')
  const report = reportOf(draft)
  expect(report.leftOut).toEqual([])
  expect(differing(report).slice(0, 3)).toEqual([])
  expect(
    report.document.steps.filter((one) => one.kind === 'readout' && one.shows === 'schedule'),
  ).toHaveLength(2)
  // Each has its own rate.
  const wanted = { ...first, ...beside }
  for (const { cell, got } of figuresOf(draft, { 'S!L2': 0.05 })) {
    const made = wanted[cell.slice(2)]
    const is = typeof made === 'object' && Math.abs(Number(got) - Number(made.result)) < 1e-6
    if (/^S![A-H]\d/.test(cell)) expect([cell, is]).toEqual([cell, true])
    if (/^S![PR]\d/.test(cell)) expect([cell, is]).toEqual([cell, false])
  }
})

test('days that go on by months, from the row before or from the first, are proven too', async () => {
  const { cells, formats } = scheduleCells(plain)
  const dayOf = (months: number) => (Date.UTC(2026, 10 + months, 25) - Date.UTC(1899, 11, 30)) / 86_400_000
  const days = Object.fromEntries(
    Array.from({ length: 60 }, (_, i) => [
      [`I${12 + i}`, { formula: i === 0 ? '$B$7' : `EDATE(I${11 + i},1)`, result: dayOf(i) }],
      [`J${12 + i}`, { formula: `EDATE($B$7,A${12 + i}-1)`, result: dayOf(i) }],
    ]).flat() as [string, { formula: string; result: number }][],
  )
  const bytes = await bookOf(
    { ...cells, A7: 'First payment', B7: dayOf(0), ...days },
    { ...formats, B7: 'yyyy-mm-dd' },
  )
  const draft = await readWorksheet(bytes, 'Days')
  const report = reportOf(draft)
  expect(report.leftOut).toEqual([])
  expect(differing(report).slice(0, 3)).toEqual([])
  expect(report.questions.find(({ cell }) => cell === 'S!B7')?.unit).toBe('date')
  const later = figuresOf(draft, { 'S!B7': dayOf(12) })
  expect(later.find(({ cell }) => cell === 'S!I71')?.got).toBe(dayOf(71))
})

/** A schedule of three columns in rows 11 on: interest, principal, owed; each formula with the value it has. */
async function rowsOf(
  rows: number,
  made: (k: number, owed: number) => { interest: [string, number]; principal: [string, number] },
) {
  const cells: Record<string, MadeCell> = {
    A1: 'Loan ($)',
    B1: 36_000,
    A2: 'Rate (% p.a.)',
    B2: 6,
    A3: 'Months',
    B3: rows,
  }
  let owed = 36_000
  for (let k = 1; k <= rows; k++) {
    const { interest, principal } = made(k, owed)
    owed -= principal[1]
    const row = 10 + k
    cells[`B${row}`] = {
      formula: interest[0].replaceAll('OWED', k === 1 ? '$B$1' : `D${row - 1}`),
      result: interest[1],
    }
    cells[`C${row}`] = { formula: principal[0].replaceAll('HERE', String(row)), result: principal[1] }
    cells[`D${row}`] = { formula: `${k === 1 ? '$B$1' : `D${row - 1}`}-C${row}`, result: owed }
  }
  return reportOf(await readWorksheet(await bookOf(cells), 'Rows'))
}

test('a payment and a rate that no cell has are read from the first row', async () => {
  const rate = (0.06 / 365) * 30
  const payment = (36_000 * rate) / (1 - (1 + rate) ** -36)
  const report = await rowsOf(36, (_, owed) => ({
    interest: ['OWED*$B$2/100/365*30', owed * rate],
    principal: ['-PMT($B$2/36500*30,$B$3,$B$1)-BHERE', payment - owed * rate],
  }))
  expect(report.leftOut).toEqual([])
  expect(differing(report)).toEqual([])
})

test('a schedule with level principal is taken over as the sums it is', async () => {
  const report = await rowsOf(36, (_, owed) => ({
    interest: ['OWED*$B$2/1200', owed * 0.005],
    principal: ['$B$1/$B$3', 1_000],
  }))
  expect(report.leftOut).toEqual([])
  expect(differing(report)).toEqual([])
})

test('more rows than a line of a proof has are several lines', async () => {
  const cells: Record<string, MadeCell> = { A1: 'First', B1: 5, C1: 1 }
  for (let k = 1; k <= 2_400; k++) cells[`C${k + 1}`] = { formula: `C${k}+2`, result: 1 + 2 * k }
  const report = reportOf(await readWorksheet(await bookOf(cells), 'Long'))
  expect(report.figures).toHaveLength(2_400)
  expect(differing(report)).toEqual([])
  expect(CalculatorDocument.safeParse(report.document).error).toBeUndefined()
})

test.each([
  ['SUM(E12:E71)', true],
  // With its head, with empty cells below, as a whole column.
  ['SUM(E11:E71)', true],
  ['SUM(E$10:E$90)', true],
  ['SUM(E:E)', true],
  ['SUM($E:$E)/COUNT(B1:B2)*2', true],
  ['SUM(E12:E23)', false],
])('%s adds up a column of a schedule', async (formula, isAll) => {
  const { cells, formats } = scheduleCells(plain)
  const interest = (rows: number) =>
    Array.from({ length: rows }, (_, i) => cells[`E${12 + i}`]).reduce<number>(
      (sum, one) => sum + (typeof one === 'object' ? Number(one.result) : 0),
      0,
    )
  const bytes = await bookOf({ ...cells, K1: { formula, result: interest(isAll ? 60 : 12) } }, formats)
  const report = reportOf(await readWorksheet(bytes, 'Sums'))
  expect(report.leftOut).toEqual([])
  expect(report.figures.find(({ cell }) => cell === 'S!K1')?.agrees).toBe(true)
})

describe('a draft is a document, however much there is in the file', () => {
  test('250 figures that are asked', async () => {
    const cells: Record<string, MadeCell> = {}
    for (let i = 1; i <= 250; i++) {
      cells[`A${i}`] = `Figure ${i} ($)`
      cells[`B${i}`] = 1_000 + i * i
      cells[`D${i * 2}`] = { formula: `B${i}*2`, result: 2 * (1_000 + i * i) }
    }
    const report = reportOf(await readWorksheet(await bookOf(cells), 'Many'))
    expect(CalculatorDocument.safeParse(report.document).error).toBeUndefined()
    expect(differing(report)).toEqual([])
  })

  test('forty schedules', async () => {
    const workbook = new ExcelJS.Workbook()
    for (let at = 0; at < 40; at++) {
      const page = workbook.addWorksheet(`L${at}`)
      const made = scheduleCells({
        ...plain,
        principal: 50_000 + at * 1_000,
        years: 1,
        isRounded: at % 2 === 0,
      })
      for (const [address, cell] of Object.entries(made.cells))
        page.getCell(address).value = cell as ExcelJS.CellValue
      page.getCell('B2').numFmt = '0.00%'
    }
    const bytes = new Uint8Array(await workbook.xlsx.writeBuffer())
    for (const way of ['worksheet', 'ledger'] as const) {
      const draft = await readWorksheet(bytes, 'Forty', way)
      expect(CalculatorDocument.safeParse(draft.document).error).toBeUndefined()
      if (way === 'worksheet') expect(differing(reportOf(draft))).toEqual([])
    }
  })
})
