import ExcelJS from 'exceljs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { figuresOf, readWorksheet, reportOf } from '..'
import { bookOf, scheduleCells, type MadeCell, type MadeCells } from '../testing/books'
import { differing, draftOf, gotOf, plain, whyOf } from '../testing/drafts'

/** Costs of a purchase, with an empty place and a heading among them. */
const costs = {
  ...{ A1: 'Fee', B1: 500, C1: 1 },
  ...{ A2: 'Tax', B2: 1_200, C2: 2 },
  ...{ A3: 'fee', B3: 80, C3: 3 },
  ...{ A4: 'Insurance', B4: 300, C4: 4 },
  ...{ A6: 'Fee', B6: 'to be said', C6: 6 },
  ...{ E1: 'Kind', F1: 'Tax', E2: 'At least ($)', F2: 300 },
}

test.each<[string, number]>([
  ['SUMIF(A1:A6,"fee",B1:B6)', 580],
  ['SUMIF(A1:A6,F1,B1:B6)', 1_200],
  ['SUMIF(A1:A6,"<>Fee",B1:B6)', 1_500],
  ['SUMIF(B1:B6,">=300")', 2_000],
  ['SUMIF(B1:B6,">"&F2)', 1_700],
  ['SUMIF(B1:B6,F2,C1:C6)', 4],
  ['SUMIF(B1:B6,"=300",C1:C6)', 4],
  ['SUMIF(B1:B6,"<>300",C1:C6)', 1 + 2 + 3 + 6],
  ['COUNTIF(B1:B6,">0")', 4],
  ['COUNTIF(B1:B6,"<>500")', 5],
  ['COUNTIF(A1:A6,"Fee")', 3],
  ['COUNTIF(C1:C6,"<150%")', 1],
  ['AVERAGEIF(A1:A6,"fee",B1:B6)', 290],
  ['AVERAGEIF(B1:B6,"<400")', 190],
  ['SUMIFS(B1:B6,A1:A6,"Fee",B1:B6,">100")', 500],
  ['COUNTIFS(A1:A6,"Fee",C1:C6,">=3")', 2],
  ['AVERAGEIFS(C1:C6,A1:A6,"Fee",C1:C6,"<"&F2)', (1 + 3 + 6) / 3],
])('%s', async (formula, wanted) => {
  expect(Number(await gotOf({ ...costs, H1: `=${formula}` }, 'H1'))).toBeCloseTo(wanted, 9)
})

test('another answer counts where it meets the criterion now', async () => {
  const workbook = new ExcelJS.Workbook()
  const sheet = workbook.addWorksheet('S')
  const cells = { ...costs, H1: { formula: 'SUMIF(B1:B4,">="&F2)', result: 2_000 } }
  for (const [address, value] of Object.entries(cells)) sheet.getCell(address).value = value
  const draft = await readWorksheet(new Uint8Array(await workbook.xlsx.writeBuffer()), 'Costs')
  expect(reportOf(draft).leftOut).toEqual([])
  const got = (answers: Record<string, number>) => Number(figuresOf(draft, answers)[0]?.got)
  expect([got({}), got({ 'S!F2': 301 }), got({ 'S!F2': 60 })]).toEqual([2_000, 1_700, 2_080])
})

