import { expect, test, vi } from 'vitest'
import '@vivid/worksheet'
import type { WorksheetReply } from './worksheet-worker'

test('a failure in the thread is an answer like any other', async () => {
  const said: WorksheetReply[] = []
  const thread = {
    postMessage: (reply: WorksheetReply) => said.push(reply),
    onmessage: async (_: object): Promise<void> => undefined,
  }
  vi.stubGlobal('self', thread)
  const log = vi.spyOn(console, 'error').mockImplementation(() => undefined)
  await import('./worksheet-worker')
  await thread.onmessage({ data: { document: { steps: 'none' }, answers: {}, around: {} } })
  await thread.onmessage({ data: { bytes: new Uint8Array([1, 2, 3]), title: 'x', changes: {} } })
  expect(said.filter((reply) => 'refused' in reply)).toEqual([
    { refused: 'The worksheet cannot be written: something in it is not provided for.' },
    { refused: expect.stringContaining('no worksheet') },
  ])
  expect(log).toHaveBeenCalledTimes(1)
  log.mockRestore()
  vi.unstubAllGlobals()
})
