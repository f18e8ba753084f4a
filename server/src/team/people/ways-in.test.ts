import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { PeopleChanged, PeopleRequest } from '@vivid/contract'
import { NOW } from '../../testing/today'
import { demoChecklist } from '../../demo/demo-checklist'
import { TestClient, testSeal, testServer, type TestServer } from '../../testing/test-server'
import { PASSWORD, nobody, secretFor, people, named, actsOf, change } from '../../testing/people'
import { createSessionSecrets, replaceSessionSecret } from './session-secrets'

describe('nobody becomes somebody else', () => {
  let server: TestServer
  let wren: TestClient
  let second: TestClient
  beforeAll(async () => {
    server = await testServer()
    wren = await nobody(server).signIn('wren')
    // The only keeper there is makes a second one.
    const made = await wren.ask<PeopleChanged>('POST', '/api/people', {
      email: 'second@larkmoor.example',
      name: 'Second Keeper',
      role: 'keeper',
    })
    expect(made.body.waits).toBe(false)
    second = nobody(server)
    const secret = secretFor(server, 'second@larkmoor.example')
    expect((await second.ask('PUT', '/api/invitation', { secret, password: PASSWORD })).status).toBe(201)
  })
  afterAll(() => server.close())
  const requests = async (keeper: TestClient) =>
    (await keeper.ask<PeopleRequest[]>('GET', '/api/people/requests')).body

  test('a link for an approver is sent only once a second keeper agrees, and to the approver alone', async () => {
    const odile = await named(wren, 'Odile Marchetti')
    const asked = await wren.ask<PeopleChanged>('POST', `/api/people/${odile.id}/invitation`)
    expect(asked.body.waits).toBe(true)
    expect(secretFor(server, odile.email)).toBeUndefined()
    const [request] = await requests(second)
    expect(request).toMatchObject({ kind: 'reset', person: 'Odile Marchetti', askedBy: 'Wren Castellan' })
    // Whoever asked cannot agree with themselves.
    expect((await wren.ask('POST', `/api/people/requests/${request?.id}`)).body.code).toBe(
      'SECOND_KEEPER_NEEDED',
    )
    expect(await requests(second)).toHaveLength(1)
    const agreed = await second.ask('POST', `/api/people/requests/${request?.id}`)
    expect(agreed.status).toBe(200)
    const secret = secretFor(server, odile.email)
    expect(secret).toHaveLength(32)
    expect(JSON.stringify(agreed.body)).not.toContain(secret)
    expect(await actsOf(server, odile.id)).toEqual(
      expect.arrayContaining(['changeAsked', 'changeConfirmed', 'personInvited']),
    )
  })

  test.each([
    ['an author becomes an approver', 'Ines Okafor', { role: 'approver' }],
    ['an approver becomes an author', 'Kofi Brandvold', { role: 'author' }],
    ['a keeper becomes an approver', 'Second Keeper', { role: 'approver' }],
  ])('%s only once a second keeper agrees', async (_, name, fields) => {
    const person = (await people(wren)).find((one) => one.name === name)
    if (!person) return
    expect((await change(wren, person, fields)).body.waits).toBe(true)
    expect((await named(wren, name)).role).toBe(person.role)
    const [request] = await requests(wren)
    // Nor whom it is about.
    const by = name === 'Second Keeper' ? 403 : 200
    expect((await second.ask('POST', `/api/people/requests/${request?.id}`)).status).toBe(by)
    if (by === 200) expect((await named(wren, name)).role).toBe(fields.role)
    else await wren.ask('DELETE', `/api/people/requests/${request?.id}`)
    expect(await requests(wren)).toEqual([])
  })

  test('nobody is invited as an approver by one keeper alone', async () => {
    const invited = await wren.ask<PeopleChanged>('POST', '/api/people', {
      email: 'mine@elsewhere.example',
      name: 'Wren Again',
      role: 'approver',
    })
    expect(invited.body.waits).toBe(true)
    expect(secretFor(server, 'mine@elsewhere.example')).toBeUndefined()
    const [request] = await requests(second)
    expect((await second.ask('DELETE', `/api/people/requests/${request?.id}`)).status).toBe(200)
    expect((await second.ask('POST', `/api/people/requests/${request?.id}`)).body.code).toBe('REQUEST_GONE')
  })

  test('closing the desk to somebody needs no second: leavers are out at once, and come back only with two', async () => {
    const kofi = await nobody(server).signIn('odile')
    const person = await named(wren, 'Odile Marchetti')
    expect((await change(wren, person, { active: false })).body.waits).toBe(false)
    expect((await kofi.ask('GET', '/api/calculators')).status).toBe(401)
    expect((await change(wren, { ...person, active: false }, { active: true })).body.waits).toBe(true)
    expect((await named(wren, 'Odile Marchetti')).active).toBe(false)
  })

  test('a link dies when the password changes', async () => {
    const rasmus = await named(wren, 'Rasmus Tey')
    await wren.ask('POST', `/api/people/${rasmus.id}/invitation`)
    const secret = secretFor(server, rasmus.email)
    const himself = await nobody(server).signIn('rasmus')
    await himself.ask('PUT', '/api/me/password', { present: 'ebb-and-flow', next: PASSWORD })
    expect((await nobody(server).ask('POST', '/api/invitation', { secret })).status).toBe(410)
    expect(server.letters.at(-1)).toMatchObject({ to: { address: rasmus.email } })
  })

  test('where no mail can be sent nobody is invited, and nothing is shown instead', async () => {
    const silent = await testServer({ mails: false })
    const keeper = await nobody(silent).signIn('wren')
    const refused = await keeper.ask('POST', '/api/people', {
      email: 'x@larkmoor.example',
      name: 'X',
      role: 'author',
    })
    expect(refused).toMatchObject({ status: 409, body: { code: 'MAIL_OFF' } })
    expect((await people(keeper)).some(({ name }) => name === 'X')).toBe(false)
    await silent.close()
  })
})