test('whatever stands in the cells and is asked of them, what meets it is added up (48)', async () => {
  const figures = fc.constantFrom(-2, 0, 1, 2.5, 300)
  const cell = fc.oneof(figures, fc.constantFrom('Fee', 'Tax', undefined))
  const rows = fc.array(fc.tuple(cell, fc.option(figures, { nil: undefined })), {
    minLength: 4,
    maxLength: 9,
  })
  const signs = ['=', '<>', '<', '>', '<=', '>='] as const
  const holds = (one: number | string | undefined, sign: string, sought: number | string): boolean => {
    const isSame =
      typeof one === 'string' && typeof sought === 'string'
        ? one.toLowerCase() === sought.toLowerCase()
        : one === sought
    if (sign === '=') return isSame
    if (sign === '<>') return !isSame
    if (typeof one !== 'number' || typeof sought !== 'number') return false
    return sign === '<'
      ? one < sought
      : sign === '>'
        ? one > sought
        : sign === '<='
          ? one <= sought
          : one >= sought
  }
  const criterion = fc.oneof(
    fc.tuple(fc.constantFrom(...signs), figures),
    fc.tuple(fc.constantFrom('=', '<>'), fc.constantFrom('fee', 'Tax')),
  )
  const criteria = fc.array(criterion, { minLength: 6, maxLength: 6 })
  await fc.assert(
    fc.asyncProperty(rows, criteria, async (made, all) => {
      const given = made.flatMap(([key, value], i): [string, MadeCell | undefined][] => [
        [`A${i + 1}`, key],
        [`B${i + 1}`, value],
      ])
      const cells = Object.fromEntries(given.filter((one): one is [string, MadeCell] => one[1] !== undefined))
      const wanted = new Map<string, number>()
      for (const [i, [sign, sought]] of all.entries()) {
        const met = made.filter(([key]) => holds(key, sign, sought))
        const keys = `A1:A${made.length},"${sign}${sought}"`
        cells[`H${i + 1}`] = `=SUMIF(${keys},B1:B${made.length})`
        cells[`I${i + 1}`] = `=COUNTIF(${keys})`
        wanted.set(
          `S!H${i + 1}`,
          met.reduce((sum, [, value]) => sum + (value ?? 0), 0),
        )
        wanted.set(`S!I${i + 1}`, met.length)
      }
      const got = new Map(figuresOf(await draftOf(cells)).map((one) => [one.cell, Number(one.got)]))
      expect(got).toEqual(wanted)
    }),
    { numRuns: 8 },
  )
})

test.each([
  ['SUMIF(A1:A6,"f*",B1:B6)', 'it seeks texts that are like a pattern'],
  ['SUMIF(A1:A6,">fee",B1:B6)', 'it sorts texts in the order of an alphabet'],
  ['SUMIF(A1:A6,"",B1:B6)', 'it seeks cells in which nothing stands'],
  ['COUNTIF(C1:C6,"2026-01-01")', 'it seeks a day that is written as a text'],
  ['SUMIF(A1:A6,"fee",B1:B5)', 'its ranges are of different sizes'],
  ['SUMIFS(B1:B6,A1:A6)', 'an argument is missing'],
  ['SUMIF(5,5)', 'it counts in what is no range'],
])('%s is left out: %s', async (formula, why) => {
  expect(await whyOf({ ...costs, H1: `=${formula}` }, 'H1')).toContain(why)
})

