import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { CalculatorOpened } from '@vivid/contract'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { access } from '../../team/people/access'

// Whatever a client sends, what comes back is an answer or a refusal: never a fault of ours.
let server: TestServer
const people = {} as Record<'ines' | 'odile' | 'wren', TestClient>
let calculator: CalculatorOpened
beforeAll(async () => {
  server = await testServer({ unlimited: true })
  for (const name of ['ines', 'odile', 'wren'] as const)
    people[name] = await new TestClient(server.address).signIn(name)
  calculator = await people.ines.make('Fuzzed loan')
})
afterAll(() => server.close())

const nastyParts = [
  '0',
  '-1',
  '3e9',
  '2147483648',
  '9007199254740993',
  '00000000-0000-4000-8000-000000000000',
  '%00',
  '%F0%9F',
  '%ED%A0%80',
  '__proto__',
  "';--",
  'x'.repeat(3_000),
  '0000-01-01',
  '9999-99-99',
]
const nastyQueries = [
  'from',
  'to',
  'on',
  'before',
  'edition',
  'id',
  'person',
  'calculator',
  'placement',
  'page',
  'lang',
].flatMap((name) => ['0000-01-01', '2147483648', '%00'].map((value) => `${name}=${value}`))
const nested = (depth: number) => '['.repeat(depth) + ']'.repeat(depth)
const nastyBodies: readonly string[] = [
  'null',
  '[]',
  '{}',
  '"text"',
  '0',
  '{',
  nested(3_000),
  '{"__proto__":{"role":"keeper"}}',
  '{"revision":9007199254740991}',
  '{"revision":1e400}',
  '{"edition":3000000000}',
]
const nastyValues: readonly unknown[] = [
  '\u0000',
  '\ud800',
  'a\u0000b',
  Number.MAX_SAFE_INTEGER,
  2_147_483_647,
  -1,
  0.5,
  null,
  [],
  {},
  'x'.repeat(5_000),
  '0000-01-01',
]

/** A body each address takes, so that one field of it can be made nasty. */
const goodBodies = (): Readonly<Record<string, object>> => ({
  'POST /api/session': { email: 'ines@larkmoor.example', password: 'x' },
  'POST /api/invitation': { secret: 'x' },
  'PUT /api/invitation': { secret: 'x', password: 'a long enough password' },
  'PUT /api/me/password': { present: 'x', password: 'a long enough password' },
  'POST /api/people': { email: 'a@b.example', name: 'A', role: 'author' },
  'PUT /api/people/:id': { name: 'A', role: 'author', active: true },
  'POST /api/calculators': { from: 'empty', title: 'T' },
  'PUT /api/calculators/:id/draft': { revision: 1, document: calculator.document },
  'PUT /api/calculators/:id/place': { folder: 'x', putAway: false },
  'PUT /api/calculators/:id/house-style': { revision: 1, houseStyle: 'larkmoor' },
  'POST /api/calculators/:id/send': { revision: 1, note: '' },
  'POST /api/calculators/:id/send-back': { revision: 1, remarks: [{ step: null, text: 'x' }] },
  'POST /api/calculators/:id/approve': { revision: 1, at: '2026-12-24T08:00:00Z', checked: ['x'] },
  'POST /api/calculators/:id/take-down': { message: '' },
  'POST /api/rate-sheets/:id/send': { revision: 1, note: '' },
  'PUT /api/checklist': { items: ['x'], revision: 1 },
  'PUT /api/house-styles': { id: 'x', name: 'x', choices: {}, revision: 0 },
  'POST /api/placements/sites': { name: 'x', origins: ['https://a.example'] },
  'POST /api/channels/keys': { name: 'x', perMinute: 1 },
  'POST /api/public/audience': {
    calculator: 'x',
    edition: 1,
    language: 'en',
    placement: '',
    event: 'opened',
  },
  'POST /api/public/audience/answers': { calculator: 'x', edition: 1, bands: { a: 'b' } },
  'POST /api/public/calculators/:slug/evaluate': { answers: { homePrice: 1 }, language: 'en' },
  'POST /api/public/calculators/:slug/files/:kind': {
    answers: {},
    language: 'en-CA',
    edition: 1,
    on: '2026-11-25',
  },
  'POST /api/public/calculators/:slug/hand-overs': {
    answers: {},
    language: 'en-CA',
    edition: 1,
    on: '2026-11-25',
    name: 'A',
    reach: 'a@b.example',
    message: 'x',
    consent: true,
  },
})

