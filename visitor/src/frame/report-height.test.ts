// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { reportHeight } from './report-height'

const HOST = 'https://lender.example'
let heights: (() => void)[]
beforeEach(() => {
  heights = []
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(tell: () => void) {
        heights.push(tell)
      }
      observe = () => undefined
      disconnect = () => void (heights = [])
    },
  )
})
afterEach(() => vi.unstubAllGlobals())

/** A page in a frame, whose content is so tall. */
function framed(tall: number) {
  const sent: [unknown, string][] = []
  const parent = { postMessage: (message: unknown, to: string) => void sent.push([message, to]) }
  const listeners: ((event: object) => void)[] = []
  const view = {
    parent,
    document: { title: 'Raft loan' },
    addEventListener: (_: string, listener: (event: object) => void) => void listeners.push(listener),
    removeEventListener: () => void listeners.splice(0),
  } as unknown as Window
  const content = document.createElement('div')
  content.getBoundingClientRect = () => ({ height: tall }) as DOMRect
  const stop = reportHeight(content, view)
  const hear = (data: unknown, source: unknown = parent, origin = HOST) =>
    listeners.forEach((listener) => listener({ data, source, origin }))
  return { sent, hear, stop }
}

test('nothing is told before the page around says hello, and then only to where it spoke from', () => {
  const { sent, hear } = framed(812.4)
  heights.forEach((tell) => tell())
  expect(sent).toEqual([])
  hear({ vividMeter: 'hello' })
  expect(sent).toEqual([[{ vividMeter: 'height', height: 813, title: 'Raft loan' }, HOST]])
  heights.forEach((tell) => tell())
  expect(sent).toHaveLength(2)
})

test.each([
  ['from somebody else', [{ vividMeter: 'hello' }, {}]],
  ['of another kind', [{ vividMeter: 'sight', top: 3 }]],
  ['that is no message of ours', ['hello']],
  ['that is nothing', [null]],
])('a greeting %s is not heard', (_, [data, source]) => {
  const { sent, hear } = framed(500)
  hear(data, ...(source ? [source] : []))
  expect(sent).toEqual([])
})

test('what is stopped tells nothing more', () => {
  const { sent, hear, stop } = framed(500)
  hear({ vividMeter: 'hello' })
  stop()
  hear({ vividMeter: 'hello' })
  heights.forEach((tell) => tell())
  expect(sent).toHaveLength(1)
})

test('a page that stands alone has nobody to tell', () => {
  const alone = {} as Window
  Object.assign(alone, { parent: alone })
  expect(() => reportHeight(document.createElement('div'), alone)()).not.toThrow()
  expect(heights).toEqual([])
})
