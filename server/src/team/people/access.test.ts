import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { may, roles, type Permission, type Role } from '@vivid/contract'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { access } from './access'

let server: TestServer
const clients = new Map<Role | 'nobody', TestClient>()
beforeAll(async () => {
  server = await testServer()
  const sign = (name: 'ines' | 'odile' | 'wren') => new TestClient(server.address).signIn(name)
  clients
    .set('author', await sign('ines'))
    .set('approver', await sign('odile'))
    .set('keeper', await sign('wren'))
  clients.set('nobody', new TestClient(server.address))
})
afterAll(() => server.close())

const desk = Object.entries(access).filter(
  ([path]) => path.startsWith('/api/') && !path.startsWith('/api/public'),
)
const asked = desk.flatMap(([path, methods]) =>
  Object.entries(methods)
    // Signing out would end the session the other cases use; it is tested where signing in is.
    .filter(([method]) => !(path === '/api/session' && method === 'DELETE') && !path.startsWith('/api/me/'))
    .map(([method, who]) => [method, path, who] as const),
)

/** Addresses with something in the places of their names that is there nowhere, so that nothing happens. */
const filled = (path: string) =>
  path.replace(':id', '00000000-0000-4000-8000-00000000dead').replace(/:(number|day|name|kind|slug)/g, '0')

describe('every address of the desk, for every role and for nobody:', () => {
  test.each(asked)('%s %s is for %s', async (method, path, who) => {
    for (const [role, client] of clients) {
      const { status, body } = await client.ask<{ code?: string }>(
        method,
        filled(path),
        method === 'GET' ? undefined : {},
      )
      const isLetIn =
        who === 'anyone' || (role !== 'nobody' && (who === 'signedIn' || may(role, who as Permission)))
      const isRefused = body.code === 'NOT_SIGNED_IN' || body.code === 'ROLE_NOT_ALLOWED'
      expect([role, isRefused]).toEqual([role, !isLetIn])
      if (!isLetIn) expect(status).toBe(role === 'nobody' ? 401 : 403)
      expect(status).toBeLessThan(500)
    }
  })

  test('each role is tested, and has something that is its own', () => {
    expect([...clients.keys()].sort()).toEqual([...roles, 'nobody'].sort())
    expect(asked.length).toBeGreaterThan(45)
  })
})

test('what does not stand in the table is not there, whoever asks', async () => {
  for (const client of clients.values()) {
    expect((await client.ask('GET', '/api/settings')).body.code).toBe('ADDRESS_UNKNOWN')
    expect(await client.ask('DELETE', '/api/calculators')).toMatchObject({
      status: 405,
      body: { code: 'METHOD_NOT_ALLOWED' },
    })
    expect((await client.ask('GET', '/api/%ff')).status).toBe(404)
  }
})

describe('answers keep to themselves', () => {
  test.each([
    ['/api/calculators', 'no-store'],
    ['/api/people', 'no-store'],
  ])('%s is kept by no cache', async (path, cache) => {
    const { headers } = await clients.get('keeper')!.ask('GET', path)
    expect(headers.get('cache-control')).toBe(cache)
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('x-powered-by')).toBeNull()
  })
  test.each(['/desk', '/c/floating-home-mortgage', '/preview'])(
    '%s runs no script but ours',
    async (path) => {
      const policy = (await fetch(`${server.address}${path}`)).headers.get('content-security-policy') ?? ''
      expect(policy).toMatch(/script-src 'self'( 'sha256-[\w+/=]+')?;/)
      expect(policy).not.toMatch(/unsafe-eval|script-src[^;]*unsafe-inline/)
      expect(policy).toContain("object-src 'none'")
    },
  )
  test('metrics are for this machine, and count by address, never by what is in it', async () => {
    const text = await (await fetch(`${server.address}/metrics`)).text()
    expect(text).toMatch(/vivid_live_calculators 1\d/)
    expect(text).toContain('address="/c/:slug"')
    expect(text).not.toContain('floating-home')
  })
})
