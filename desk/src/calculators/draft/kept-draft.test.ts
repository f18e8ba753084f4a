// @vitest-environment happy-dom
import { beforeEach, expect, test, vi } from 'vitest'
import { named } from '../../testing/desk-server'
import { keptDrafts } from './kept-draft'

const kept = { revision: 3, base: named('Raft'), document: named('Raft and punt') }
beforeEach(() => localStorage.clear())

test('what is kept is found, of its own calculator, until it is dropped', () => {
  keptDrafts.keep('a', kept)
  expect(keptDrafts.find('a')).toEqual(kept)
  expect(keptDrafts.find('b')).toBeUndefined()
  keptDrafts.drop('a')
  expect(keptDrafts.find('a')).toBeUndefined()
})

test.each([
  ['no JSON', '{'],
  ['nothing', 'null'],
  ['another shape', '{"revision": 1}'],
  ['a document that is none', JSON.stringify({ ...kept, document: { title: 'x' } })],
  ['a revision that is none', JSON.stringify({ ...kept, revision: '3' })],
])('what cannot be read is as if it were not there: %s', (_, text) => {
  localStorage.setItem('vivid.draft.a', text)
  expect(keptDrafts.find('a')).toBeUndefined()
})

test('a storage that is full or forbidden breaks nothing', () => {
  const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError')
  })
  expect(() => keptDrafts.keep('a', kept)).not.toThrow()
  full.mockRestore()
})
