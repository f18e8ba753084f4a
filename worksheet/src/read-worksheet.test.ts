import { readFileSync } from 'node:fs'
import ExcelJS from 'exceljs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CalculatorDocument, compile, isGentle } from '@vivid/core'
import expected from './testing/worksheets/expected.json'
import { inputs } from './testing/by-hand'
import { draftOf } from './testing/drafts'
import { figuresOf, NoAnswer, readWorksheet, reportOf, type CellValue } from '.'

const bytesOf = (file: string) => readFileSync(new URL(`./testing/worksheets/${file}`, import.meta.url))
const named = ({ sheet, address }: { sheet: string; address: string }) => `${sheet}!${address}`
const SCHEDULE = 'engine-sixty-payments.xlsx'

interface ExpectedCell {
  readonly sheet: string
  readonly address: string
  readonly value: CellValue
}
interface ExpectedFile {
  readonly inputs: readonly ExpectedCell[]
  readonly formulas: readonly ExpectedCell[]
  readonly vectors: readonly {
    readonly set: readonly ExpectedCell[]
    readonly results: readonly ExpectedCell[]
  }[]
}
const files = Object.entries(expected.files as unknown as Record<string, ExpectedFile>).map(
  ([file, one]) => ({
    file,
    ...one,
  }),
)

/** What an author would have to mend; that nothing may be asked of a file is no fault of the draft's. */
const faultsIn = (document: CalculatorDocument) =>
  compile(document, []).problems.filter((problem) => !isGentle(problem) && problem.code !== 'NO_QUESTION')

test.each([
  ['houseboat-extra-payment.xlsx', 7, 0],
  ['mooring-schedule.xlsx', 290, 1],
])('the sample %s at the desk is taken over', async (file, agreeing, leftOut) => {
  const sample = new URL(`../../desk/src/calculators/worksheet/samples/${file}`, import.meta.url)
  const report = reportOf(await readWorksheet(readFileSync(sample), file))
  expect(report.figures.filter(({ agrees }) => agrees)).toHaveLength(agreeing)
  expect(report.leftOut).toHaveLength(leftOut)
})

describe.each(files.filter(({ file }) => file !== SCHEDULE))(
  '$file',
  ({ file, formulas, inputs, vectors }) => {
    test('every formula cell is worked out by the draft, to a billionth', async () => {
      const { figures, leftOut, document } = reportOf(await readWorksheet(bytesOf(file), file))
      expect(leftOut).toEqual([])
      expect(figures.map(({ cell }) => cell).sort()).toEqual(formulas.map(named).sort())
      expect(figures.filter(({ agrees }) => !agrees)).toEqual([])
      for (const { cell, got } of figures) {
        const wanted = formulas.find((one) => named(one) === cell)?.value
        expect([cell, near(wanted, got)]).toEqual([cell, true])
      }
      expect(CalculatorDocument.safeParse(document).error).toBeUndefined()
      const stopping = compile(document, []).problems.filter(({ code }) => code !== 'NOT_USED')
      expect(stopping).toEqual([])
    })

    test('each typed cell is a question', async () => {
      const { questions } = reportOf(await readWorksheet(bytesOf(file), file))
      expect(questions.map(({ cell }) => cell).sort()).toEqual(inputs.map(named).sort())
    })

    test.each(vectors.map((vector, i) => [i, vector] as const))(
      'other answers (%i) give the file’s other values',
      async (_, vector) => {
        const draft = await readWorksheet(bytesOf(file), file)
        const answers = Object.fromEntries(vector.set.map((one) => [named(one), one.value]))
        const got = new Map(figuresOf(draft, answers).map((figure) => [figure.cell, figure.got]))
        for (const result of vector.results)
          expect([named(result), near(result.value, got.get(named(result)))]).toEqual([named(result), true])
      },
    )
  },
)

