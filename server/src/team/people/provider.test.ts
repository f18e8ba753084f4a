import { generateKeyPair, SignJWT } from 'jose'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { SessionState } from '@vivid/contract'
import { freePort } from '../../../../scripts/lib/ports.mjs'
import { startIdentityProvider, type IdentityProvider } from '../../demo/stand-ins/identity-provider'
import { testServer, type TestServer } from '../../testing/test-server'
import { createProvider } from './provider'

let server: TestServer
let there: IdentityProvider
beforeAll(async () => {
  const port = await freePort()
  there = await startIdentityProvider(
    [
      { email: 'odile@larkmoor.example', name: 'Odile Marchetti', roles: ['loans-risk'] },
      { email: 'nell@larkmoor.example', name: 'Nell Farrow', roles: ['loans-web', 'canteen'] },
      { email: 'visitor@larkmoor.example', name: 'No Role', roles: ['canteen'] },
      { email: 'leaver@larkmoor.example', name: 'Lee Verling', roles: ['loans-web'] },
    ],
    `http://127.0.0.1:${port}`,
  )
  server = await testServer({ port, provider: createProvider(there.settings, () => new Date()) })
})
afterAll(async () => {
  await server.close()
  await there.close()
})

/** A browser that keeps cookies by host and goes where it is sent. */
class Browser {
  readonly #cookies = new Map<string, Map<string, string>>()

