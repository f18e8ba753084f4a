// @vitest-environment happy-dom
import { afterEach, expect, test, vi } from 'vitest'
import { fetchFile, handOver, type AsShown } from './ask-server'
import { saveFile } from './save-file'

const page = { slug: 'raft-loan', edition: 3, isAlone: true, handsOver: true } as Parameters<
  typeof fetchFile
>[0]
const shown: AsShown = {
  answers: { price: 100 },
  beside: {},
  language: 'en-CA',
  edition: 3,
  on: '2026-11-27',
}

function server(status: number) {
  const asked: [string, RequestInit][] = []
  vi.stubGlobal('fetch', async (address: string, options: RequestInit) => {
    asked.push([address, options])
    return new Response('bytes', { status })
  })
  return asked
}
afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

test('a file is asked for with what is shown, and without anything that says who asks', async () => {
  const asked = server(200)
  expect(await (await fetchFile(page, 'pdf', shown)).text()).toBe('bytes')
  const [[address, { body, credentials }]] = asked as [[string, RequestInit]]
  expect([address, credentials]).toEqual(['/api/public/calculators/raft-loan/files/pdf', 'omit'])
  expect(JSON.parse(String(body))).toEqual(shown)
})

test('what is handed over has the figures and how to reach somebody; a refusal is no success', async () => {
  const asked = server(202)
  const details = { name: 'Edda Lorn', reach: 'edda@mail.example', message: '', consent: true as const }
  await handOver(page, shown, details)
  expect(JSON.parse(String(asked[0]?.[1].body))).toEqual({ ...shown, ...details })
  server(503)
  await expect(handOver(page, shown, details)).rejects.toThrow('503')
})

test('a file is offered under its name, and its address given up again', () => {
  const made = vi.spyOn(URL, 'createObjectURL').mockReturnValue('blob:x')
  const gone = vi.spyOn(URL, 'revokeObjectURL').mockImplementation(() => undefined)
  const clicked: string[] = []
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    clicked.push(`${this.download} ${this.href}`)
  })
  saveFile(new Blob(['x']), 'raft-loan.pdf')
  expect([clicked, made.mock.calls.length, gone.mock.calls]).toEqual([
    ['raft-loan.pdf blob:x'],
    1,
    [['blob:x']],
  ])
})