describe('in a schedule', () => {
  const [principal, monthly, count] = [9_000, 0.004, 60]
  const payment = (principal * monthly) / (1 - (1 + monthly) ** -count)
  /** The schedule by hand, and these formulas beside it. */
  async function scheduleWith(
    formulas: readonly string[],
    results: readonly number[],
    row = (formula: string, _at: number) => formula,
  ) {
    const workbook = new ExcelJS.Workbook()
    const sheet = workbook.addWorksheet('S')
    const put = (address: string, formula: string, result: number) =>
      (sheet.getCell(address).value = { formula, result })
    const typed = { A1: 'Loan ($)', B1: principal, A2: 'Rate (% p.a.)', B2: 4.8, A3: 'Months', B3: count }
    const asked = { A5: 'Years to look at', B5: 2, A9: 'No.', B9: 'Interest', C9: 'Owed' }
    for (const [address, value] of Object.entries({ ...typed, ...asked }))
      sheet.getCell(address).value = value
    put('B4', '-PMT(B2/1200,B3,B1)', payment)
    rows.forEach(({ interest, owed }, i) => {
      const at = 10 + i
      sheet.getCell(`A${at}`).value = i + 1
      const before = i === 0 ? '$B$1' : `C${at - 1}`
      put(`B${at}`, row(`${before}*$B$2/1200`, at), interest)
      put(`C${at}`, row(`${before}+B${at}-$B$4`, at), owed)
    })
    formulas.forEach((formula, i) => {
      sheet.getCell(`E${i + 1}`).value = `Figure ${i + 1}`
      put(`F${i + 1}`, formula, results[i] ?? 0)
    })
    return readWorksheet(new Uint8Array(await workbook.xlsx.writeBuffer()), 'Schedule')
  }
  let before = principal
  const rows = Array.from({ length: count }, () => {
    const interest = before * monthly
    before += interest - payment
    return { interest, owed: before }
  })
  const interestTo = (payments: number) =>
    rows.slice(0, payments).reduce((sum, { interest }) => sum + interest, 0)

  test('what is paid by then, how often something is owed, and what it is worth now', async () => {
    const formulas = [
      'SUMIF(A10:A69,"<="&B5*12,B10:B69)',
      'COUNTIF(C10:C69,">4500")',
      'AVERAGEIF(A9:A69,"<=12",B9:B69)',
      'SUMIFS(B10:B69,A10:A69,">12",A10:A69,"<=24")',
      'NPV(B2/1200,B10:B69)',
      'SUMPRODUCT(A10:A69,B10:B69)',
    ]
    const worth = rows.reduce((sum, { interest }, i) => sum + interest / (1 + monthly) ** (i + 1), 0)
    const weighed = rows.reduce((sum, { interest }, i) => sum + interest * (i + 1), 0)
    const over = rows.filter(({ owed }) => owed > 4_500).length
    const results = [
      interestTo(24),
      over,
      interestTo(12) / 12,
      interestTo(24) - interestTo(12),
      worth,
      weighed,
    ]
    const draft = await scheduleWith(formulas, results)
    const { figures, leftOut } = reportOf(draft)
    expect(leftOut).toEqual([])
    expect(figures.filter(({ agrees }) => !agrees)).toEqual([])
    const later = figuresOf(draft, { 'S!B5': 3 }).find(({ cell }) => cell === 'S!F1')
    expect(Number(later?.got)).toBeCloseTo(interestTo(36), 6)
  })

  test('rows that may be empty behind the last payment are not counted as nothing', async () => {
    const formulas = [
      'COUNTIF(C10:C69,">4500")',
      'COUNTIF(C10:C69,"<4500")',
      'SUMIF(C10:C69,"<4500",B10:B69)',
    ]
    const few = rows.filter(({ owed }) => owed < 4_500)
    const results = [count - few.length, few.length, few.reduce((sum, { interest }) => sum + interest, 0)]
    const emptied = (formula: string, at: number) => `IF(A${at}>$B$3,"",${formula})`
    const { figures, leftOut } = reportOf(await scheduleWith(formulas, results, emptied))
    expect(leftOut.map(({ cell, why }) => [cell, why])).toEqual([
      ['S!F2', 'it may count rows behind the last payment, where the file has empty texts'],
    ])
    expect(figures.filter(({ agrees }) => !agrees)).toEqual([])
  })

  test('to the cent too, whose rows are conditions themselves', async () => {
    const { cells, formats } = scheduleCells({ ...plain, isRounded: true })
    const figuresIn = (column: string) =>
      Array.from({ length: 60 }, (_, i) => {
        const cell = cells[`${column}${12 + i}`]
        return Number(typeof cell === 'object' ? cell.result : cell)
      })
    const [numbers, paid, interest, closing] = ['A', 'C', 'E', 'G'].map(figuresIn)
    const sum = (all: readonly number[] | undefined) => (all ?? []).reduce((a, b) => a + b, 0)
    const beside: MadeCells = {
      K1: { formula: 'SUMIF(A12:A71,"<=24",E12:E71)', result: sum(interest?.slice(0, 24)) },
      K2: {
        formula: 'COUNTIF(G12:G71,">75000")',
        result: (closing ?? []).filter((one) => one > 75_000).length,
      },
      K3: {
        formula: 'SUMPRODUCT(E12:E71,A12:A71)',
        result: sum(interest?.map((one, i) => one * (numbers?.[i] ?? 0))),
      },
      K4: { formula: 'NPV(B2/B4,C12:C71)', result: sum(paid?.map((one, i) => one / 1.005 ** (i + 1))) },
      K5: {
        formula: 'SUMIFS(F12:F71,G12:G71,">75000")',
        result: sum(figuresIn('F').filter((_, i) => (closing?.[i] ?? 0) > 75_000)),
      },
    }
    const report = reportOf(await readWorksheet(await bookOf({ ...cells, ...beside }, formats), 'Cents'))
    expect(report.leftOut).toEqual([])
    expect(differing(report)).toEqual([])
    expect(report.figures.filter(({ cell }) => /^S!K/.test(cell))).toHaveLength(5)
  })
})
