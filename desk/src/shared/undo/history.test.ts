import { expect, test } from 'vitest'
import { emptyCalculator, mergeDocuments, type CalculatorDocument } from '@vivid/core'
import { createHistory } from './history'

const begin = emptyCalculator()
const lender = (name: string, from: CalculatorDocument = begin): CalculatorDocument => ({
  ...from,
  lender: name,
})

function edited(clock = { now: 0 }) {
  const history = createHistory<CalculatorDocument>(
    (from, to, current) => mergeDocuments(from, to, current).document,
    () => clock.now,
  )
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
    undo: () => (document = history.undo(document)),
    redo: () => (document = history.redo(document)),
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

test('what only one person edits is put back as it was, and as it became', () => {
  const history = createHistory<number>()
  history.add(1, 2)
  history.add(2, 3)
  expect(history.undo(3)).toBe(2)
  expect(history.undo(2)).toBe(1)
  expect(history.canUndo.value).toBe(false)
  expect(history.undo(1)).toBe(1)
  expect(history.redo(1)).toBe(2)
  history.add(2, 9)
  expect(history.canRedo.value).toBe(false)
  expect(history.redo(9)).toBe(9)
  expect(history.undo(9)).toBe(2)
})

test('typing in one cell is undone as one, until somebody pauses or goes elsewhere', () => {
  let time = 0
  const history = createHistory<string>(undefined, () => time)
  history.add('', '4', 'a')
  time += 500
  history.add('4', '4.6', 'a')
  expect(history.undo('4.6')).toBe('')
  history.clear()
  history.add('', '4', 'a')
  history.add('4', '5', 'b')
  time += 5_000
  history.add('5', '6', 'b')
  expect([history.undo('6'), history.undo('5'), history.undo('4')]).toEqual(['5', '4', ''])
})