const addresses = Object.entries(access).flatMap(([pattern, methods]) =>
  Object.keys(methods)
    .filter((method) => method !== 'OPTIONS' && !(method === 'DELETE' && /session/.test(pattern)))
    .map((method) => ({ pattern, method })),
)
const filled = (pattern: string, value: string) =>
  pattern
    .replace('{/*path}', '')
    .replace('*path', 'nothing')
    .replace('/api/calculators/:id', `/api/calculators/${value === '' ? calculator.id : value}`)
    .replace(
      '/api/public/calculators/:slug',
      `/api/public/calculators/${value === '' ? 'floating-home-mortgage' : value}`,
    )
    .replace(':kind', value || 'pdf')
    .replace(/:\w+/g, value || '1')

async function expectNoFault(who: TestClient, method: string, path: string, body?: string) {
  const response = await fetch(`${server.address}${path}`, {
    method,
    redirect: 'manual',
    headers: {
      cookie: who.cookie,
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
    },
    ...(body === undefined ? {} : { body }),
  })
  await response.arrayBuffer()
  if (response.status >= 500) expect([method, path, body?.slice(0, 200), response.status]).toBe('no fault')
}
const whoFor = (pattern: string): TestClient =>
  /people|keys|sites|archive|checklist/.test(pattern)
    ? people.wren
    : /approve|send-back|schedule|live|take-down/.test(pattern)
      ? people.odile
      : people.ines

describe.each(addresses.map(({ method, pattern }) => [`${method} ${pattern}`, method, pattern] as const))(
  '%s',
  (_, method, pattern) => {
    test('takes or refuses whatever it is asked', async () => {
      const who = whoFor(pattern)
      const body = method === 'GET' || method === 'DELETE' ? undefined : '{}'
      const parts = /[:*]/.test(pattern) ? nastyParts : []
      const queries = method === 'GET' && !/archive|metrics/.test(pattern) ? nastyQueries : []
      await Promise.all([
        ...parts.map((part) => expectNoFault(who, method, filled(pattern, part), body)),
        ...queries.map((query) => expectNoFault(who, method, `${filled(pattern, '')}?${query}`)),
      ])
      if (body === undefined) return
      const good = goodBodies()[`${method} ${pattern}`]
      const spoilt = Object.keys(good ?? {}).flatMap((field) =>
        nastyValues.map((value) => JSON.stringify({ ...good, [field]: value })),
      )
      await Promise.all(
        [...nastyBodies, ...spoilt].map((nasty) => expectNoFault(who, method, filled(pattern, ''), nasty)),
      )
    })
  },
)

describe('headers', () => {
  const headersOf = async (path: string) =>
    (await fetch(`${server.address}${path}`, { redirect: 'manual' })).headers

  test.each([
    '/desk',
    '/desk/index.html',
    '/visitor/index.html',
    '/c/floating-home-mortgage',
    '/c/none',
    '/preview',
    '/api/session',
    '/healthz',
    '/embed.js',
    '/nothing',
    '/api/public/calculators/narrowboat-loan',
  ])('%s comes with a policy, and says nothing about what serves it', async (path) => {
    const headers = await headersOf(path)
    expect(headers.get('content-security-policy')).toMatch(/default-src '(none|self)'/)
    expect(headers.get('content-security-policy')).toContain('frame-ancestors')
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('permissions-policy')).toContain('geolocation=()')
    expect(headers.get('x-powered-by')).toBeNull()
    expect(headers.get('strict-transport-security')).toBeNull()
  })

  test('behind TLS the session is for this host alone, and browsers come by TLS only', async () => {
    const secure = await testServer({ publicUrl: 'https://calculators.example', trustedProxies: 1 })
    const answer = await fetch(`${secure.address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-forwarded-proto': 'https' },
      body: JSON.stringify({ email: 'ines@larkmoor.example', password: 'ebb-and-flow' }),
    })
    expect(answer.headers.get('set-cookie')).toMatch(
      /^__Host-vivid\.session=.*Path=\/.*HttpOnly; Secure; SameSite=Strict/,
    )
    expect(answer.headers.get('strict-transport-security')).toContain('max-age=31536000')
    // What a proxy passes on comes from this machine, and is not this machine's.
    expect((await fetch(`${secure.address}/metrics`)).status).toBe(403)
    await secure.close()
    expect((await fetch(`${server.address}/metrics`)).status).toBe(200)
    for (const name of ['x-forwarded-for', 'forwarded', 'x-real-ip', 'via'])
      expect((await fetch(`${server.address}/metrics`, { headers: { [name]: '127.0.0.1' } })).status).toBe(
        403,
      )
  })
})
