import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { CalculatorCard, CalculatorOpened, RecordPage } from '@vivid/contract'
import { demoChecklist } from '../../demo/demo-checklist'
import { putLive } from '../../testing/put-live'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let ines: TestClient
let odile: TestClient
let wren: TestClient
beforeAll(async () => {
  server = await testServer()
  const signIn = (name: 'ines' | 'odile' | 'wren') => new TestClient(server.address).signIn(name)
  ;[ines, odile, wren] = [await signIn('ines'), await signIn('odile'), await signIn('wren')]
})
afterAll(() => server.close())

type Answer = CalculatorCard[] & { code?: string; sentence?: string }
const place = (id: string, folder: string, putAway = false, who = ines) =>
  who.ask<Answer>('PUT', `/api/calculators/${id}/place`, { folder, putAway })
const remove = (id: string, who = ines) => who.ask<Answer>('DELETE', `/api/calculators/${id}`)
const cardOf = async (id: string) =>
  (await ines.ask<CalculatorCard[]>('GET', '/api/calculators')).body.find((card) => card.id === id)
const actsOn = async (id: string) =>
  (await ines.ask<RecordPage>('GET', `/api/record?id=${id}`)).body.entries.map(({ act }) => act)

describe('folders', () => {
  test('a calculator is moved to one and out of it; its draft, and what was sent, stay as they are', async () => {
    const made = await ines.make('Filed loan')
    await ines.ask('POST', `/api/calculators/${made.id}/send`, { revision: made.revision })
    const { body } = await place(made.id, '  Spring offers ')
    expect(body.find(({ id }) => id === made.id)).toMatchObject({ folder: 'Spring offers', state: 'sent' })
    const opened = await ines.ask<CalculatorOpened>('GET', `/api/calculators/${made.id}`)
    expect([opened.body.revision, opened.body.contributors.length]).toEqual([made.revision, 1])
    await place(made.id, '')
    expect((await cardOf(made.id))?.folder).toBe('')
    expect((await actsOn(made.id)).slice(0, 2)).toEqual(['calculatorFiled', 'calculatorFiled'])
  })

  test('a name too long is refused, and so is whoever may not edit', async () => {
    const { id } = await ines.make('Unfiled loan')
    expect((await place(id, 'x'.repeat(61))).body.code).toBe('REQUEST_INVALID')
    expect((await place(id, 'Mine', false, wren)).status).toBe(403)
    expect((await place('no-such-id', 'Mine')).body.code).toBe('CALCULATOR_UNKNOWN')
  })
})

describe('put away', () => {
  test('a draft is, and comes back by itself when it is sent', async () => {
    const made = await ines.make('Idle loan')
    await place(made.id, '', true)
    expect(await cardOf(made.id)).toMatchObject({ putAway: true, state: 'draft' })
    await ines.ask('POST', `/api/calculators/${made.id}/send`, { revision: made.revision })
    expect(await cardOf(made.id)).toMatchObject({ putAway: false, state: 'sent' })
    expect((await place(made.id, '', true)).body.code).toBe('CALCULATOR_IN_USE')
  })

  test('what visitors have is not; taken down it is, and putting it live again lists it', async () => {
    const live = await putLive(ines, odile, await ines.make('Busy loan'))
    const refused = await place(live.id, '', true)
    expect([refused.status, refused.body.sentence]).toEqual([
      409,
      'The calculator “Busy loan” is live, waits for its time, or waits for approval. Take it down or change it first.',
    ])
    await odile.ask('POST', `/api/calculators/${live.id}/take-down`, { message: '' })
    expect((await place(live.id, '', true)).status).toBe(200)
    await odile.ask('POST', `/api/calculators/${live.id}/editions/1/live`)
    expect((await cardOf(live.id))?.putAway).toBe(false)
  })
})

describe('removed for good', () => {
  test('a draft nothing of which was approved: it is gone, and on record', async () => {
    const { id } = await ines.make('Passing loan')
    expect((await cardOf(id))?.mayGo).toBe(true)
    const { status, body } = await remove(id)
    expect([status, body.some((card) => card.id === id)]).toEqual([200, false])
    expect((await ines.ask('GET', `/api/calculators/${id}`)).status).toBe(404)
    expect((await remove(id)).body.code).toBe('CALCULATOR_UNKNOWN')
    expect((await actsOn(id))[0]).toBe('calculatorRemoved')
    expect(await server.services.stores.record.verify()).toMatchObject({ brokenAt: null })
  })

  test('never what visitors had, be it taken down', async () => {
    const live = await putLive(ines, odile, await ines.make('Lasting loan'))
    expect((await cardOf(live.id))?.mayGo).toBe(false)
    expect((await remove(live.id)).body.code).toBe('CALCULATOR_WAS_LIVE')
    await odile.ask('POST', `/api/calculators/${live.id}/take-down`, { message: '' })
    expect((await remove(live.id)).body.code).toBe('CALCULATOR_WAS_LIVE')
  })

  test('what was approved and withdrawn before its time goes with its edition; not while it waits', async () => {
    const { id, revision } = await ines.make('Loan of never')
    await ines.ask('POST', `/api/calculators/${id}/send`, { revision })
    const at = new Date(Date.now() + 86_400_000).toISOString()
    const approved = await odile.ask('POST', `/api/calculators/${id}/approve`, {
      revision,
      at,
      checked: demoChecklist,
    })
    expect(approved.status).toBe(200)
    expect((await cardOf(id))?.mayGo).toBe(false)
    expect((await remove(id)).body.code).toBe('CALCULATOR_IN_USE')
    expect((await odile.ask('DELETE', `/api/calculators/${id}/schedule`)).status).toBe(200)
    expect((await cardOf(id))?.mayGo).toBe(true)
    expect((await remove(id)).status).toBe(200)
    expect((await actsOn(id))[0]).toBe('calculatorRemoved')
    expect(await server.services.stores.record.verify()).toMatchObject({ brokenAt: null })
  })

  test('not while it is placed on a page, and not by a keeper', async () => {
    const made = await ines.make('Placed loan')
    const { body } = await wren.ask<{ sites: { id: string }[] }>('GET', '/api/placements')
    const placed = await odile.ask('POST', '/api/placements', {
      site: body.sites[0]?.id,
      page: '/soon',
      calculator: made.id,
      language: '',
      answers: {},
      width: null,
    })
    expect(placed.status).toBeLessThan(300)
    expect((await remove(made.id)).body.code).toBe('CALCULATOR_PLACED')
    expect((await remove(made.id, wren)).status).toBe(403)
    expect(await cardOf(made.id)).toBeDefined()
  })
})
