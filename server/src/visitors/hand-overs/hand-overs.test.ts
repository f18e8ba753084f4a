import { createServer, type IncomingMessage, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { QueryTypes } from 'sequelize'
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { waitAfter } from './deliver'
import { createHandOversStore } from './hand-overs-store'

interface Got {
  readonly key: string | undefined
  readonly authorization: string | undefined
  readonly body: Record<string, unknown>
}

/** A receiver of the lender's that can be told how to answer. */
let receiver: Server
let got: Got[] = []
let answersWith = 200
let server: TestServer
let visitor: TestClient

beforeAll(async () => {
  receiver = createServer((req, res) => {
    void bodyOf(req).then((body) => {
      const { 'idempotency-key': key, authorization } = req.headers
      got.push({ key: key?.toString(), authorization, body })
      res.writeHead(answersWith).end()
    })
  })
  await new Promise<void>((done) => receiver.listen(0, '127.0.0.1', done))
  const { port } = receiver.address() as AddressInfo
  server = await testServer({ receiver: `http://127.0.0.1:${port}/hand-overs` })
  visitor = new TestClient(server.address)
})
afterAll(async () => {
  await server.close()
  receiver.close()
})
beforeEach(() => {
  got = []
  answersWith = 200
})

async function bodyOf(req: IncomingMessage): Promise<Record<string, unknown>> {
  let text = ''
  for await (const chunk of req) text += String(chunk)
  return JSON.parse(text) as Record<string, unknown>
}

const PATH = '/api/public/calculators/floating-home-mortgage/hand-overs'
const filled = {
  answers: { homePrice: 500_000_00, frequency: 'monthly' },
  language: 'en-CA',
  edition: 3,
  on: '2026-11-25',
  name: 'Tamsin Reed',
  reach: 'tamsin@example.org',
  message: 'Mornings are best.',
  consent: true,
}
interface Row {
  readonly body: object | null
  readonly attempts: number
  readonly delivered_at: Date | null
  readonly last_failure: string | null
}
const rows = () =>
  server.database.query<Row>('SELECT * FROM hand_overs ORDER BY accepted_at', { type: QueryTypes.SELECT })

async function until(holds: () => Promise<boolean> | boolean): Promise<void> {
  for (let i = 0; i < 200; i++) {
    if (await holds()) return
    await new Promise((done) => setTimeout(done, 50))
  }
  throw new Error(`it never held; there is: ${JSON.stringify(await rows())}`)
}

test('what was kept beside goes along, by the name it was given', async () => {
  const beside = { whatIf: [{ name: 'the raise', extra: 250_00 }] }
  expect((await visitor.ask('POST', PATH, { ...filled, beside })).status).toBe(202)
  await until(() => got.length > 0)
  expect(got[0]?.body.figures).toContainEqual({
    label: 'the raise',
    figure: expect.stringMatching(/^\$[\d,.]+$/),
    sentence: expect.stringMatching(/sooner, \$[\d,.]+ less interest\.$/),
  })
})

test('what is handed over arrives with its figures, and nothing personal of it stays', async () => {
  const { status, body } = await visitor.ask('POST', PATH, filled)
  expect([status, body]).toEqual([202, { accepted: true }])
  await until(() => got.length === 1)
  const [{ key, authorization, body: arrived }] = got as [Got]
  expect(key).toMatch(/^[0-9a-f-]{36}$/)
  expect(authorization).toBe('Bearer test-secret')
  expect(arrived).toMatchObject({
    name: 'Tamsin Reed',
    reach: 'tamsin@example.org',
    message: 'Mornings are best.',
    title: 'Floating home mortgage',
    edition: 3,
    on: '2026-11-25',
  })
  expect(arrived.answers).toContainEqual({ question: 'Price of the floating home', answer: '$500,000' })
  const { readouts } = (
    await visitor.ask<{ readouts: { figure: string }[] }>('POST', PATH.replace('hand-overs', 'evaluate'), {
      answers: filled.answers,
    })
  ).body
  expect(arrived.figures).toContainEqual(expect.objectContaining({ figure: readouts[0]?.figure }))
  await until(async () => (await rows()).every((row) => row.delivered_at !== null))
  for (const row of await rows()) expect(row.body).toBeNull()
  const everything = await server.database.query<{ text: string }>(
    `SELECT string_agg(t::text, ' ') AS text FROM hand_overs t`,
    { type: QueryTypes.SELECT },
  )
  expect(everything[0]?.text).not.toContain('Tamsin')
})

test('a receiver that is down gets it when it is back, once, and meanwhile it is kept', async () => {
  answersWith = 503
  await visitor.ask('POST', PATH, { ...filled, name: 'Ovid Marsh' })
  await until(async () => (await rows()).at(-1)?.last_failure === 'answered 503')
  expect((await rows()).at(-1)).toMatchObject({
    attempts: 1,
    delivered_at: null,
    body: { name: 'Ovid Marsh' },
  })
  answersWith = 200
  got = []
  await server.database.query('UPDATE hand_overs SET next_attempt_at = now()')
  await until(async () => (await rows()).at(-1)?.delivered_at !== null)
  expect(got.map(({ body }) => body.name)).toEqual(['Ovid Marsh'])
  expect((await rows()).at(-1)).toMatchObject({ attempts: 2, body: null, last_failure: null })
})

test('two server processes never deliver the same one', async () => {
  answersWith = 503
  for (let n = 0; n < 6; n++) await visitor.ask('POST', PATH, { ...filled, name: `Caller ${n}` })
  await until(async () => (await rows()).filter((row) => row.last_failure !== null).length === 6)
  await server.database.query('UPDATE hand_overs SET next_attempt_at = now() WHERE delivered_at IS NULL')
  const stores = [createHandOversStore(server.database), createHandOversStore(server.database)]
  const claims = await Promise.all(Array.from({ length: 8 }, (_, i) => stores[i % 2]?.claim(30)))
  const ids = claims.flatMap((claim) => claim?.id ?? [])
  expect(new Set(ids).size).toBe(ids.length)
  expect(ids.length).toBeLessThanOrEqual(6)
})

test('the waits grow to a quarter of an hour, and no further', () => {
  expect([1, 2, 3, 8, 9, 500].map(waitAfter)).toEqual([5_000, 10_000, 20_000, 640_000, 900_000, 900_000])
})

describe('nothing is taken without what it needs', () => {
  test.each([
    ['consent', { consent: false }, 'consent'],
    ['a name', { name: '  ' }, 'name'],
    ['a way to reach someone', { reach: 'somewhere' }, 'reach'],
    ['a message of a decent length', { message: 'x'.repeat(2001) }, 'message'],
  ])('%s', async (_, change, field) => {
    const { status, body } = await visitor.ask<{ code: string; field: string }>('POST', PATH, {
      ...filled,
      ...change,
    })
    expect([status, body.code, body.field]).toEqual([400, 'REQUEST_INVALID', field])
  })

  test('answers that give no figures', async () => {
    const { status, body } = await visitor.ask<{ code: string }>('POST', PATH, {
      ...filled,
      answers: { rate: 'high' },
    })
    expect([status, body.code]).toEqual([422, 'ANSWERS_INVALID'])
  })

  test('and nobody sends a hundred', async () => {
    const statuses: number[] = []
    for (let n = 0; n < 32; n++)
      statuses.push((await visitor.ask('POST', PATH, { ...filled, consent: false })).status)
    expect(statuses).toContain(429)
  })
})

describe('where nobody takes them', () => {
  test('pages do not offer a hand-over, one that comes is refused and says so, and nothing is kept', async () => {
    const closed = await testServer({ handsOver: false })
    const nobody = new TestClient(closed.address)
    const served = await nobody.ask('GET', '/api/public/calculators/floating-home-mortgage')
    expect(served.body).toMatchObject({ handsOver: false })
    const refused = await nobody.ask('POST', PATH, filled)
    expect(refused).toMatchObject({ status: 409, body: { code: 'HAND_OVER_OFF' } })
    const [rows] = await closed.database.query('SELECT 1 FROM hand_overs WHERE delivered_at IS NULL')
    expect(rows).toEqual([])
    await closed.close()
  })
})

test('what was delivered longer ago than is set is forgotten altogether', async () => {
  const store = createHandOversStore(server.database)
  const insert = (days: number, delivered: boolean) =>
    server.database.query(
      `INSERT INTO hand_overs (calculator, edition, body, delivered_at, next_attempt_at)
       VALUES ('raft', 7, ${delivered ? 'NULL' : "'{}'"}, ${delivered ? `now() - interval '${days} days'` : 'NULL'}, now() + interval '1 day')`,
    )
  await insert(29, true)
  await insert(31, true)
  await insert(400, false)
  await store.forgetDelivered(30)
  const rows = await server.database.query<{ delivered: boolean }>(
    'SELECT delivered_at IS NOT NULL AS delivered FROM hand_overs WHERE edition = 7',
    { type: QueryTypes.SELECT },
  )
  // What waits is never given up, however long it waits.
  expect(rows.map(({ delivered }) => delivered).sort()).toEqual([false, true])
})