  async go(address: string): Promise<Response> {
    for (let url = address; ;) {
      const { host } = new URL(url)
      const known = this.#cookies.get(host) ?? new Map<string, string>()
      this.#cookies.set(host, known)
      const cookie = [...known].map(([name, value]) => `${name}=${value}`).join('; ')
      const response = await fetch(url, { redirect: 'manual', headers: { cookie } })
      for (const set of response.headers.getSetCookie()) {
        const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(set) ?? []
        if (value === '' || /expires=Thu, 01 Jan 1970/i.test(set)) known.delete(name)
        else known.set(name, value)
      }
      const next = response.headers.get('location')
      if (!next) return response
      url = new URL(next, url).href
      if (new URL(url).pathname.startsWith('/desk')) return response
    }
  }
  async post(address: string, fields: Record<string, string>): Promise<void> {
    const known = this.#cookies.get(new URL(address).host) ?? new Map<string, string>()
    const cookie = [...known].map(([name, value]) => `${name}=${value}`).join('; ')
    const body = new URLSearchParams(fields)
    await fetch(address, { method: 'POST', redirect: 'manual', headers: { cookie }, body })
  }
  forget(name: string): void {
    for (const known of this.#cookies.values()) known.delete(name)
  }
  async state(): Promise<SessionState> {
    return (await (await this.go(`${server.address}/api/session`)).json()) as SessionState
  }
}

/** Comes in as somebody, from the desk's own button on. */
async function comeAs(email: string, browser = new Browser(), query = ''): Promise<Browser> {
  const asked = await browser.go(`${server.address}/api/session/provider${query}`)
  if (asked.url.includes('/come/')) await browser.go(`${asked.url}?as=${encodeURIComponent(email)}`)
  return browser
}

describe('by the lender’s own sign-in', () => {
  test('somebody known here comes in as themselves, with the role it says', async () => {
    const { person, provider } = await (await comeAs('odile@larkmoor.example')).state()
    expect(person).toMatchObject({ name: 'Odile Marchetti', role: 'approver' })
    expect(provider).toBe('Larkmoor’s own sign-in')
  })

  test('somebody new becomes somebody here; who has no role here does not come in', async () => {
    const nell = await comeAs('nell@larkmoor.example')
    expect((await nell.state()).person).toMatchObject({ name: 'Nell Farrow', role: 'author' })
    expect((await nell.go(`${server.address}/api/calculators`)).status).toBe(200)
    const { person, problem } = await (await comeAs('visitor@larkmoor.example')).state()
    expect(person).toBeNull()
    expect(problem).toContain('nothing it says of you is a role')
  })

  test('an answer that this browser did not ask for is worth nothing', async () => {
    const browser = new Browser()
    const asked = await browser.go(`${server.address}/api/session/provider`)
    browser.forget('vivid.journey')
    await browser.go(`${asked.url}?as=nell%40larkmoor.example`)
    const { person, problem } = await browser.state()
    expect([person, problem]).toEqual([null, expect.stringContaining('did not come from here')])
    for (const query of ['', '?code=x&state=y', '?error=access_denied&state=x'])
      expect((await (await comeAs('nell@larkmoor.example', browser)).state()).person, query).not.toBeNull()
  })

  test('whoever leaves is out at the next request after the provider says so', async () => {
    const lee = await comeAs('leaver@larkmoor.example')
    expect((await lee.state()).person).not.toBeNull()
    const [[row]] = await server.database.query(
      `SELECT provider_session AS sid FROM sessions s JOIN people p ON p.id = s."personId" WHERE p.email = 'leaver@larkmoor.example'`,
    )
    const { sid } = row as { sid: string }
    expect(sid).toBeTruthy()
    // A token that is not the provider’s own ends nothing.
    const { privateKey } = await generateKeyPair('RS256')
    const forged = await new SignJWT({
      sid,
      events: { 'http://schemas.openid.net/event/backchannel-logout': {} },
    })
      .setProtectedHeader({ alg: 'RS256', kid: 'demo' })
      .setIssuer(there.settings.issuer)
      .setAudience(there.settings.clientId)
      .setIssuedAt()
      .sign(privateKey)
    const logout = (token: string) =>
      fetch(`${server.address}/api/session/provider/logout`, {
        method: 'POST',
        body: new URLSearchParams({ logout_token: token }),
      })
    expect((await logout(forged)).status).toBe(403)
    expect((await logout('nonsense')).status).toBe(403)
    expect((await lee.state()).person).not.toBeNull()
    // Signing out at the provider: it tells every place somebody is signed in.
    const page = await lee.go(`${there.settings.issuer}/session/end`)
    const html = await page.text()
    const xsrf = /name="xsrf" value="([^"]+)"/.exec(html)?.[1] ?? ''
    const action = /action="([^"]+)"/.exec(html)?.[1] ?? ''
    await lee.post(action, { xsrf, logout: 'yes' })
    await expect.poll(async () => (await lee.state()).person).toBeNull()
  })

  test('and at the latest in fifteen minutes, when it is asked whether they are still there', async () => {
    const lee = await comeAs('leaver@larkmoor.example')
    const age = () =>
      server.database.query(
        `UPDATE sessions SET data = jsonb_set(data::jsonb, '{provider,askedAt}', to_jsonb(extract(epoch FROM now())::bigint * 1000 - 15 * 60000))::text
          WHERE provider_session IS NOT NULL`,
      )
    await age()
    // Many at once, as a page asks: the token to ask with works once.
    const many = await Promise.all(
      Array.from({ length: 6 }, () => lee.go(`${server.address}/api/calculators`)),
    )
    expect(many.map(({ status }) => status)).toEqual([200, 200, 200, 200, 200, 200])
    await Promise.all(many.map((response) => response.arrayBuffer()))
    await there.leave('leaver@larkmoor.example')
    await age()
    expect((await lee.go(`${server.address}/api/calculators`)).status).toBe(401)
  })

  test('proving anew who one is leads through it again', async () => {
    const odile = await comeAs('odile@larkmoor.example')
    await server.database.query(`UPDATE sessions SET data = jsonb_set(data::jsonb, '{provedAt}', '1')::text`)
    const again = await comeAs('odile@larkmoor.example', odile, '?again')
    expect((await again.state()).person).toMatchObject({ name: 'Odile Marchetti' })
    const [[row]] = await server.database.query(
      `SELECT count(*)::int AS proved FROM sessions WHERE (data::jsonb ->> 'provedAt')::bigint > 1`,
    )
    expect((row as { proved: number }).proved).toBe(1)
  })
})
