import { afterAll, beforeAll, expect, test } from 'vitest'
import type { CalculatorOpened } from '@vivid/contract'
import { demoChecklist } from '../../demo/demo-checklist'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let time = new Date(2026, 10, 25, 15, 30)
let server: TestServer
let ines: TestClient
let odile: TestClient
beforeAll(async () => {
  server = await testServer({ now: () => time })
  ines = await new TestClient(server.address).signIn('ines')
  odile = await new TestClient(server.address).signIn('odile')
})
afterAll(() => server.close())

const NINE = new Date(2026, 10, 26, 9, 0)
const ask = (who: TestClient, method: string, id: string, action: string, body?: object) =>
  who.ask<CalculatorOpened & { code: string }>(method, `/api/calculators/${id}/${action}`, body)
const isLive = async (slug: string) =>
  (await ines.ask('GET', `/api/public/calculators/${slug}`)).status === 200

async function sentOne(title: string): Promise<CalculatorOpened> {
  const made = await ines.make(title)
  return (await ask(ines, 'POST', made.id, 'send', { revision: made.revision })).body
}

test('an approved edition waits for its time and goes live then, once, whichever processes look', async () => {
  const { id, slug, revision } = await sentOne('Timed raft')
  const approved = await ask(odile, 'POST', id, 'approve', {
    revision,
    at: NINE.toISOString(),
    checked: demoChecklist,
  })
  expect(approved.body).toMatchObject({
    liveEdition: null,
    scheduled: { number: 1, at: NINE.toISOString(), by: 'Odile Marchetti' },
  })
  expect(await server.services.editions.goLiveIfDue()).toBe(false)
  expect(await isLive(slug)).toBe(false)
  time = NINE
  const looked = await Promise.all([1, 2, 3].map(() => server.services.editions.goLiveIfDue()))
  expect(looked.filter(Boolean)).toHaveLength(1)
  await expect.poll(() => isLive(slug)).toBe(true)
  const now = await ines.open(id)
  expect(now).toMatchObject({ liveEdition: 1, scheduled: null, state: 'live' })
  const { body } = await ines.ask<{ entries: { act: string; person: string; details: object }[] }>(
    'GET',
    `/api/record?id=${id}`,
  )
  expect(body.entries.slice(0, 2)).toMatchObject([
    { act: 'published', person: 'Odile Marchetti', details: { edition: 1, timed: NINE.toISOString() } },
    { act: 'scheduled', details: { edition: 1 } },
  ])
})

test('a time that is past is refused; what waits can be kept from going live; taking down stops it too', async () => {
  time = new Date(2026, 10, 25, 15, 30)
  const { id, revision, slug } = await sentOne('Timed pontoon')
  const past = { revision, at: new Date(2026, 10, 25, 15, 29).toISOString() }
  expect(await ask(odile, 'POST', id, 'approve', past)).toMatchObject({
    status: 422,
    body: { code: 'TIME_PAST' },
  })
  await ask(odile, 'POST', id, 'approve', { revision, at: NINE.toISOString(), checked: demoChecklist })
  expect((await ask(ines, 'DELETE', id, 'schedule')).status).toBe(403)
  expect((await ask(odile, 'DELETE', id, 'schedule')).body.scheduled).toBeNull()
  expect((await ask(odile, 'DELETE', id, 'schedule')).body.code).toBe('NOTHING_SCHEDULED')
  time = NINE
  expect(await server.services.editions.goLiveIfDue()).toBe(false)
  expect(await isLive(slug)).toBe(false)
  // Its approval was withdrawn: it stays among the editions, and its old number does not bring it back.
  expect((await ask(odile, 'POST', id, 'editions/1/live')).body.code).toBe('EDITION_NEVER_LIVE')
})

test('which edition visitors had is told for any day', async () => {
  const { body: cards } = await ines.ask<{ id: string; slug: string }[]>('GET', '/api/calculators')
  const idOf = (slug: string) => cards.find((card) => card.slug === slug)?.id ?? ''
  const liveOn = async (slug: string, day: string) =>
    (await ines.ask<{ number: number | null }>('GET', `/api/calculators/${idOf(slug)}/live-on/${day}`)).body
      .number
  expect(await liveOn('floating-home-mortgage', '2026-06-01')).toBeNull()
  expect(await liveOn('floating-home-mortgage', '2026-07-20')).toBe(1)
  expect(await liveOn('floating-home-mortgage', '2026-11-24')).toBe(3)
  expect(await liveOn('winter-berth-purchase', '2026-09-01')).toBe(1)
  expect(await liveOn('winter-berth-purchase', '2026-11-01')).toBeNull()
})

test('two who approve at once make one edition; the other is told', async () => {
  const { id, revision } = await sentOne('Twice approved')
  const kofi = await new TestClient(server.address).signIn('kofi')
  const answers = await Promise.all(
    [odile, kofi].map((who) => ask(who, 'POST', id, 'approve', { revision, checked: demoChecklist })),
  )
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409])
  expect(answers.find(({ status }) => status === 409)?.body.code).toBe('NOT_SENT_FOR_APPROVAL')
  expect((await ines.open(id)).editions).toHaveLength(1)
})
