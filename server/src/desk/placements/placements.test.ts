import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { PlacementsListed, Placing } from '@vivid/contract'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let wren: TestClient
beforeAll(async () => {
  server = await testServer()
  wren = await new TestClient(server.address).signIn('wren')
})
afterAll(() => server.close())

const SITE = 'https://www.larkmoor.example'
const listed = async () => (await wren.ask<PlacementsListed>('GET', '/api/placements')).body
const placing = async (query: string, origin?: string, address = server.address) =>
  (
    await new TestClient(address).ask<Placing>(
      'GET',
      `/api/public/placing?${query}`,
      undefined,
      origin ? { origin } : {},
    )
  ).body
const framing = async (slug: string, address = server.address) =>
  /frame-ancestors ([^;]+)/.exec(
    (await fetch(`${address}/c/${slug}`)).headers.get('content-security-policy') ?? '',
  )?.[1]

test('only the sites a calculator is placed on may frame it, and the script is told the same', async () => {
  expect(await framing('floating-home-mortgage')).toBe(`'self' ${SITE}`)
  expect(await framing('skipper-training-loan')).toBe(`'self' https://skippers.larkmoor.example`)
  expect(await framing('narrowboat-loan')).not.toContain('*')
  const asked = 'calculator=floating-home-mortgage&page=/'
  expect(await placing(asked, SITE)).toMatchObject({ frame: '/c/floating-home-mortgage', why: null })
  expect(await placing(asked, 'https://elsewhere.example')).toMatchObject({ frame: null, why: 'unlisted' })
  expect(await placing(asked)).toMatchObject({ frame: '/c/floating-home-mortgage' })
})

test('a placement brings its language, answers and width; the desk may change them without the site knowing', async () => {
  const both = (await listed()).placements.find(
    ({ page, slug }) => page === '/both' && slug === 'floating-home-mortgage',
  )
  if (!both) throw new Error('the demo has it')
  const before = await placing(`placement=${both.id}&page=/both`, SITE)
  expect(before.frame).toBe(
    `/c/floating-home-mortgage?homePrice=500000.00&downPayment=20%25&placement=${both.id}`,
  )
  const changed = {
    site: both.site,
    page: '/both',
    calculator: both.calculator,
    language: 'fr-CA',
    answers: {},
    width: 640,
  }
  expect((await wren.ask('PUT', `/api/placements/${both.id}`, changed)).status).toBe(200)
  await expect
    .poll(() => placing(`placement=${both.id}&page=/both`, SITE))
    .toMatchObject({ frame: `/c/floating-home-mortgage?lang=fr-CA&placement=${both.id}`, width: 640 })
})

describe('answers a placement begins with', () => {
  const placed = async () => {
    const found = (await listed()).placements.find(
      ({ page, slug }) => page === '/both' && slug === 'floating-home-mortgage',
    )
    if (!found) throw new Error('the demo has it')
    const { id, site, page, calculator, language, width, refused } = found
    return { id, refused, choices: { site, page, calculator, language, width } }
  }

  test.each([
    ['is no amount', { homePrice: 'a lot' }, 'homePrice'],
    ['is beyond the range', { homePrice: '1.00' }, 'homePrice'],
    ['is not offered', { homePrice: '500000.00', frequency: 'hourly' }, 'frequency'],
    ['is to a question that is not asked', { colour: 'red' }, 'colour'],
  ])('one that %s is refused, with its place', async (_, answers, at) => {
    const { id, choices } = await placed()
    const body = { ...choices, answers }
    for (const [method, path] of [
      ['PUT', `/${id}`],
      ['POST', ''],
    ] as const)
      expect(await wren.ask(method, `/api/placements${path}`, body)).toMatchObject({
        status: 422,
        body: { code: 'PRESET_REFUSED', field: `answers.${at}` },
      })
  })

  test('what the live edition does not take any more is warned of', async () => {
    const { id, refused } = await placed()
    expect(refused).toEqual([])
    const keep = (answers: object) =>
      server.database.query('UPDATE placements SET answers = CAST(:answers AS jsonb) WHERE id = :id', {
        replacements: { id, answers: JSON.stringify(answers) },
      })
    await keep({ homePrice: '1.00', downPayment: '20%', gone: 'yes' })
    expect((await placed()).refused).toEqual(['Price of the floating home', 'gone'])
    await keep({ homePrice: '500000.00', downPayment: '20%' })
    expect((await placed()).refused).toEqual([])
  })
})

