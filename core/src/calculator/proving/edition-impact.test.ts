import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { readMoment, type Moment } from '../../dates/moment'
import { compile } from '../compile/compile'
import type { CalculatorDocument } from '../document/document'
import type { StepOf } from '../document/steps'
import { starters } from '../starters'
import { editionImpact, readoutsCompared, workingOut, type AsServed } from './edition-impact'

const sheets = [...new Map(starters.flatMap((one) => one.sheets).map((sheet) => [sheet.id, sheet])).values()]
const today = readMoment('2026-11-25T09:00') as Moment
const documentOf = (id: string): CalculatorDocument => {
  const starter = starters.find((one) => one.id === id)
  if (!starter) throw new Error(`there is no starter ${id}`)
  return starter.make()
}
const served = (document: CalculatorDocument): AsServed => ({
  program: compile(document, sheets).program,
  sheets,
})
const withStep = (document: CalculatorDocument, id: string, change: object): CalculatorDocument => ({
  ...document,
  steps: document.steps.map((step) => (step.id === id ? { ...step, ...change } : step)) as never,
})

describe('what becomes of the figures of sample visitors', () => {
  test.each(starters.map(({ id }) => id))('%s against itself: nothing differs', (id) => {
    const document = documentOf(id)
    for (const { rows } of editionImpact(served(document), served(document), document.samples, today)) {
      expect(rows.length).toBeGreaterThan(0)
      expect(rows.every(({ isSame }) => isSame)).toBe(true)
    }
  })

  test('a question that counts otherwise moves the figures, by after less before', () => {
    const before = documentOf('mortgage-payment')
    const loan = before.steps.find((step): step is StepOf<'loan'> => step.kind === 'loan')
    const after = withStep(before, loan?.id ?? '', { options: { ...loan?.options, compounding: 12 } })
    const [first] = editionImpact(served(before), served(after), before.samples, today)
    const headline = first?.rows.find(({ after: readout }) => readout?.shows === 'figure' && readout.headline)
    const [was, is] = [headline?.before, headline?.after].map((readout) =>
      readout?.shows === 'figure' && readout.value.unit === 'money' ? readout.value.money : 0,
    )
    expect(headline?.isSame).toBe(false)
    expect(is).toBeGreaterThan(was ?? 0)
    expect(headline?.difference).toEqual({ unit: 'money', money: (is ?? 0) - (was ?? 0) })
  })

  test('what is new has no before, what is gone no after, and neither a difference', () => {
    const before = documentOf('mortgage-payment')
    const gone = before.steps.filter((step) => step.kind === 'readout' && step.shows === 'figure').at(-1)
    const after = { ...before, steps: before.steps.filter((step) => step !== gone) }
    const rowOf = (from: CalculatorDocument, to: CalculatorDocument) =>
      editionImpact(served(from), served(to), before.samples, today)[0]?.rows.find(
        ({ id }) => id === gone?.id,
      )
    expect(rowOf(before, after)).toMatchObject({ after: undefined, isSame: false, difference: undefined })
    expect(rowOf(after, before)).toMatchObject({ before: undefined, isSame: false, difference: undefined })
  })

  test('answers to questions a program does not ask are no problem for it', () => {
    const document = documentOf('mortgage-payment')
    const evaluation = workingOut(served(document), today)({ ...document.samples[0]?.answers, unknown: 1 })
    expect(evaluation.problems).toEqual([])
  })

  test('compared the other way round, differences are the same with the other sign', () => {
    const document = documentOf('mortgage-payment')
    const work = workingOut(served(document), today)
    fc.assert(
      fc.property(
        fc.integer({ min: 100_000_00, max: 900_000_00 }),
        fc.integer({ min: 1, max: 9 }),
        (price, rate) => {
          const [one, two] = [work({ homePrice: price }), work({ homePrice: price, rate: String(rate) })]
          const [there, back] = [readoutsCompared(one, two), readoutsCompared(two, one)]
          for (const row of there) {
            const other = back.find(({ id }) => id === row.id)
            expect(other?.isSame).toBe(row.isSame)
            if (row.difference?.unit === 'money' && other?.difference?.unit === 'money')
              expect(row.difference.money + other.difference.money).toBe(0)
            if (row.isSame && row.difference?.unit === 'money') expect(row.difference.money).toBe(0)
          }
        },
      ),
      { numRuns: 25 },
    )
  })
})
