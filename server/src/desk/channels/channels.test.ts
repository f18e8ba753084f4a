import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { EvaluateAnswer, LiveAnswer, type ChannelCalculator, type KeyMade } from '@vivid/contract'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let wren: TestClient
beforeAll(async () => {
  server = await testServer()
  wren = await new TestClient(server.address).signIn('wren')
})
afterAll(() => server.close())

const EVALUATE = '/api/public/calculators/floating-home-mortgage/evaluate'
const evaluate = (key?: string) =>
  new TestClient(server.address).ask(
    'POST',
    EVALUATE,
    { answers: {} },
    key === undefined ? {} : { authorization: `Bearer ${key}` },
  )

describe('the OpenAPI document', () => {
  test('is made from the schemas requests are checked by, and names every public address but those for pages', async () => {
    const { body } = await new TestClient(server.address).ask<{
      openapi: string
      paths: Record<string, { post: { parameters: { name: string; schema: { enum: string[] } }[] } }>
      components: { schemas: object }
    }>('GET', '/api/openapi.json')
    expect(body.openapi).toBe('3.1.0')
    expect(Object.keys(body.paths)).toEqual([
      '/api/public/calculators/{slug}',
      '/api/public/calculators/{slug}/evaluate',
      '/api/public/calculators/{slug}/files/{kind}',
      '/api/public/calculators/{slug}/hand-overs',
    ])
    expect(Object.keys(body.components.schemas)).toEqual(
      expect.arrayContaining(['Value', 'Figures', 'LiveEdition']),
    )
    const files = body.paths['/api/public/calculators/{slug}/files/{kind}']
    expect(files?.post.parameters.find(({ name }) => name === 'kind')?.schema.enum).toEqual([
      'pdf',
      'xlsx',
      'calendar',
      'fewDates',
    ])
  })

  test('every live calculator answers its example as described', async () => {
    const { body: calculators } = await wren.ask<ChannelCalculator[]>('GET', '/api/channels/calculators')
    expect(calculators.length).toBeGreaterThan(10)
    for (const { slug, example } of calculators) {
      const path = `/api/public/calculators/${slug}`
      const answered = await wren.ask('POST', `${path}/evaluate`, { answers: example })
      expect([slug, answered.status, EvaluateAnswer.safeParse(answered.body).error?.issues[0]]).toEqual([
        slug,
        200,
        undefined,
      ])
      expect(LiveAnswer.safeParse((await wren.ask('GET', path)).body).error?.issues[0]).toBeUndefined()
    }
  })
})

test('a key is told once, holds on every server process within a second, has a limit of its own, and can be withdrawn', async () => {
  const made = await wren.ask<KeyMade>('POST', '/api/channels/keys', { name: 'Kiosk', perMinute: 3 })
  expect(made.status).toBe(201)
  const { key, keys } = made.body
  const other = await testServer({ databaseUrl: server.databaseUrl })
  await expect
    .poll(
      async () =>
        (
          await new TestClient(other.address).ask(
            'POST',
            EVALUATE,
            { answers: {} },
            { authorization: `Bearer ${key}` },
          )
        ).status,
    )
    .toBe(200)
  await other.close()
  await expect.poll(async () => (await evaluate(key)).status).toBe(200)
  const statuses = []
  for (let i = 0; i < 4; i++) statuses.push(await evaluate(key))
  expect(statuses.at(-1)).toMatchObject({ status: 429, body: { code: 'TOO_MANY_REQUESTS' } })
  expect(Number(statuses.at(-1)?.headers.get('retry-after'))).toBeGreaterThan(0)
  expect((await evaluate()).status).toBe(200)

  const [rows] = await server.database.query('SELECT * FROM channel_keys')
  expect(JSON.stringify(rows)).not.toContain(key)
  server.counter.hurry()
  const id = keys.find(({ name }) => name === 'Kiosk')?.id
  await expect
    .poll(
      async () =>
        (await wren.ask<KeyMade['keys']>('GET', '/api/channels/keys')).body.find((one) => one.id === id)
          ?.lastUsed,
    )
    .not.toBeNull()
  expect((await wren.ask('DELETE', `/api/channels/keys/${id}`)).status).toBe(200)
  await expect.poll(async () => (await evaluate(key)).body.code).toBe('KEY_REFUSED')
  expect((await wren.ask('DELETE', `/api/channels/keys/${id}`)).body.code).toBe('KEY_UNKNOWN')
})

test('a key that is none is refused, not answered as if there were none', async () => {
  for (const key of ['vm_guess', '', 'demo'])
    expect(await evaluate(key)).toMatchObject({ status: 401, body: { code: 'KEY_REFUSED' } })
})

test('a key may be for some calculators only, and hold until a day', async () => {
  const make = async (fields: object) =>
    (await wren.ask<KeyMade>('POST', '/api/channels/keys', { name: 'Bound', perMinute: 60, ...fields })).body
      .key
  const [other, mine, over, lasts] = [
    await make({ calculators: ['narrowboat-loan'] }),
    await make({ calculators: ['narrowboat-loan', 'floating-home-mortgage'] }),
    await make({ endsOn: '2026-11-24' }),
    await make({ endsOn: '2026-11-25' }),
  ]
  await expect.poll(async () => (await evaluate(lasts)).status).toBe(200)
  expect(await evaluate(other)).toMatchObject({ status: 403, body: { code: 'KEY_NOT_FOR' } })
  expect((await evaluate(mine)).status).toBe(200)
  expect(await evaluate(over)).toMatchObject({ status: 401, body: { code: 'KEY_REFUSED' } })
})
