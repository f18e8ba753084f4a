import { expect, test } from 'vitest'
import { createSnapshots } from './snapshots'

test('undone and done again, step by step; a new change forgets what was undone', () => {
  const history = createSnapshots<number>()
  history.keep(1)
  history.keep(2)
  expect(history.undo(3)).toBe(2)
  expect(history.undo(2)).toBe(1)
  expect(history.canUndo.value).toBe(false)
  expect(history.redo(1)).toBe(2)
  history.keep(2)
  expect(history.canRedo.value).toBe(false)
  expect(history.undo(9)).toBe(2)
})

test('typing in one cell is undone as one, until somebody pauses or goes elsewhere', () => {
  let time = 0
  const history = createSnapshots<string>(() => time)
  history.keep('', 'a')
  time += 500
  history.keep('4', 'a')
  expect(history.undo('4.6')).toBe('')
  history.clear()
  history.keep('', 'a')
  history.keep('4', 'b')
  time += 5_000
  history.keep('5', 'b')
  expect([history.undo('6'), history.undo('5'), history.undo('4')]).toEqual(['5', '4', ''])
})