describe('sessions', () => {
  test('end after a time without a request, and after a longer one at all', async () => {
    const server = await testServer({ sessionTimes: { idleMinutes: 30, hours: 12 } })
    const [idle, old] = [await nobody(server).signIn('ines'), await nobody(server).signIn('kofi')]
    const [[row]] = await server.database.query(
      `SELECT max(extract(epoch FROM expires - now()))::int AS seconds FROM sessions`,
    )
    expect((row as { seconds: number }).seconds).toBeGreaterThan(29 * 60)
    expect((row as { seconds: number }).seconds).toBeLessThanOrEqual(30 * 60)
    await server.database.query(`UPDATE sessions SET expires = now() - interval '1 second' WHERE "personId" =
      (SELECT id FROM people WHERE email = 'ines@larkmoor.example')`)
    expect((await idle.ask('GET', '/api/calculators')).status).toBe(401)
    await server.database.query(
      `UPDATE sessions SET data = jsonb_set(data::jsonb, '{began}', to_jsonb(extract(epoch FROM now())::bigint * 1000 - 13 * 3600000))::text`,
    )
    expect((await old.ask('GET', '/api/calculators')).status).toBe(401)
    await server.close()
  })

  test('what is grave asks anew who it is once the last proof is old', async () => {
    const server = await testServer()
    const ines = await nobody(server).signIn('ines')
    const odile = await nobody(server).signIn('odile')
    const { id, revision } = await ines.make('Grave loan')
    await ines.ask('POST', `/api/calculators/${id}/send`, { revision })
    await server.database.query(
      `UPDATE sessions SET data = jsonb_set(data::jsonb, '{provedAt}', to_jsonb(extract(epoch FROM now())::bigint * 1000 - 16 * 60000))::text`,
    )
    const approve = () =>
      odile.ask('POST', `/api/calculators/${id}/approve`, { revision, checked: demoChecklist })
    expect(await approve()).toMatchObject({ status: 403, body: { code: 'PROOF_NEEDED' } })
    expect((await odile.ask('GET', '/api/calculators')).status).toBe(200)
    const prove = (password: string) => odile.ask('POST', '/api/session/proof', { password })
    expect((await prove('not this')).body.code).toBe('PASSWORD_WRONG')
    expect((await approve()).status).toBe(403)
    expect((await prove('ebb-and-flow')).status).toBe(200)
    expect((await approve()).status).toBe(200)
    await server.close()
  })

  test('go on when the secret that signs them is replaced', async () => {
    const server = await testServer()
    const before = await createSessionSecrets(server.database, testSeal, () => NOW)
    await replaceSessionSecret(server.database, testSeal, NOW)
    const soon = await createSessionSecrets(server.database, testSeal, () => new Date(NOW.getTime() + 30_000))
    // Known to all before it signs; then the old one is still believed, and forgotten once no session has it.
    expect(soon.list[0]).toBe(before.list[0])
    expect(soon.list).toHaveLength(2)
    const later = await createSessionSecrets(
      server.database,
      testSeal,
      () => new Date(NOW.getTime() + 61_000),
    )
    expect(later.list).toEqual([soon.list[1], before.list[0]])
    await replaceSessionSecret(server.database, testSeal, new Date(NOW.getTime() + 30 * 3_600_000))
    const last = await createSessionSecrets(
      server.database,
      testSeal,
      () => new Date(NOW.getTime() + 31 * 3_600_000),
    )
    expect(last.list).not.toContain(before.list[0])
    await server.close()
  })
})

describe('guessing', () => {
  test('fifteen wrong passwords close the way by password, wherever they come from, and the person is told', async () => {
    const server = await testServer({ trustedProxies: 1 })
    const guess = (n: number, password = `wrong ${n}`) =>
      nobody(server).ask(
        'POST',
        '/api/session',
        { email: 'odile@larkmoor.example', password },
        { 'x-forwarded-for': `2001:db8:${n}::1` },
      )
    const statuses: number[] = []
    for (let n = 1; n <= 17; n++) statuses.push((await guess(n)).status)
    expect(statuses.slice(0, 15)).toEqual(Array.from({ length: 15 }, () => 401))
    expect(statuses.slice(15)).toEqual([429, 429])
    // The right password does not help either, from anywhere.
    expect((await guess(99, 'ebb-and-flow')).body.code).toBe('SIGN_IN_THROTTLED')
    const told = server.letters.filter(({ to }) => to.address === 'odile@larkmoor.example')
    expect(told).toHaveLength(1)
    expect(told[0]?.text).toContain('closed for 30 minutes')
    const odile = await named(await nobody(server).signIn('wren'), 'Odile Marchetti')
    const acts = await actsOf(server, odile.id)
    expect(acts.filter((act) => act === 'accountLocked')).toHaveLength(1)
    expect(acts.filter((act) => act === 'signInFailed').length).toBeLessThan(4)
    await server.close()
  })

  test('one network of IPv6 counts as one address', async () => {
    const server = await testServer({ trustedProxies: 1 })
    const statuses: number[] = []
    for (let n = 1; n <= 10; n++)
      statuses.push(
        (
          await nobody(server).ask(
            'POST',
            '/api/session',
            { email: 'kofi@larkmoor.example', password: 'wrong' },
            { 'x-forwarded-for': `2001:db8:7:7:${n}::${n}` },
          )
        ).status,
      )
    expect(statuses.filter((status) => status === 401)).toHaveLength(8)
    await server.close()
  })
})
