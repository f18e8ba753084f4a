import { expect, test } from 'vitest'
import { emptyCalculator, type CalculatorDocument } from '@vivid/core'
import { createHistory } from './history'

const begin = emptyCalculator()
const lender = (name: string, from: CalculatorDocument = begin): CalculatorDocument => ({
  ...from,
  lender: name,
})

function edited(clock = { now: 0 }) {
  const history = createHistory(() => clock.now)
  let document = begin
  return {
    history,
    get document() {
      return document
    },
    change(next: CalculatorDocument, key?: string) {
      history.add(document, next, key)
      document = next
    },
    undo: () => (document = history.undo(document) ?? document),
    redo: () => (document = history.redo(document) ?? document),
    others: (next: CalculatorDocument) => (document = next),
  }
}

test('changes are undone one by one and done again; a new change ends what could be done again', () => {
  const desk = edited()
  for (const name of ['A', 'B', 'C']) desk.change(lender(name))
  expect([desk.undo().lender, desk.undo().lender]).toEqual(['B', 'A'])
  expect(desk.redo().lender).toBe('B')
  desk.change(lender('D'))
  expect(desk.history.canRedo.value).toBe(false)
  expect([desk.undo().lender, desk.undo().lender, desk.undo()]).toEqual(['B', 'A', begin])
  expect(desk.history.canUndo.value).toBe(false)
})

test('a word typed without a pause is undone as one; after a pause, or in another field, it is another change', () => {
  const clock = { now: 0 }
  const desk = edited(clock)
  for (const name of ['S', 'Sk', 'Ski']) {
    clock.now += 300
    desk.change(lender(name), 'lender')
  }
  clock.now += 5_000
  desk.change(lender('Skiff'), 'lender')
  desk.change({ ...desk.document, results: 'onButton' }, 'results')
  expect(desk.undo()).toMatchObject({ lender: 'Skiff', results: 'live' })
  expect(desk.undo().lender).toBe('Ski')
  expect(desk.undo()).toEqual(begin)
})

test('undo takes back one’s own change and leaves what another changed meanwhile', () => {
  const desk = edited()
  desk.change(lender('Mine'))
  desk.others({ ...desk.document, currency: 'NOK' })
  expect(desk.undo()).toEqual({ ...begin, currency: 'NOK' })
  expect(desk.redo()).toEqual({ ...begin, lender: 'Mine', currency: 'NOK' })
})
