import { expect, test } from 'vitest'
import {
  changesBetween,
  paragraphs,
  starters,
  type CalculatorDocument,
  type CalculatorStep,
  type ReadoutCompared,
} from '@vivid/core'
import { marksOf } from './marks'

const before = starters[0]?.make() as CalculatorDocument
const changed = (id: string, fields: object): CalculatorDocument => ({
  ...before,
  steps: before.steps.map((step) => (step.id === id ? ({ ...step, ...fields } as CalculatorStep) : step)),
})
const marks = (after: CalculatorDocument, readouts: readonly ReadoutCompared[] = []) =>
  marksOf(changesBetween(before, after), [before, after], readouts)
const moved = (id: string, isSame = false): ReadoutCompared => ({
  id,
  before: undefined,
  after: undefined,
  isSame,
  difference: undefined,
})

test('what changed is marked on both pages, and says what is otherwise', () => {
  const { before: was, after: is } = marks(changed('homePrice', { most: 900_000_00 }), [
    moved('payment'),
    moved('schedule', true),
  ])
  expect(is).toEqual([
    { of: 'homePrice', said: 'changed' },
    { of: 'payment', said: 'other figures' },
  ])
  expect(was).toEqual(is)
})

test('one that is worded otherwise and has other figures says both', () => {
  const after = changed('payment', { label: { 'en-CA': 'Each payment' } })
  expect(marks(after, [moved('payment')]).after).toEqual([{ of: 'payment', said: 'changed, other figures' }])
})

test('what is new is marked on the page to come, what is gone on the page that is there', () => {
  const [question] = before.steps.filter(({ kind }) => kind === 'question')
  const without = { ...before, steps: before.steps.filter((step) => step !== question) }
  expect(marksOf(changesBetween(before, without), [before, without], [])).toEqual({
    before: [{ of: question?.id, said: 'gone' }],
    after: [],
  })
  expect(marksOf(changesBetween(without, before), [without, before], []).after).toContainEqual({
    of: question?.id,
    said: 'new',
  })
})

test('texts of the page are marked; what only the team sees is not', () => {
  const after = { ...before, introduction: { 'en-CA': paragraphs('Otherwise.') } }
  expect(marks(after).after).toEqual([{ of: 'introduction', said: 'changed' }])
  expect(marks(changed('homePrice', { note: 'Ask the treasury.' })).after).toEqual([])
  const loan = before.steps.find(({ kind }) => kind === 'loan')
  expect(marks(changed(loan?.id ?? '', { options: { compounding: 12 } })).after).toEqual([])
})
