import { createServer, type AddressInfo, type Server, type Socket } from 'node:net'
import pino from 'pino'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { connect } from './connection'
import { listenForNotices, type Notices } from './notices'

const silent = pino({ level: 'silent' })

/** A message of PostgreSQL's protocol 3.0 (chapter "Frontend/Backend Protocol" of its manual). */
function message(type: string, ...parts: (string | number)[]): Buffer {
  const body = Buffer.concat(
    parts.map((part) => {
      if (typeof part === 'string') return Buffer.from(`${part}\0`)
      const int = Buffer.alloc(4)
      int.writeInt32BE(part)
      return int
    }),
  )
  const head = Buffer.alloc(5)
  head.write(type)
  head.writeInt32BE(body.length + 4, 1)
  return Buffer.concat([head, body])
}
const WELCOME = Buffer.concat([
  message('R', 0),
  message('S', 'server_version', '15.0'),
  message('S', 'standard_conforming_strings', 'on'),
  message('K', 1, 2),
])
const READY = Buffer.concat([Buffer.from([0x5a, 0, 0, 0, 5]), Buffer.from('I')])
const GOING = message('E', 'SFATAL', 'VFATAL', 'C57P01', 'Mterminating connection', '')
const DONE = message('C', 'SET')

const heard = { onNotice: () => undefined, onListening: () => undefined }

let server: Server
let url: string
let answer: (socket: Socket, asked: number) => void
const sockets: Socket[] = []
const dropped: unknown[] = []
const note = (error: unknown) => dropped.push(error)
beforeEach(async () => {
  dropped.length = 0
  process.on('uncaughtExceptionMonitor', note)
  server = createServer((socket) => {
    let asked = 0
    sockets.push(socket)
    socket.on('error', () => undefined)
    socket.on('data', () => answer(socket, asked++))
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  url = `postgres://u:p@127.0.0.1:${(server.address() as AddressInfo).port}/d`
})
afterEach(async () => {
  process.off('uncaughtExceptionMonitor', note)
  for (const socket of sockets.splice(0)) socket.destroy()
  await new Promise((resolve) => server.close(resolve))
})

/** What a server that is killed may leave a connection with: at each of its messages, and more than one at once. */
const LAST_WORDS: readonly [string, (socket: Socket, asked: number) => void][] = [
  ['nothing', (socket) => socket.destroy()],
  ['a reset', (socket) => socket.resetAndDestroy()],
  ['that it goes, instead of a welcome', (socket) => socket.end(GOING)],
  ['half a welcome', (socket) => socket.end(WELCOME.subarray(0, 20))],
  ['a welcome, and that it goes', (socket) => socket.end(Buffer.concat([WELCOME, GOING]))],
  ['ready', (socket) => socket.end(Buffer.concat([WELCOME, READY]))],
  ['ready and at once that it goes', (socket) => socket.end(Buffer.concat([WELCOME, READY, GOING]))],
  [
    'ready and at once that it goes, still open',
    (socket) => socket.write(Buffer.concat([WELCOME, READY, GOING])),
  ],
  [
    'ready and then a reset',
    (socket) => socket.write(Buffer.concat([WELCOME, READY]), () => socket.resetAndDestroy()),
  ],
  [
    'that it goes, asked for the first thing',
    (socket, asked) => (asked === 0 ? socket.write(Buffer.concat([WELCOME, READY])) : socket.end(GOING)),
  ],
  [
    'an answer and that it goes',
    (socket, asked) =>
      asked === 0
        ? socket.write(Buffer.concat([WELCOME, READY]))
        : socket.end(Buffer.concat([DONE, READY, GOING])),
  ],
]

test.each(LAST_WORDS)('a database that leaves "%s" fails what was asked, not the server', async (_, says) => {
  answer = says
  const database = connect(url, silent, 2)
  await expect(database.query('SELECT 1')).rejects.toThrow()
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(dropped).toEqual([])
  await database.close()
})

test.each(LAST_WORDS)(
  'a database that leaves "%s" fails whoever begins to listen, and nothing else',
  async (_, says) => {
    answer = says
    const begun = await listenForNotices(url, silent, heard).catch((error: unknown) => error)
    await new Promise((resolve) => setTimeout(resolve, 20))
    expect(dropped).toEqual([])
    if (begun instanceof Error) return
    // It began; with what came then it was lost again.
    const notices = begun as Notices
    await expect.poll(() => notices.unheardSince).toBeInstanceOf(Date)
    await notices.close()
  },
)

test.each(LAST_WORDS)('a listener whose database leaves "%s" listens again once it can', async (_, says) => {
  const [welcomes, listens] = [Buffer.concat([WELCOME, READY]), Buffer.concat([DONE, READY])]
  let connections = 0
  answer = (socket, asked) => {
    if (asked === 0) connections++
    // The first stands until it is let down, the second leaves that, the third stands.
    if (connections === 2) says(socket, asked)
    else socket.write(asked === 0 ? welcomes : listens)
  }
  const notices = await listenForNotices(url, silent, heard)
  expect(notices.unheardSince).toBeUndefined()
  for (const socket of sockets.splice(0)) socket.destroy()
  await expect.poll(() => connections).toBe(3)
  await expect.poll(() => notices.unheardSince).toBeUndefined()
  expect(dropped).toEqual([])
  await notices.close()
})