test('where a snippet stands is remembered; one on an unlisted site or of something taken down is warned of', async () => {
  const berth = (await listed()).placements.find(({ slug }) => slug === 'winter-berth-purchase')
  expect(await placing(`placement=${berth?.id}&page=/borrow/winter-berth-purchase`, SITE)).toMatchObject({
    why: 'takenDown',
  })
  await placing('calculator=narrowboat-loan&page=/offers', 'https://copycat.example')
  await placing('placement=ffffffffffffffff&page=/old', SITE)
  await placing('calculator=narrowboat-loan&page=/borrow/narrowboat-loan', SITE)
  server.counter.hurry()
  await expect
    .poll(async () => (await listed()).strays.map(({ origin, page, why }) => `${why} ${origin}${page}`))
    .toEqual(
      expect.arrayContaining([
        'unlisted https://copycat.example/offers',
        `unknown ${SITE}/old`,
        `takenDown ${SITE}/borrow/winter-berth-purchase`,
      ]),
    )
})

test('a new site and placement let it frame on every server process; removing them stops it', async () => {
  const other = await testServer({ databaseUrl: server.databaseUrl })
  const added = await wren.ask<PlacementsListed>('POST', '/api/placements/sites', {
    name: 'Chandlery',
    origins: ['https://chandlery.example'],
  })
  const site = added.body.sites.find(({ name }) => name === 'Chandlery')
  const calculator = added.body.placements.find(({ slug }) => slug === 'marine-engine-loan')?.calculator
  const placed = await wren.ask<PlacementsListed>('POST', '/api/placements', {
    site: site?.id,
    page: '/engines',
    calculator,
    language: '',
    answers: {},
    width: null,
  })
  expect(placed.status).toBe(201)
  await expect.poll(() => framing('marine-engine-loan', other.address)).toContain('https://chandlery.example')
  expect((await wren.ask('DELETE', `/api/placements/sites/${site?.id}`)).body.code).toBe('SITE_IN_USE')
  const id = placed.body.placements.find(({ page }) => page === '/engines')?.id
  expect((await wren.ask('DELETE', `/api/placements/${id}`)).status).toBe(200)
  await expect.poll(() => framing('marine-engine-loan', other.address)).not.toContain('chandlery')
  expect((await wren.ask('DELETE', `/api/placements/sites/${site?.id}`)).status).toBe(200)
  await other.close()
})

test.each([
  ['a path', 'https://www.larkmoor.example/borrow'],
  ['a wildcard', 'https://*.larkmoor.example'],
  ['another scheme', 'ftp://larkmoor.example'],
  ['a policy of its own', "https://x.example; script-src 'unsafe-inline'"],
])('a site with %s for its address is refused', async (_, origin) => {
  const refused = await wren.ask('POST', '/api/placements/sites', { name: 'Site', origins: [origin] })
  expect(refused).toMatchObject({ status: 400, body: { field: 'origins.0' } })
})

test('an approver places, only a keeper lists sites, an author does neither', async () => {
  const [odile, ines] = [
    await new TestClient(server.address).signIn('odile'),
    await new TestClient(server.address).signIn('ines'),
  ]
  const { sites, placements } = await listed()
  const body = {
    site: sites[0]?.id,
    page: '/x',
    calculator: placements[0]?.calculator,
    language: '',
    answers: {},
    width: null,
  }
  expect((await odile.ask('POST', '/api/placements', body)).status).toBe(201)
  expect((await odile.ask('POST', '/api/placements/sites', { name: 'S', origins: [SITE] })).status).toBe(403)
  expect((await ines.ask('POST', '/api/placements', body)).status).toBe(403)
  expect(
    (await wren.ask('POST', '/api/placements', { ...body, site: '00000000-0000-4000-8000-000000000000' }))
      .body.code,
  ).toBe('SITE_UNKNOWN')
})
