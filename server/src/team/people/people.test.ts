import { afterAll, beforeAll, expect, test } from 'vitest'
import type { PeopleChanged, SessionListed } from '@vivid/contract'
import { named, nobody, PASSWORD, secretFor } from '../../testing/people'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let wren: TestClient
beforeAll(async () => {
  server = await testServer()
  wren = await new TestClient(server.address).signIn('wren')
})
afterAll(() => server.close())

const invite = (email: string, name = 'Juno Eastvale', role = 'author') =>
  wren.ask<PeopleChanged & { code: string }>('POST', '/api/people', { email, name, role })

test('somebody invited chooses a password, is signed in, and the invitation is used up', async () => {
  const { status, body } = await invite('juno@larkmoor.example')
  expect(status).toBe(201)
  const secret = secretFor(server, 'juno@larkmoor.example')
  // The link goes to the person, and nobody at the desk is shown it.
  expect(secret).toHaveLength(32)
  expect(JSON.stringify(body)).not.toContain(secret)
  expect(body.people.find(({ name }) => name === 'Juno Eastvale')).toMatchObject({
    hasPassword: false,
    active: true,
  })
  expect(
    (await nobody(server).ask('POST', '/api/session', { email: 'juno@larkmoor.example', password: PASSWORD }))
      .status,
  ).toBe(401)
  const juno = nobody(server)
  expect((await juno.ask('POST', '/api/invitation', { secret })).body).toEqual({
    name: 'Juno Eastvale',
    email: 'juno@larkmoor.example',
  })
  const accepted = await juno.ask('PUT', '/api/invitation', { secret, password: PASSWORD })
  expect(accepted).toMatchObject({ status: 201, body: { person: { name: 'Juno Eastvale', role: 'author' } } })
  expect((await juno.ask('GET', '/api/calculators')).status).toBe(200)
  expect(await nobody(server).ask('PUT', '/api/invitation', { secret, password: PASSWORD })).toMatchObject({
    status: 410,
    body: { code: 'INVITATION_OVER' },
  })
  expect((await invite('JUNO@larkmoor.example')).body.code).toBe('EMAIL_TAKEN')
  const [rows] = await server.database.query(`SELECT * FROM people WHERE email = 'juno@larkmoor.example'`)
  expect(JSON.stringify(rows)).not.toContain(secret)
})

test.each([
  ['short', 'fewer than 12'],
  ['aaaaaaaaaaaaaaaa', 'easy to guess'],
  ['password!!!1234', 'easy to guess'],
  ['Marsh.Wetherby1', 'easy to guess'],
  ['LarkmoorMutual26', 'easy to guess'],
  ['qwertyuiop[]1', 'easy to guess'],
  ['Summer2026!!!!', 'easy to guess'],
])('the password %s is refused: %s', async (password, words) => {
  const email = `marsh-${password.length}${password[0]?.toLowerCase()}@larkmoor.example`
  await invite(email, 'Marsh Wetherby')
  const secret = secretFor(server, email)
  const refused = await nobody(server).ask('PUT', '/api/invitation', { secret, password })
  expect(refused).toMatchObject({ status: 422, body: { code: 'PASSWORD_WEAK' } })
  expect(refused.body.sentence).toContain(words)
})

test('an invitation is over after a week, and after a newer one', async () => {
  await invite('perry@larkmoor.example', 'Perry Sandholm')
  const first = { secret: secretFor(server, 'perry@larkmoor.example') }
  const perry = await named(wren, 'Perry Sandholm')
  await wren.ask('POST', `/api/people/${perry.id}/invitation`)
  const second = { secret: secretFor(server, 'perry@larkmoor.example') }
  expect((await nobody(server).ask('POST', '/api/invitation', { secret: first.secret })).status).toBe(410)
  const later = await testServer({ databaseUrl: server.databaseUrl, now: () => new Date(2026, 11, 3) })
  const visitor = new TestClient(later.address)
  expect((await visitor.ask('POST', '/api/invitation', { secret: second.secret })).status).toBe(410)
  await later.close()
  expect((await nobody(server).ask('POST', '/api/invitation', { secret: second.secret })).status).toBe(200)
})

test('whoever is deactivated is out at once, everywhere; a changed role holds at once', async () => {
  const rasmus = await nobody(server).signIn('rasmus')
  const before = await named(wren, 'Rasmus Tey')
  const change = (fields: object) =>
    wren.ask('PUT', `/api/people/${before.id}`, {
      name: before.name,
      role: 'author',
      active: true,
      ...fields,
    })
  await change({ role: 'keeper' })
  expect((await rasmus.ask('POST', '/api/calculators', { from: 'empty', title: 'X' })).status).toBe(403)
  await change({ active: false })
  expect((await rasmus.ask('GET', '/api/calculators')).status).toBe(401)
  const again = await nobody(server).ask('POST', '/api/session', {
    email: 'rasmus@larkmoor.example',
    password: 'ebb-and-flow',
  })
  expect(again.body.code).toBe('SIGN_IN_REFUSED')
  await change({ active: true })
  expect((await nobody(server).signIn('rasmus')).cookie).toContain('vivid.session')
})

test('there is always somebody who looks after people', async () => {
  const { id, name } = await named(wren, 'Wren Castellan')
  for (const fields of [
    { role: 'author', active: true },
    { role: 'keeper', active: false },
  ])
    expect((await wren.ask('PUT', `/api/people/${id}`, { name, ...fields })).body.code).toBe('LAST_KEEPER')
})

test('a person sees and ends their own sessions; a new password ends the others', async () => {
  const [here, there] = [await nobody(server).signIn('odile'), await nobody(server).signIn('odile')]
  const sessions = (await here.ask<SessionListed[]>('GET', '/api/me/sessions')).body
  expect(sessions.filter(({ isThis }) => isThis)).toHaveLength(1)
  const other = sessions.find(({ isThis }) => !isThis)
  await here.ask('DELETE', `/api/me/sessions/${other?.name}`)
  expect((await there.ask('GET', '/api/calculators')).status).toBe(401)

  const third = await nobody(server).signIn('odile')
  const change = (present: string, next: string) => here.ask('PUT', '/api/me/password', { present, next })
  expect((await change('not this', PASSWORD)).body.code).toBe('PASSWORD_WRONG')
  expect((await change('ebb-and-flow', 'too short')).body.code).toBe('PASSWORD_WEAK')
  expect((await change('ebb-and-flow', PASSWORD)).status).toBe(200)
  expect((await third.ask('GET', '/api/calculators')).status).toBe(401)
  expect((await here.ask('GET', '/api/calculators')).status).toBe(200)
  const signIn = (password: string) =>
    nobody(server).ask('POST', '/api/session', { email: 'odile@larkmoor.example', password })
  expect((await signIn('ebb-and-flow')).status).toBe(401)
  expect((await signIn(PASSWORD)).status).toBe(201)
})
