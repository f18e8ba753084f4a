import { expect, test } from 'vitest'
import {
  compile,
  editionImpact,
  readMoment,
  starters,
  type CalculatorDocument,
  type CalculatorStep,
  type Moment,
} from '@vivid/core'
import { figureRows } from './figure-rows'

const today = readMoment('2026-11-25T09:00') as Moment
const before = starters[0]?.make() as CalculatorDocument
const changed = (change: (step: CalculatorStep) => CalculatorStep | undefined): CalculatorDocument => ({
  ...before,
  steps: before.steps.flatMap((step) => change(step) ?? []),
})
function rowsOf(after: CalculatorDocument) {
  const [was, is] = [before, after].map((document) => ({
    program: compile(document, []).program,
    sheets: [],
  }))
  if (!was || !is) throw new Error('both compile')
  const [sample] = editionImpact(was, is, before.samples, today)
  return sample ? figureRows(sample, was.program, is.program) : []
}
const cents = (text: string) => Number(text.replace(/[^0-9]/g, ''))

test('a figure is said before and after, and by how much in money', () => {
  const rows = rowsOf(
    changed((step) =>
      step.kind === 'loan' ? { ...step, options: { ...step.options, compounding: 'perPayment' } } : step,
    ),
  )
  const [first] = rows
  expect(first?.label).toBe('You would pay every month')
  expect(first?.by).toMatch(/^\+\$/)
  expect(cents(first?.by ?? '')).toBe(cents(first?.after ?? '') - cents(first?.before ?? ''))
  // Tables and pictures say only that they differ.
  expect(rows.find(({ id }) => id === 'schedule')).toMatchObject({
    before: 'as before',
    after: 'other figures',
    by: 'differs',
  })
})

test('what is the same says so; what is gone and what is new too', () => {
  expect(rowsOf(before).every(({ by, isSame }) => isSame && by === 'the same')).toBe(true)
  const last = before.steps.filter((step) => step.kind === 'readout' && step.shows === 'figure').at(-1)
  const gone = rowsOf(changed((step) => (step === last ? undefined : step)))
  expect(gone.find(({ id }) => id === last?.id)).toMatchObject({ after: '–', by: 'gone' })
})
