import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { networkOf } from './limits'

describe('an address belongs to', () => {
  test.each([
    ['203.0.113.7', '203.0.113.7'],
    ['::ffff:203.0.113.7', '203.0.113.7'],
    ['2001:db8:1:2:3:4:5:6', '2001:db8:1:2::/64'],
    ['2001:db8:1:2::1', '2001:db8:1:2::/64'],
    ['2001:0db8:0001:0002:ffff:ffff:ffff:ffff', '2001:db8:1:2::/64'],
    ['2001:db8::1', '2001:db8:0:0::/64'],
    ['::1', '0:0:0:0::/64'],
    ['fe80::1%eth0', 'fe80:0:0:0::/64'],
  ])('%s: %s', (ip, network) => expect(networkOf({ ip })).toBe(network))
})

describe('limits', () => {
  let one: TestServer
  let other: TestServer
  beforeAll(async () => {
    one = await testServer()
    other = await testServer({ databaseUrl: one.databaseUrl })
  })
  afterAll(async () => {
    await other.close()
    await one.close()
  })

  test('hold for all processes together, say when to come again, and keep no address', async () => {
    const ask = (server: TestServer) =>
      new TestClient(server.address).ask('POST', '/api/invitation', { secret: 'x' })
    const statuses: number[] = []
    for (let n = 0; n < 24; n++) statuses.push((await ask(n % 2 === 0 ? one : other)).status)
    expect(statuses.filter((status) => status !== 429)).toHaveLength(20)
    const refused = await ask(other)
    expect(refused).toMatchObject({ status: 429, body: { code: 'TOO_MANY_REQUESTS' } })
    expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0)
    const [keys] = await one.database.query('SELECT key FROM rate_limits')
    expect(keys.length).toBeGreaterThan(0)
    expect(JSON.stringify(keys)).not.toContain('127.0.0.1')
  })
})
