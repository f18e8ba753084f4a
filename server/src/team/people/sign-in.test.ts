import { afterAll, beforeAll, expect, test } from 'vitest'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { hashPassword, passwordMatches } from './password'

let server: TestServer
beforeAll(async () => void (server = await testServer()))
afterAll(() => server.close())

const nobody = () => new TestClient(server.address)
const credentials = { email: 'ines@larkmoor.example', password: 'ebb-and-flow' }

test('a password matches its own hash and no other, and two hashes of it differ', async () => {
  const [first, second] = await Promise.all([hashPassword('höher'), hashPassword('höher')])
  expect(first).not.toBe(second)
  expect(first).toMatch(/^scrypt\$32768\$8\$1\$/)
  expect(await passwordMatches('höher', first)).toBe(true)
  expect(await passwordMatches('hoher', first)).toBe(false)
  expect(await passwordMatches('höher', 'nonsense')).toBe(false)
})

test('signing in sets a cookie scripts and other sites cannot use, and is stored in PostgreSQL', async () => {
  const client = nobody()
  const { status, headers, body } = await client.ask('POST', '/api/session', credentials)
  expect(status).toBe(201)
  expect(body.person).toMatchObject({ name: 'Ines Okafor', role: 'author' })
  expect(headers.get('set-cookie')).toMatch(/^vivid\.session=.*HttpOnly.*SameSite=Strict/)
  const [[row]] = await server.database.query('SELECT count(*)::int AS n FROM sessions')
  expect((row as { n: number }).n).toBeGreaterThan(0)
})

test('a session id known before sign-in is worth nothing after it', async () => {
  const client = nobody()
  await client.signIn('ines')
  const before = client.cookie
  await client.ask('POST', '/api/session', credentials)
  expect(client.cookie).not.toBe(before)
  const thief = nobody()
  thief.cookie = before
  expect((await thief.ask('GET', '/api/calculators')).status).toBe(401)
})

test('after signing out the session is gone', async () => {
  const client = await nobody().signIn('odile')
  const cookie = client.cookie
  expect((await client.ask('DELETE', '/api/session')).body.person).toBeNull()
  client.cookie = cookie
  expect(await client.ask('GET', '/api/calculators')).toMatchObject({
    status: 401,
    body: { code: 'NOT_SIGNED_IN' },
  })
})

test('the e-mail address may be typed in capitals; a wrong password says nothing about who exists', async () => {
  const known = await nobody().ask('POST', '/api/session', { ...credentials, email: 'INES@Larkmoor.example' })
  expect(known.status).toBe(201)
  const wrong = await nobody().ask('POST', '/api/session', { ...credentials, password: 'x' })
  const unknown = await nobody().ask('POST', '/api/session', {
    email: 'ghost@larkmoor.example',
    password: 'x',
  })
  expect(wrong).toMatchObject({ status: 401, body: { code: 'SIGN_IN_REFUSED' } })
  expect(unknown.body.sentence).toBe(wrong.body.sentence)
})

test('guessing is stopped after eight failures, also with the right password, and says how long', async () => {
  const guess = (password: string) =>
    nobody().ask('POST', '/api/session', { email: 'wren@larkmoor.example', password })
  for (let i = 0; i < 8; i++) expect((await guess(`guess ${i}`)).status).toBe(401)
  const stopped = await guess('ebb-and-flow')
  expect(
    (await Promise.all(Array.from({ length: 5 }, () => guess('x')))).map(({ status }) => status),
  ).toEqual([429, 429, 429, 429, 429])
  expect(stopped).toMatchObject({ status: 429, body: { code: 'SIGN_IN_THROTTLED' } })
  expect(Number(stopped.headers.get('retry-after'))).toBeGreaterThan(60)
  expect((await nobody().ask('POST', '/api/session', credentials)).status).toBe(201)
})

test.each<[string, Record<string, string>]>([
  ['another origin', { origin: 'http://elsewhere.example' }],
  ['an opaque origin', { origin: 'null' }],
  ['another port of this host', { origin: 'http://127.0.0.1:1' }],
  ['a cross-site fetch', { 'sec-fetch-site': 'cross-site' }],
  ['a same-site fetch from another port', { 'sec-fetch-site': 'same-site' }],
])('a change asked for by %s is refused', async (_, headers) => {
  const client = await nobody().signIn('ines')
  const refused = await client.ask(
    'POST',
    '/api/calculators',
    { from: 'starter', starter: 'mortgage-payment', title: 'Sly' },
    headers,
  )
  expect(refused).toMatchObject({ status: 403, body: { code: 'ORIGIN_REFUSED' } })
})

test('a form of another site cannot pose as JSON', async () => {
  const client = await nobody().signIn('ines')
  const sent = await client.ask('POST', '/api/calculators', '{}', { 'content-type': 'text/plain' })
  expect(sent).toMatchObject({ status: 415, body: { code: 'BODY_NOT_JSON' } })
})

test('demo people are listed in demo mode to whoever is not signed in, and never otherwise', async () => {
  expect((await nobody().ask<{ demoPeople: unknown[] }>('GET', '/api/session')).body.demoPeople).toHaveLength(
    5,
  )
  const signedIn = await nobody().signIn('ines')
  expect((await signedIn.ask('GET', '/api/session')).body.demoPeople).toEqual([])
  const earnest = await testServer({ databaseUrl: server.databaseUrl, demo: false })
  expect((await new TestClient(earnest.address).ask('GET', '/api/session')).body.demoPeople).toEqual([])
  await earnest.close()
})

test('the people of the demo cannot come in where the demo is off: not by password, and not by a session they had', async () => {
  const demo = await testServer()
  const ines = await new TestClient(demo.address).signIn('ines')
  const earnest = await testServer({ databaseUrl: demo.databaseUrl, demo: false })
  const there = new TestClient(earnest.address)
  there.cookie = ines.cookie
  expect((await there.ask('GET', '/api/calculators')).status).toBe(401)
  const refused = await there.ask('POST', '/api/session', {
    email: 'ines@larkmoor.example',
    password: 'ebb-and-flow',
  })
  expect(refused).toMatchObject({ status: 401, body: { code: 'SIGN_IN_REFUSED' } })
  // Nobody else is here yet: whoever is to look after it can be invited.
  expect(await earnest.services.stores.people.count()).toBe(0)
  await earnest.close()
  await demo.close()
})
