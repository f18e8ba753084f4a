import { Secret, TOTP } from 'otpauth'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { PeopleChanged, PeopleRequest, SessionState } from '@vivid/contract'
import { NOW } from '../../testing/today'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { PASSWORD, nobody, secretFor, named, actsOf } from '../../testing/people'

describe('a second factor', () => {
  let server: TestServer
  let now = NOW
  beforeAll(async () => void (server = await testServer({ now: () => now })))
  afterAll(() => server.close())
  const codeAt = (secret: string, at: Date) =>
    new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: at.getTime() })
  const later = (seconds: number) => void (now = new Date(now.getTime() + seconds * 1000))
  const signIn = async (who: TestClient) =>
    who.ask<SessionState>('POST', '/api/session', {
      email: 'odile@larkmoor.example',
      password: 'ebb-and-flow',
    })

  test('is taken over with a right code, asked for from then on, never taken twice, and replaced by a recovery code', async () => {
    const odile = await nobody(server).signIn('odile')
    const { secret, uri } = (await odile.ask<{ secret: string; uri: string }>('POST', '/api/me/factors/totp'))
      .body
    expect(uri).toMatch(/^otpauth:\/\/totp\/Larkmoor%20Mutual:odile%40larkmoor\.example\?/)
    const confirm = (code: string) =>
      odile.ask<{ codes: string[] }>('PUT', '/api/me/factors/totp', { secret, code })
    expect((await confirm('000000')).body).toMatchObject({ code: 'CODE_WRONG' })
    const { codes } = (await confirm(codeAt(secret, now))).body
    expect(new Set(codes).size).toBe(10)
    const [rows] = await server.database.query(`SELECT recovery_hashes FROM people`)
    expect(JSON.stringify(rows)).not.toContain(codes[0])

    const again = nobody(server)
    const half = await signIn(again)
    expect(half).toMatchObject({ status: 200, body: { person: null, second: ['totp'] } })
    expect((await again.ask('GET', '/api/calculators')).status).toBe(401)
    const second = (who: TestClient, code: string) => who.ask('POST', '/api/session/second', { code })
    // The code it was taken over with is used up.
    expect((await second(again, codeAt(secret, now))).body.code).toBe('CODE_WRONG')
    later(30)
    expect((await second(again, codeAt(secret, now))).status).toBe(201)
    expect((await again.ask('GET', '/api/calculators')).status).toBe(200)

    const third = nobody(server)
    await signIn(third)
    expect((await second(third, codeAt(secret, now))).status).toBe(403)
    expect((await second(third, codes[3]?.toUpperCase() ?? '')).status).toBe(201)
    const fourth = nobody(server)
    await signIn(fourth)
    expect((await second(fourth, codes[3] ?? '')).status).toBe(403)
    // Halfway in is not in: a code without a password is worth nothing.
    expect((await second(nobody(server), codes[4] ?? '')).status).toBe(401)
    // Whoever has a second factor proves by that, not by the password alone.
    expect((await again.ask('POST', '/api/session/proof', { password: 'ebb-and-flow' })).status).toBe(403)
    later(30)
    expect((await again.ask('POST', '/api/session/proof', { code: codeAt(secret, now) })).status).toBe(200)
    const listed = await named(await nobody(server).signIn('wren'), 'Odile Marchetti')
    expect(listed.hasSecondFactor).toBe(true)
    expect(await actsOf(server, listed.id)).toEqual(
      expect.arrayContaining(['secondFactorSet', 'signedIn', 'recoveryUsed', 'signInFailed']),
    )
  })

  test('is asked for too after a new password: a link by mail is no way around it', async () => {
    const rasmus = await nobody(server).signIn('rasmus')
    const { secret } = (await rasmus.ask<{ secret: string }>('POST', '/api/me/factors/totp')).body
    await rasmus.ask('PUT', '/api/me/factors/totp', { secret, code: codeAt(secret, now) })
    const wren = await nobody(server).signIn('wren')
    const { id, email } = await named(wren, 'Rasmus Tey')
    await wren.ask('POST', `/api/people/${id}/invitation`)
    const thief = nobody(server)
    const taken = await thief.ask<SessionState>('PUT', '/api/invitation', {
      secret: secretFor(server, email),
      password: PASSWORD,
    })
    expect(taken).toMatchObject({ status: 200, body: { person: null, second: ['totp'] } })
    expect((await thief.ask('GET', '/api/calculators')).status).toBe(401)
    later(30)
    expect((await thief.ask('POST', '/api/session/second', { code: codeAt(secret, now) })).status).toBe(201)
  })

  test('stands in the database under the seal, and what stood there without one is closed at its next use', async () => {
    const ines = await nobody(server).signIn('ines')
    const { secret } = (await ines.ask<{ secret: string }>('POST', '/api/me/factors/totp')).body
    await ines.ask('PUT', '/api/me/factors/totp', { secret, code: codeAt(secret, now) })
    const everything = async () => {
      const [kept] = await server.database.query('SELECT totp_secret FROM people')
      const [shared] = await server.database.query('SELECT value FROM settings')
      return JSON.stringify([kept, shared])
    }
    expect(await everything()).not.toContain(secret)
    await server.database.query(`UPDATE people SET totp_secret = :secret WHERE email LIKE 'ines@%'`, {
      replacements: { secret },
    })
    later(30)
    const again = nobody(server)
    await again.ask('POST', '/api/session', { email: 'ines@larkmoor.example', password: 'ebb-and-flow' })
    expect((await again.ask('POST', '/api/session/second', { code: codeAt(secret, now) })).status).toBe(201)
    expect(await everything()).not.toContain(secret)
  })

  test('that was lost is removed by keepers, of an approver by two; the person is told, and the password is enough again', async () => {
    const wren = await nobody(server).signIn('wren')
    const forget = async (name: string) =>
      wren.ask<PeopleChanged>('DELETE', `/api/people/${(await named(wren, name)).id}/factors`)
    expect((await forget('Ines Okafor')).body.waits).toBe(false)
    expect((await nobody(server).signIn('ines')).cookie).not.toBe('')
    expect(server.letters.at(-1)?.to.address).toBe('ines@larkmoor.example')

    await wren.ask('POST', '/api/people', { email: 'two@larkmoor.example', name: 'Two', role: 'keeper' })
    const two = nobody(server)
    const accepted = { secret: secretFor(server, 'two@larkmoor.example'), password: PASSWORD }
    await two.ask('PUT', '/api/invitation', accepted)
    expect((await forget('Odile Marchetti')).body.waits).toBe(true)
    expect((await signIn(nobody(server))).body.second).toEqual(['totp'])
    const [request] = (await two.ask<PeopleRequest[]>('GET', '/api/people/requests')).body
    expect(request?.kind).toBe('factors')
    expect((await two.ask('POST', `/api/people/requests/${request?.id}`)).status).toBe(200)
    expect((await signIn(nobody(server))).status).toBe(201)
    expect(await actsOf(server, (await named(wren, 'Odile Marchetti')).id)).toEqual(
      expect.arrayContaining(['changeAsked', 'changeConfirmed', 'secondFactorRemoved']),
    )
  })

  test('cannot be guessed: after ten tries there is a wait', async () => {
    const kofi = await nobody(server).signIn('kofi')
    const { secret } = (await kofi.ask<{ secret: string }>('POST', '/api/me/factors/totp')).body
    await kofi.ask('PUT', '/api/me/factors/totp', { secret, code: codeAt(secret, now) })
    const other = nobody(server)
    await other.ask('POST', '/api/session', { email: 'kofi@larkmoor.example', password: 'ebb-and-flow' })
    const statuses: number[] = []
    for (let n = 0; n < 13; n++)
      statuses.push((await other.ask('POST', '/api/session/second', { code: `00000${n}` })).status)
    expect(statuses.filter((status) => status === 403)).toHaveLength(10)
    expect(statuses.at(-1)).toBe(429)
  })

  test('is a must where it is set: approvers and keepers do nothing else before they have one', async () => {
    const strict = await testServer({ mustHaveSecond: true, now: () => now })
    const wren = await nobody(strict).signIn('wren')
    expect((await wren.ask('GET', '/api/people')).body.code).toBe('SECOND_FACTOR_NEEDED')
    expect((await wren.ask<SessionState>('GET', '/api/session')).body.mustSetUp).toBe(true)
    const { secret } = (await wren.ask<{ secret: string }>('POST', '/api/me/factors/totp')).body
    await wren.ask('PUT', '/api/me/factors/totp', { secret, code: codeAt(secret, now) })
    expect((await wren.ask('GET', '/api/people')).status).toBe(200)
    expect((await (await nobody(strict).signIn('ines')).ask('GET', '/api/calculators')).status).toBe(200)
    await strict.close()
  })
})