function near(wanted: CellValue | undefined, got: CellValue | null | undefined): boolean {
  if (typeof wanted === 'object') return got === null
  if (typeof wanted !== 'number' || typeof got !== 'number') return wanted === got
  return (
    Math.abs(wanted - got) <= 1e-9 * Math.max(1, Math.abs(wanted)) ||
    Math.max(Math.abs(wanted), Math.abs(got)) < 1e-6
  )
}

test('a schedule to the penny is a loan: every row is proven by its ledger, and follows other answers', async () => {
  const draft = await readWorksheet(bytesOf(SCHEDULE), SCHEDULE)
  const { figures, leftOut, document } = reportOf(draft)
  const file = files.find((one) => one.file === SCHEDULE)
  expect(leftOut).toEqual([])
  expect(figures.map(({ cell }) => cell).sort()).toEqual(file?.formulas.map(named).sort())
  expect(figures.filter(({ agrees }) => !agrees)).toEqual([])
  expect(document.steps.filter(({ kind }) => kind === 'loan')).toHaveLength(1)
  expect(document.steps.length).toBeLessThan(30)
  for (const { set, results } of file?.vectors ?? []) {
    const got = new Map(
      figuresOf(draft, Object.fromEntries(set.map((one) => [named(one), one.value]))).map((one) => [
        one.cell,
        one.got,
      ]),
    )
    for (const result of results)
      expect([named(result), near(result.value, got.get(named(result)))]).toEqual([named(result), true])
  }
})

test('figures that are typed at equal steps are asked, where each has its own words', async () => {
  const typed = {
    A1: 'First fee ($)',
    B1: 100,
    A2: 'Second fee ($)',
    B2: 200,
    A3: 'Third fee ($)',
    B3: 300,
    A4: 'Fourth fee ($)',
    B4: 400,
  }
  const { questions } = reportOf(await draftOf({ ...typed, D1: '=B1+B2*2+B3*3+B4*4' }))
  expect(questions.map(({ cell }) => cell).sort()).toEqual(['S!B1', 'S!B2', 'S!B3', 'S!B4'])
})

test('whatever is typed, and whatever its own rules say, the draft is a document without a fault', async () => {
  const anyNumber = fc.oneof(
    fc.double({ noNaN: true, noDefaultInfinity: true }),
    fc.integer(),
    fc.constantFrom(0, 0.0485, 1e-9, 1e12, -5, 250.5, 99.999),
  )
  const typed = fc.record({
    value: anyNumber,
    format: fc.constantFrom('General', '0.00%', '"$"#,##0.00', '[$€-407]#,##0', '0', '¥#,##0'),
    label: fc.constantFrom(
      'Loan',
      'Rate (% p.a.)',
      'Years',
      'Months',
      'Number of payments',
      'if',
      'min',
      '',
      'a'.repeat(300),
      '“x” {y} [z]',
    ),
    least: anyNumber,
    most: anyNumber,
  })
  await fc.assert(
    fc.asyncProperty(fc.array(typed, { minLength: 1, maxLength: 5 }), async (cells) => {
      const workbook = new ExcelJS.Workbook()
      const sheet = workbook.addWorksheet('S')
      cells.forEach(({ value, format, label, least, most }, i) => {
        sheet.getCell(`A${i * 2 + 1}`).value = label
        const cell = sheet.getCell(`B${i * 2 + 1}`)
        cell.value = value
        cell.numFmt = format
        cell.dataValidation = { type: 'decimal', operator: 'between', formulae: [least, most] }
        sheet.getCell(`D${i * 2 + 1}`).value = { formula: `B${i * 2 + 1}*2`, result: value * 2 }
      })
      const { document } = reportOf(
        await readWorksheet(new Uint8Array(await workbook.xlsx.writeBuffer()), 'Any'),
      )
      expect(CalculatorDocument.safeParse(document).error?.issues[0]).toBeUndefined()
      expect(faultsIn(document)).toEqual([])
    }),
    { numRuns: 80 },
  )
})

