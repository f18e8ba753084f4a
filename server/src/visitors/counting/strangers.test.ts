import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

// What anybody may send without being known: nothing of it stops what others send, or grows without end.
let server: TestServer
const stranger = () => new TestClient(server.address)
beforeAll(async () => void (server = await testServer()))
afterAll(() => server.close())

const SLUG = 'floating-home-mortgage'
const rows = async (table: string): Promise<number> => {
  const [[row]] = await server.database.query(`SELECT count(*)::int AS count FROM ${table}`)
  return (row as { count: number }).count
}
const kept = () => server.counter.hurry()
const opened = (fields: object = {}) => ({
  calculator: SLUG,
  edition: 1,
  language: 'en-CA',
  placement: '',
  event: 'opened',
  ...fields,
})

test('an origin as long as a header may be stops no counting', async () => {
  const before = await rows('audience_counts')
  for (const origin of [
    `https://${'a'.repeat(6_000)}.example`,
    'https://ünïcode.example',
    'null',
    'x y',
    'https://a/b',
  ])
    await stranger().ask('GET', `/api/public/placing?calculator=${SLUG}`, undefined, {
      origin: encodeURI(origin),
    })
  await stranger().ask('POST', '/api/public/audience', opened({ event: 'kept', language: 'fr-CA' }))
  await kept()
  expect(await rows('audience_counts')).toBeGreaterThanOrEqual(before)
  const [[row]] = await server.database.query(
    `SELECT sum(count)::int AS count FROM audience_counts WHERE event = 'kept' AND language = 'fr-CA' AND day = '2026-11-25'`,
  )
  expect((row as { count: number }).count).toBeGreaterThanOrEqual(1)
  const [[long]] = await server.database.query('SELECT max(length(origin)) AS longest FROM sightings')
  expect((long as { longest: number }).longest).toBeLessThanOrEqual(200)
})

test('a row that cannot be kept holds up no other', async () => {
  const before = await rows('audience_counts')
  // As if a check at the door were missing: an edition no column holds.
  server.counter.count(opened({ edition: 3e9 }) as never, '2026-11-25')
  server.counter.seen({
    placement: '',
    slug: SLUG,
    origin: `https://${'a'.repeat(9_000)}.example`,
    page: '/',
    verdict: 'unlisted',
    lastSeen: new Date(),
  })
  server.counter.count(opened({ calculator: 'narrowboat-loan', language: 'xx-XX' }) as never, '2026-11-25')
  await kept()
  expect(await rows('audience_counts')).toBe(before + 1)
})

describe('made-up things are not kept:', () => {
  test.each([
    ['a calculator', opened({ calculator: 'no-such-loan' })],
    ['an edition', opened({ edition: 99 })],
    ['a language', opened({ language: 'tlh' })],
    ['a placement', opened({ placement: 'deadbeefdeadbeef' })],
  ])('%s', async (_, body) => {
    const before = await rows('audience_counts')
    await stranger().ask('POST', '/api/public/audience', body)
    await kept()
    expect(await rows('audience_counts')).toBe(before)
  })

  test('bands, whatever they are called', async () => {
    const before = await rows('audience_bands')
    for (const band of ['412600', 'x', 'yes', '1e9', '-1', '9'.repeat(50)])
      await stranger().ask('POST', '/api/public/audience/answers', {
        calculator: SLUG,
        edition: 1,
        bands: { homePrice: band, nothing: '400000' },
      })
    await kept()
    expect(await rows('audience_bands')).toBe(before)
    await stranger().ask('POST', '/api/public/audience/answers', {
      calculator: SLUG,
      edition: 1,
      bands: { homePrice: '60000000' },
    })
    await kept()
    expect(await rows('audience_bands')).toBe(before + 1)
  })

  test('calculators and placements on pages that are not the lender’s', async () => {
    const before = await rows('sightings')
    for (const query of ['calculator=no-such-loan', 'placement=deadbeefdeadbeef', 'calculator='])
      await stranger().ask('GET', `/api/public/placing?${query}`, undefined, { origin: 'https://x.example' })
    await kept()
    expect(await rows('sightings')).toBe(before)
  })
})

test('pages of strangers that exist only in a header are kept for a day up to a number, and those known go on', async () => {
  for (let n = 0; n < 700; n++)
    server.counter.seen({
      placement: '',
      slug: SLUG,
      origin: `https://s${n}.example`,
      page: `/${n}`,
      verdict: 'unlisted',
      lastSeen: new Date(),
    })
  await expect.poll(async () => (await kept(), await rows('sightings'))).toBeGreaterThan(480)
  expect(await rows('sightings')).toBeLessThan(540)
})
