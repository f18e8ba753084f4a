import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino, { type Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import { inject } from 'vitest'
import type { CalculatorOpened } from '@vivid/contract'
import { copiedDatabase } from '../../../scripts/lib/scratch-server.mjs'
import { connect } from '../platform/database/connection'
import { tellBrokenTo } from '../platform/threads/broken-steps'
import { loadDemoOnce } from '../demo/load-demo'
import { migrate } from '../platform/database/migrate'
import { createWork } from '../platform/threads/pool'
import work from '../worker'
import { takeOut } from '../desk/archive/take-out'
import type { Limits } from '../platform/http/limits'
import type { AudienceCounter } from '../visitors/counting/counter'
import { createReader } from '../platform/database/reader'
import { createSeal } from '../platform/database/seal'
import { assemble } from '../assemble'
import { taskRules, type Work } from '../tasks'
import type { Services } from '../services'
import type { Letter } from '../platform/mail/mailer'
import type { Provider } from '../team/people/provider'
import type { SessionTimes } from '../team/people/session'
import { NOW, TODAY } from './today'

export interface TestServer {
  readonly address: string
  readonly database: Sequelize
  readonly databaseUrl: string
  readonly services: Services
  readonly counter: AudienceCounter
  /** What was sent by mail. */
  readonly letters: readonly Letter[]
  close(): Promise<void>
}

/** What closes secrets in the databases of the tests. */
export const testSeal = createSeal([Buffer.alloc(32, 'tests')])

const noLimits: Limits = { consume: async () => undefined, perAddress: () => (_req, _res, next) => next() }

/** A server on a new database with the demo data, or on one that another test server made. */
export async function testServer({
  databaseUrl,
  demo = true,
  receiver,
  now = () => NOW,
  replicas = [],
  log = pino({ level: 'silent' }),
  connections = 10,
  handsOver = true,
  publicUrl,
  trustedProxies = 0,
  work: given,
  unlimited = false,
  mails = true,
  sessionTimes = { idleMinutes: 30, hours: 12 },
  mustHaveSecond = false,
  provider,
  port: at = 0,
}: {
  databaseUrl?: string
  demo?: boolean
  receiver?: string
  now?: () => Date
  replicas?: readonly string[]
  log?: Logger
  /** How many connections its pool has. */
  connections?: number
  /** Whether somebody takes hand-overs. */
  handsOver?: boolean
  publicUrl?: string
  trustedProxies?: number
  work?: Work
  /** Whether everybody may ask as often as they like. */
  unlimited?: boolean
  /** Whether mail can be sent. */
  mails?: boolean
  sessionTimes?: SessionTimes
  mustHaveSecond?: boolean
  provider?: Provider
  /** Where it listens; 0: anywhere. */
  port?: number
} = {}): Promise<TestServer> {
  const url = databaseUrl ?? (await copiedDatabase(inject('clusterUrl')))
  // The other tests keep the machine busy.
  const database = connect(url, log, connections, 20_000)
  await migrate(database, log)
  await loadDemoOnce(database, TODAY)
  const reader = createReader(
    database,
    replicas.map((replica) => connect(replica, log)),
    log,
  )
  // In this thread, unless a test is about threads: the worker runs the same.
  const here = (task: Parameters<typeof work>[0]) => work(structuredClone(task))
  const workHere = given ?? createWork(taskRules, tellBrokenTo(log), { visitors: here, desk: here })
  const letters: Letter[] = []
  const pages = mkdtempSync(join(tmpdir(), 'vivid-pages-'))
  writeFileSync(
    join(pages, 'index.html'),
    '<html lang="en"><title><!--title--></title><!--looks--><div id="app"><!--drawn--></div><!--calculator--><!--notice-->',
  )
  writeFileSync(
    join(pages, 'drawer.mjs'),
    "export const drawPage = async ({ slug, today }, language, isAlone) => ({ html: [slug, today, language, isAlone].join(), rules: '[data-drawn]{flex-grow:1}' })",
  )
  writeFileSync(join(pages, 'embed.js'), '/* placement */')
  const { app, services, counter, stop } = await assemble({
    database,
    databaseUrl: url,
    reader,
    seal: testSeal,
    work: workHere,
    now,
    log,
    mail: mails ? async (letter) => void letters.push(letter) : undefined,
    demo,
    lender: 'Larkmoor Mutual',
    deskUrl: () => 'https://desk.example/desk',
    publicUrl,
    handsOver,
    receiver: { url: () => receiver, secret: 'test-secret', keepDays: 30 },
    ...(unlimited && { limits: noLimits }),
    sessionTimes,
    mustHaveSecond,
    isLeaving: () => false,
    takeOut: () => takeOut(database),
    provider,
    deskFolder: pages,
    visitorFolder: pages,
    drawer: join(pages, 'drawer.mjs'),
    trustedProxies,
    metricsToken: undefined,
  })
  const server = app.listen(at, '127.0.0.1')
  await new Promise((done) => server.once('listening', done))
  const { port } = server.address() as AddressInfo
  return {
    address: `http://127.0.0.1:${port}`,
    database,
    databaseUrl: url,
    services,
    counter,
    letters,
    close: async () => {
      server.closeAllConnections()
      await new Promise((done) => server.close(done))
      await stop()
      await reader.close()
      await database.close()
      rmSync(pages, { recursive: true, force: true })
    },
  }
}

export interface Answer<Body> {
  readonly status: number
  readonly headers: Headers
  readonly body: Body
}

/** A person, or nobody, talking to a test server; remembers its session cookie. */
export class TestClient {
  cookie = ''

  constructor(private readonly address: string) {}

  async ask<Body = Record<string, unknown>>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer<Body>> {
    const response = await fetch(`${this.address}${path}`, {
      method,
      redirect: 'manual',
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(this.cookie ? { cookie: this.cookie } : {}),
        ...headers,
      },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    const set = response.headers.get('set-cookie')
    if (set) this.cookie = set.split(';')[0] ?? ''
    const text = await response.text()
    return { status: response.status, headers: response.headers, body: readJson(text) as Body }
  }

  /** Signs in as one of the demo people, by first name. */
  async signIn(name: 'ines' | 'rasmus' | 'odile' | 'kofi' | 'wren'): Promise<this> {
    const { status } = await this.ask('POST', '/api/session', {
      email: `${name}@larkmoor.example`,
      password: 'ebb-and-flow',
    })
    if (status !== 201) throw new Error(`${name} could not sign in: ${status}`)
    return this
  }

  async make(title = 'Punt mortgage'): Promise<CalculatorOpened> {
    return (
      await this.ask<CalculatorOpened>('POST', '/api/calculators', {
        from: 'starter',
        starter: 'mortgage-payment',
        title,
      })
    ).body
  }

  async open(id: string): Promise<CalculatorOpened> {
    return (await this.ask<CalculatorOpened>('GET', `/api/calculators/${id}`)).body
  }
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return text
  }
}
