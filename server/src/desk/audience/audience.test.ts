import { afterAll, beforeAll, expect, test } from 'vitest'
import { SMALLEST_GROUP, type Audience } from '@vivid/contract'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let ines: TestClient
beforeAll(async () => {
  server = await testServer()
  ines = await new TestClient(server.address).signIn('ines')
})
afterAll(() => server.close())

const TODAY = 'from=2026-11-25&to=2026-11-25'
const audience = async (query = TODAY) => (await ines.ask<Audience>('GET', `/api/audience?${query}`)).body
const opened = {
  calculator: 'floating-home-mortgage',
  edition: 3,
  language: 'en-CA',
  placement: '',
  event: 'opened',
}
const tell = (body: object, headers: Record<string, string> = {}, path = '/api/public/audience') =>
  fetch(`${server.address}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(body),
  })
const kept = async () => {
  server.counter.hurry()
  return (await audience()).total
}

test('what pages tell is counted by day, calculator, placement, edition and language', async () => {
  const placement = '5a1c0d2e9b7f4a10'
  const answers = await Promise.all([
    tell(opened),
    tell(opened),
    tell({ ...opened, placement, language: 'fr-CA' }),
    tell({ ...opened, event: 'changed' }),
    tell({ ...opened, event: 'handedOver' }),
  ])
  expect(answers.map(({ status }) => status)).toEqual([204, 204, 204, 204, 204])
  expect(answers.every(({ headers }) => headers.get('set-cookie') === null)).toBe(true)
  await expect.poll(kept).toEqual({ opened: 3, changed: 1, result: 0, kept: 0, handedOver: 1 })
  const { calculators, placements, languages } = await audience()
  expect(calculators).toMatchObject([
    { name: 'floating-home-mortgage', label: 'Floating home mortgage', opened: 3 },
  ])
  expect(placements).toMatchObject([
    { label: 'Its own page', opened: 2 },
    { label: 'Larkmoor Mutual website /', opened: 1 },
  ])
  expect(languages.map(({ label }) => label)).toEqual(['Canadian English', 'Canadian French'])
})

test.each<[string, object, Record<string, string>]>([
  ['somebody who asks not to be followed', opened, { dnt: '1' }],
  ['somebody whose browser says so in general', opened, { 'sec-gpc': '1' }],
  ['a calculator there is none of', { ...opened, calculator: 'nothing' }, {}],
  ['an edition that never was', { ...opened, edition: 99 }, {}],
  ['a placement of another calculator', { ...opened, placement: '5a1c0d2e9b7f4a13' }, {}],
])('%s is not counted', async (_, body, headers) => {
  const before = await kept()
  expect((await tell(body, headers)).status).toBe(204)
  // What is told after it is kept with it or later: once that is there, so would the other be.
  await tell({ ...opened, event: 'kept' })
  await expect.poll(async () => (await kept()).kept).toBe(before.kept + 1)
  expect((await kept()).opened).toBe(before.opened)
})

test('typical answers are bands; those of few visitors are neither shown nor told apart', async () => {
  const bands = { boatPrice: '150000' }
  const question =
    (await audience('from=2026-08-01&to=2026-11-24&calculator=floating-home-mortgage')).answers[0]
      ?.question ?? ''
  for (let i = 0; i < SMALLEST_GROUP; i++)
    await tell(
      { calculator: 'floating-home-mortgage', edition: 3, bands: { ...bands, [question]: '80000' } },
      {},
      '/api/public/audience/answers',
    )
  for (let i = 0; i < SMALLEST_GROUP - 1; i++)
    await tell(
      {
        calculator: 'floating-home-mortgage',
        edition: 3,
        bands: { [question]: '200000', nothing: '1', evil: '<b>' },
      },
      {},
      '/api/public/audience/answers',
    )
  await expect
    .poll(async () => {
      server.counter.hurry()
      return (await audience(`${TODAY}&calculator=floating-home-mortgage`)).answers
    })
    .toMatchObject([
      {
        question,
        bands: [{ band: '80000', label: '$80,000 to $100,000', count: SMALLEST_GROUP }],
        hidden: 1,
      },
    ])
})

test('what was counted survives a restart of the server, and counts of two processes add up', async () => {
  const before = (await kept()).result
  const other = await testServer({ databaseUrl: server.databaseUrl })
  const there = { ...opened, event: 'result' }
  await fetch(`${other.address}/api/public/audience`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(there),
  })
  await tell(there)
  await other.close()
  await expect.poll(async () => (await kept()).result).toBe(before + 2)
})

test('the counts go out as CSV; nothing kept could name a visitor', async () => {
  const csv = await ines.ask<string>('GET', `/api/audience/csv?from=2026-11-24&to=2026-11-24`)
  const [head = '', first = ''] = csv.body.split('\r\n')
  expect(head).toBe('day,calculator,edition,language,placement,event,count')
  expect(first.split(',')[0]).toBe('2026-11-24')
  const [columns] = await server.database.query(
    `SELECT table_name || '.' || column_name AS c FROM information_schema.columns WHERE table_name LIKE 'audience%' ORDER BY 1`,
  )
  expect((columns as { c: string }[]).map(({ c }) => c.split('.')[1])).toEqual([
    'band',
    'calculator',
    'count',
    'day',
    'question',
    'calculator',
    'count',
    'day',
    'edition',
    'event',
    'language',
    'placement',
  ])
})

test('three months of the demo: the sums by day, calculator and language agree', async () => {
  const { total, days, calculators, languages } = await audience('from=2026-08-25&to=2026-11-24')
  expect(days).toHaveLength(92)
  const sum = (rows: readonly { opened: number }[]) => rows.reduce((all, row) => all + row.opened, 0)
  expect(total.opened).toBeGreaterThan(5_000)
  expect([sum(days), sum(calculators), sum(languages)]).toEqual([total.opened, total.opened, total.opened])
})
