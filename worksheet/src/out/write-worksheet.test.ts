import { describe, expect, test } from 'vitest'
import { compile, createEvaluator, starters, type CalculatorDocument } from '@vivid/core'
import { readWorksheet, reportOf } from '..'
import { writeWorksheet } from './write-worksheet'

const around = { today: { year: 2026, month: 11, day: 25, time: '12:00' }, sheets: [] }

/** Written for its first sample visitor, and read again. */
async function outAndIn(document: CalculatorDocument, answers = document.samples[0]?.answers ?? {}) {
  const bytes = await writeWorksheet(document, answers, around)
  const draft = await readWorksheet(bytes, 'Back')
  return { draft, report: reportOf(draft) }
}

describe.each(starters.map(({ id, make }) => [id, make] as const))('%s', (_, make) => {
  test('as a worksheet, every formula gives the calculator’s own figure', async () => {
    const { report } = await outAndIn(make())
    expect(report.figures.filter(({ agrees }) => !agrees).slice(0, 5)).toEqual([])
    expect(report.leftOut).toEqual([])
  })
})

test('a loan goes out with its schedule, and comes back as the same loan', async () => {
  const document = starters.find(({ id }) => id === 'mortgage-payment')?.make() as CalculatorDocument
  const { report } = await outAndIn(document)
  const { values } = createEvaluator(compile(document, []).program)(
    document.samples[0]?.answers ?? {},
    around,
  )
  const loan = Object.values(values).find((value) => value.unit === 'loan')
  const payment = report.figures.find(({ formula }) => formula.includes('PMT('))
  expect(payment?.got).toBe(loan?.unit === 'loan' ? loan.payment / 100 : undefined)
  expect(report.document.steps.filter(({ kind }) => kind === 'loan').length).toBeGreaterThan(0)
  // Each payment has eight cells; no row is a figure only.
  expect(report.figures.length).toBeGreaterThan(300 * 6)
})

test('what was read of a worksheet goes out and comes back with the same figures', async () => {
  const document = starters.find(({ id }) => id === 'mortgage-payment')?.make() as CalculatorDocument
  const first = await outAndIn(document)
  const second = await outAndIn(first.draft.document)
  expect(second.report.figures.filter(({ agrees }) => !agrees).slice(0, 5)).toEqual([])
})
