import { Writable } from 'node:stream'
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { KeyMade } from '@vivid/contract'
import { createLog } from '../log'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let logged = ''
let server: TestServer
beforeAll(async () => {
  const sink = new Writable({
    write: (text, _encoding, done) => {
      logged += String(text)
      done()
    },
  })
  server = await testServer({ log: createLog(sink, 'trace') })
})
afterAll(() => server.close())

test('no password, secret, key, session, answer or person’s address reaches the log, whatever goes wrong', async () => {
  const secrets: string[] = []
  const wren = await new TestClient(server.address).signIn('wren')
  secrets.push('ebb-and-flow', wren.cookie.slice(20))
  const refused = { email: 'ghost@larkmoor.example', password: 'a guess that is wrong' }
  await new TestClient(server.address).ask('POST', '/api/session', refused)
  secrets.push(refused.email, refused.password)
  const person = { email: 'secret.person@larkmoor.example', name: 'Secret Person', role: 'author' }
  await wren.ask('POST', '/api/people', person)
  const secret = /#(\S+)/.exec(server.letters.at(-1)?.text ?? '')?.[1] ?? 'none was sent'
  await wren.ask('PUT', '/api/invitation', { secret, password: 'short' })
  secrets.push(secret, person.email)
  const { key } = (await wren.ask<KeyMade>('POST', '/api/channels/keys', { name: 'Kiosk', perMinute: 1 }))
    .body
  const evaluate = '/api/public/calculators/floating-home-mortgage/evaluate'
  for (let i = 0; i < 3; i++)
    await wren.ask(
      'POST',
      evaluate,
      { answers: { homePrice: 98_765_432_101 } },
      { authorization: `Bearer ${key}` },
    )
  secrets.push(key, '98765432101')
  const handOver = {
    answers: {},
    language: 'en-CA',
    edition: 3,
    on: '2026-11-25',
    name: 'Quill Farrow',
    reach: 'quill@farrow.example',
    message: 'call me',
    consent: true,
  }
  await wren.ask('POST', '/api/public/calculators/floating-home-mortgage/hand-overs', handOver)
  secrets.push(handOver.name, handOver.reach, handOver.message)
  await wren.ask('POST', '/api/calculators', '{"title": "half a body', { 'content-type': 'application/json' })
  // A fault of the database is logged in full, and says what the statement was, not what was in it.
  await server.database.query('ALTER TABLE sites RENAME TO sites_gone')
  const fault = await wren.ask('POST', '/api/placements/sites', {
    name: 'Hidden name',
    origins: ['https://hidden.example'],
  })
  await server.database.query('ALTER TABLE sites_gone RENAME TO sites')
  expect(fault).toMatchObject({ status: 500, body: { code: 'INTERNAL' } })
  expect(JSON.stringify(fault.body)).not.toMatch(/sites|relation|sequelize/i)
  secrets.push('Hidden name', 'hidden.example')

  expect(logged).toContain('SIGN_IN_REFUSED')
  expect(logged).toContain('INTERNAL')
  expect(secrets.filter((secret) => logged.includes(secret))).toEqual([])
})
