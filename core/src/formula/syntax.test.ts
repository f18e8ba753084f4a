import { expect, test } from 'vitest'
import { createReader } from './syntax'

test('a text that is deeper than what is left of the stack is too deep, wherever it is read', () => {
  const deep = '('.repeat(990) + '1' + ')'.repeat(990)
  const parse = (text: string) => createReader({}).parse(text)
  const outcomes = new Set<unknown>()
  /** Goes down in strides, for as long as there is room to read a short text. */
  const descend = (calls: number): void => {
    if (calls % 250 === 0) {
      try {
        parse('1')
      } catch {
        return
      }
      outcomes.add(parse(deep))
    }
    descend(calls + 1)
  }
  try {
    descend(0)
  } catch (error) {
    // Between two strides the stack may end: nothing was read there.
    if (!(error instanceof RangeError) || String(error.stack).includes('lezer')) throw error
  }
  expect([...outcomes]).toEqual([undefined])
})
