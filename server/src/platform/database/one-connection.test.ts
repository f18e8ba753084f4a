import { afterAll, beforeAll, expect, test } from 'vitest'
import type { CalculatorOpened, Checklist, PlacementsListed, SheetListed, StyleListed } from '@vivid/contract'
import { paragraphs } from '@vivid/core'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

// With one connection in the pool, whatever asks for a second one while it holds the first waits for ever.
let server: TestServer
type Name = 'ines' | 'odile' | 'kofi' | 'wren'
const people = {} as Record<Name, TestClient>
beforeAll(async () => {
  server = await testServer({ connections: 1 })
  for (const name of ['ines', 'odile', 'kofi', 'wren'] as const)
    people[name] = await new TestClient(server.address).signIn(name)
})
afterAll(() => server.close())

/** Asks, and expects an answer with this status. */
async function ask<Body>(
  who: Name,
  status: number,
  method: string,
  path: string,
  body?: unknown,
): Promise<Body> {
  const answer = await people[who].ask<Body>(method, path, body)
  expect([method, path, answer.status, answer.body]).toMatchObject([method, path, status, answer.body])
  return answer.body
}

test('a calculator goes its whole way', async () => {
  const { id, revision, document } = await ask<CalculatorOpened>('ines', 201, 'POST', '/api/calculators', {
    from: 'starter',
    starter: 'mortgage-payment',
    title: 'Lone raft loan',
  })
  const at = `/api/calculators/${id}`
  const saved = await ask<CalculatorOpened>('ines', 200, 'PUT', `${at}/draft`, {
    revision,
    document: { ...document, introduction: { 'en-CA': paragraphs('Alone.') } },
  })
  await ask('ines', 409, 'PUT', `${at}/draft`, { revision, document })
  await ask('ines', 409, 'PUT', `${at}/house-style`, { revision, houseStyle: 'nightwatch' })
  await ask('ines', 409, 'POST', `${at}/send`, { revision })
  const { items: checked } = await ask<Checklist>('odile', 200, 'GET', '/api/checklist')
  await ask('ines', 200, 'POST', `${at}/send`, { revision: saved.revision })
  await ask('odile', 409, 'POST', `${at}/approve`, { revision, checked })
  const remarks = [{ step: null, text: 'Again.' }]
  await ask('odile', 200, 'POST', `${at}/send-back`, { revision: saved.revision, remarks })
  await ask('ines', 200, 'POST', `${at}/send`, { revision: saved.revision })
  const later = { revision: saved.revision, at: '2026-12-24T08:00:00Z', checked }
  await ask('odile', 200, 'POST', `${at}/approve`, later)
  await ask('odile', 200, 'DELETE', `${at}/schedule`)
  await ask('ines', 200, 'POST', `${at}/send`, { revision: saved.revision })
  await ask('odile', 200, 'POST', `${at}/approve`, { revision: saved.revision, checked })
  await ask('odile', 200, 'GET', `${at}/editions/2`)
  await ask('wren', 200, 'POST', `${at}/take-down`, { message: '' })
  await ask('odile', 200, 'POST', `${at}/editions/2/live`)
  await ask('odile', 409, 'POST', `${at}/editions/1/live`)
  await ask('ines', 200, 'GET', '/api/calculators')
  await ask('ines', 200, 'GET', `${at}/file`)
})

test('so do a rate sheet, a house style, a placement, a person, a key, and everything in one archive', async () => {
  const [listed] = await ask<SheetListed[]>('ines', 200, 'GET', '/api/rate-sheets')
  const sheet = { ...listed?.sheet, name: 'Renamed' }
  const revision = listed?.revision ?? 0
  const saved = await ask<SheetListed>('ines', 200, 'PUT', '/api/rate-sheets', { sheet, revision })
  await ask('ines', 409, 'PUT', '/api/rate-sheets', { sheet, revision })
  await ask('ines', 409, 'PUT', '/api/rate-sheets', { sheet, revision: 0 })
  await ask('ines', 200, 'POST', '/api/rate-sheets/impact', { sheet })
  const at = `/api/rate-sheets/${saved.sheet.id}`
  await ask('ines', 200, 'POST', `${at}/send`, { revision: saved.revision })
  await ask('odile', 409, 'POST', `${at}/approve`, { revision })
  await ask('odile', 200, 'POST', `${at}/approve`, { revision: saved.revision })

  const list = await ask<Checklist>('wren', 200, 'GET', '/api/checklist')
  const written = { items: ['Read.'], revision: list.revision }
  await ask('wren', 200, 'PUT', '/api/checklist', written)
  await ask('wren', 409, 'PUT', '/api/checklist', written)

  const styles = await ask<StyleListed[]>('ines', 200, 'GET', '/api/house-styles')
  const style = { id: 'lone', name: 'Lone', choices: styles[0]?.choices, revision: 0 }
  await ask('ines', 200, 'PUT', '/api/house-styles', style)
  await ask('ines', 409, 'PUT', '/api/house-styles', style)
  await ask('ines', 409, 'PUT', '/api/house-styles', { ...style, revision: 7 })
  await ask('ines', 409, 'DELETE', '/api/house-styles/larkmoor')
  await ask('ines', 200, 'DELETE', '/api/house-styles/lone')

  const { placements } = await ask<PlacementsListed>('wren', 200, 'GET', '/api/placements')
  await ask('wren', 200, 'DELETE', `/api/placements/${placements[0]?.id}`)
  await ask('wren', 409, 'POST', '/api/people', {
    email: 'ines@larkmoor.example',
    name: 'Twin',
    role: 'author',
  })
  await ask('wren', 201, 'POST', '/api/people', {
    email: 'new@larkmoor.example',
    name: 'New',
    role: 'author',
  })
  await ask('wren', 201, 'POST', '/api/channels/keys', { name: 'Lone', perMinute: 60 })
  await ask('wren', 200, 'GET', '/api/archive')
  await ask('wren', 200, 'GET', '/api/record/verify')
})

test('thirty stale refusals at once are answered', async () => {
  const { id, document } = await people.ines.make('Stale raft loan')
  const answers = await Promise.all(
    Array.from({ length: 30 }, (_, i) =>
      people.ines.ask('PUT', `/api/calculators/${id}/draft`, { revision: 100 + i, document }),
    ),
  )
  expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([409]))
})