test('a list of allowed values may have anything in it', async () => {
  const workbook = new ExcelJS.Workbook()
  const sheet = workbook.addWorksheet('S')
  sheet.getCell('A1').value = 'Kind'
  sheet.getCell('B1').value = 'A'
  sheet.getCell('B1').dataValidation = { type: 'list', formulae: [`"A,A,${'b'.repeat(120)}"`] }
  sheet.getCell('D1').value = { formula: 'IF(B1="A",1,2)', result: 1 }
  const { document, figures } = reportOf(
    await readWorksheet(new Uint8Array(await workbook.xlsx.writeBuffer()), 'Any'),
  )
  expect(CalculatorDocument.safeParse(document).error?.issues[0]).toBeUndefined()
  expect(faultsIn(document)).toEqual([])
  expect(figures).toMatchObject([{ got: 1, agrees: true }])
})

test('rows that are no schedule of what is taken over are left out, and said', async () => {
  const rows = Object.fromEntries(Array.from({ length: 20 }, (_, i) => [`D${i + 1}`, `=B1*${i + 3}^2`]))
  const carried = Object.fromEntries(Array.from({ length: 20 }, (_, i) => [`E${i + 1}`, `=$B$1+A${i + 1}`]))
  const { figures, leftOut } = reportOf(await draftOf({ ...inputs, ...rows, ...carried }))
  expect(
    leftOut.filter(({ why }) => why.includes('carry on from each other')).map(({ cell }) => cell),
  ).toContain('S!E5')
  expect(figures.some(({ cell }) => cell === 'S!D3')).toBe(true)
})

test('an answer that is none, and a cell that is not asked, are told', async () => {
  const draft = await draftOf({ ...inputs, D1: '=PMT(B2/1200,B3,B1)' })
  expect(() => figuresOf(draft, { 'S!B3': 7.5 })).toThrow(new NoAnswer('7.5 is no answer for S!B3.'))
  expect(() => figuresOf(draft, { 'S!Z9': 1 })).toThrow(new NoAnswer('S!Z9 is not asked.'))
})

describe('what a cell allows, and how it is shown', () => {
  async function asked(format: string, allowed: unknown[] | undefined, value: number | string) {
    const workbook = new ExcelJS.Workbook()
    const sheet = workbook.addWorksheet('S')
    sheet.getCell('A1').value = 'Length'
    sheet.getCell('B1').value = value
    sheet.getCell('B1').numFmt = format
    sheet.getCell('B2').value = { formula: 'B1*2', result: typeof value === 'number' ? value * 2 : 0 }
    sheet.getCell('C1').value = { formula: 'B1*12', result: typeof value === 'number' ? value * 12 : 0 }
    ;[10, 15, 25].forEach((one, i) => (sheet.getCell(`F${i + 1}`).value = one))
    workbook.definedNames.add('S!$F$1:$F$3', 'Lengths')
    if (allowed) sheet.getCell('B1').dataValidation = { type: 'list', formulae: allowed }
    const bytes = new Uint8Array(await workbook.xlsx.writeBuffer())
    const draft = await readWorksheet(bytes, 'Allowed')
    expect(figuresOf(draft).filter(({ agrees }) => !agrees)).toEqual([])
    return draft
  }

  test.each([[['"10,15,25"']], [['$F$1:$F$3']], [['Lengths']]])(
    'figures that are allowed (%j) are a choice among them',
    async (allowed) => {
      const draft = await asked('0', allowed, 15)
      const [question] = draft.document.steps
      expect(question).toMatchObject({ asks: 'choice', gives: 'term', default: '15' })
      expect(figuresOf(draft, { 'S!B1': 25 }).find(({ cell }) => cell === 'S!B2')?.got).toBe(50)
      expect(() => figuresOf(draft, { 'S!B1': 20 })).toThrow(NoAnswer)
    },
  )

  test('a percent sign that is only written behind makes no hundredth', async () => {
    const unitOf = async (format: string, value: number) =>
      reportOf(await asked(format, undefined, value)).questions[0]?.unit
    expect(await unitOf('0.00%', 0.05)).toBe('percent')
    expect(await unitOf('0.00"%"', 5)).toBe('percentNumber')
  })
})
